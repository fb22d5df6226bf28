import type { FormeMap } from '../forme/formeMap.ts'
import { nearest } from '../geometry/polyline.ts'
import { pathLength, type Path, type Point } from '../geometry/path.ts'
import type { Vec3 } from '../geometry/vec3.ts'
import type { Side } from '../trade/side.ts'
import { bottomPoint, type LastSurface } from '../last/surface.ts'
import { FAN, ribAt, ribHeight, verticalRib } from '../last/verticalRib.ts'
import type { TurnedStack } from './turnedStack.ts'
import type { StackLayer, WallStack } from './wallStack.ts'

/** One layer in section: closed outlines, mm, x outwards from the middle of the last and y up. */
export interface SectionLayer {
  part: string
  name: string
  /** Where it is thickest in this section, mm. */
  thickest: number
  outlines: Path[]
}

/** The wall and the turned margin cut square to the feather line. */
export interface WallSection {
  side: Side
  station: number
  /** Outline of the last from the top of the wall round the feather to the middle of the bottom. */
  last: Path
  feather: Point
  layers: SectionLayer[]
}

/** Distance between the places where the layers are read, mm. */
const STEP = 0.8
/** Places nearer than this to the edge of the wall are taken inside it, mm. */
const EDGE = 0.7
/** Nearer to the back than this a section is taken here: the back line itself is nobody's; mm. */
const BACK = 2.5
/** How far under the last the section goes, mm. */
const UNDER = 24

/** A run of places with the layers at each, and the direction in which they pile up. */
interface Place {
  at: Point
  out: Point
  layers: StackLayer[]
}

/**
 * The section at a station of one side (see verticalRib), to scale: on the wall the layers pile up outwards from the
 * last, under it downwards from the insole. `insole` is its thickness, mm.
 */
export function wallSection(
  map: FormeMap,
  wall: WallStack,
  turned: TurnedStack,
  side: Side,
  wanted: number,
  insole: number,
): WallSection {
  const station = Math.max(BACK, wanted)
  const { surface } = map
  const rib = verticalRib(surface, side, station)
  const middle = middleOf(surface, station)
  const flat = (p: Vec3): Point => [Math.hypot(p[0] - middle[0], p[1] - middle[1]), p[2]]
  const height = ribHeight(rib)
  const count = Math.max(8, Math.round(height / STEP))
  const points = Array.from({ length: count + 1 }, (_, k) => ribAt(rib, (height * k) / count))
  const line = points.map(flat)
  const feather = line[0]!
  const up: Place[] = points.map((p, k) => ({
    at: line[k]!,
    out: normalOf(line, k),
    layers: wall.at(side, inwards(map, side, map.fromLast(side, p))),
  }))
  const along = [feather, ...underLine(surface, side, station).map(flat).slice(1)]
  const reach = Math.min(UNDER, pathLength(along))
  const x = points[0]![0]
  const atEdge = turned.atFeather(side, x)
  const lower = ([px, pz]: Point): Point => [px, pz - insole]
  // Down the insole's edge, round its corner, and under it: one run, so that every layer is one body.
  const edge: Place[] = [0.25, 0.5, 0.75].map((t) => ({
    at: [feather[0], feather[1] - t * insole],
    out: mixed(up[0]!.out, t),
    layers: atEdge,
  }))
  const corner: Place[] = Array.from({ length: CORNER + 1 }, (_, k) => {
    const a = (-Math.PI / 2) * (k / CORNER)
    return { at: lower(feather), out: [Math.cos(a), Math.sin(a)], layers: atEdge }
  })
  const under = Array.from({ length: Math.round(reach / STEP) + 1 }, (_, k) => k * STEP)
  const down: Place[] = under.slice(1).map((d) => ({
    at: lower(onLine(along, d)),
    out: [0, -1],
    layers: turned.at(side, x, d),
  }))
  const sole = under.map((d) => onLine(along, d))
  return {
    side,
    station,
    last: [...[...line].reverse(), ...along.slice(1)],
    feather,
    layers: [
      { part: 'insole', name: 'Insole', thickest: insole, outlines: [[...sole, ...sole.map(lower).reverse()]] },
      ...bands([...[...up].reverse(), ...edge, ...corner, ...down]).filter((l) => l.thickest > SHOWN),
    ],
  }
}

/** Steps in which the layers turn round the corner of the insole. */
const CORNER = 6

/** From the wall's own direction to level, as the layers run down the insole's edge. */
function mixed([x, y]: Point, t: number): Point {
  const v: Point = [x + (1 - x) * t, y * (1 - t)]
  const l = Math.hypot(v[0], v[1]) || 1
  return [v[0] / l, v[1] / l]
}

/** The wall's very edge belongs to nobody: a place at the feather or the ridge is taken a little inside. */
function inwards(map: FormeMap, side: Side, p: Point): Point {
  if (nearest(map.feathers[side], p).away < EDGE) return [p[0], p[1] + EDGE]
  return nearest(map.centre, p).away < EDGE ? [p[0] - EDGE / 2, p[1] - EDGE] : p
}

/** The point over which a section stands: on the fan's axis at the heel, on the centre plane elsewhere. */
function middleOf(surface: LastSurface, station: number): Point {
  const axis = FAN * surface.length
  return station < axis ? [axis, 0] : [station, 0]
}

/** The bottom from the feather at a station to the middle. */
function underLine(surface: LastSurface, side: Side, station: number): Vec3[] {
  const from = verticalRib(surface, side, station)[0]!
  const [mx, my] = middleOf(surface, station)
  const n = 24
  return Array.from({ length: n + 1 }, (_, k): Vec3 => {
    const t = k / n
    const [x, y] = [from[0] + (mx - from[0]) * t, from[1] + (my - from[1]) * t]
    return [x, y, bottomHeight(surface, x, y)]
  })
}

/** Height of the bottom patch at a place: on the cross lines before and behind it, and between them. */
function bottomHeight(surface: LastSurface, x: number, y: number): number {
  const { columns, across } = surface
  const half = (across - 1) / 2
  let i = 1
  while (i < columns - 1 && bottomPoint(surface, i, half)[0] < x) i++
  const [x0, x1] = [bottomPoint(surface, i - 1, half)[0], bottomPoint(surface, i, half)[0]]
  const t = x1 > x0 ? Math.min(1, Math.max(0, (x - x0) / (x1 - x0))) : 0
  const [a, b] = [onCross(surface, i - 1, y), onCross(surface, i, y)]
  return a + (b - a) * t
}

/** Height of one cross line of the bottom at y; its ends go on level. */
function onCross(surface: LastSurface, column: number, y: number): number {
  const { across } = surface
  for (let j = 1; j < across; j++) {
    const [a, b] = [bottomPoint(surface, column, j - 1), bottomPoint(surface, column, j)]
    if ((a[1] <= y && b[1] >= y) || (a[1] >= y && b[1] <= y)) {
      const t = b[1] === a[1] ? 0 : (y - a[1]) / (b[1] - a[1])
      return a[2] + (b[2] - a[2]) * t
    }
  }
  const [first, last] = [bottomPoint(surface, column, 0), bottomPoint(surface, column, across - 1)]
  return Math.abs(first[1] - y) < Math.abs(last[1] - y) ? first[2] : last[2]
}

function onLine(line: Path, at: number): Point {
  let run = 0
  for (let i = 1; i < line.length; i++) {
    const step = Math.hypot(line[i]![0] - line[i - 1]![0], line[i]![1] - line[i - 1]![1])
    if (run + step >= at) {
      const t = step > 0 ? (at - run) / step : 0
      return [
        line[i - 1]![0] + (line[i]![0] - line[i - 1]![0]) * t,
        line[i - 1]![1] + (line[i]![1] - line[i - 1]![1]) * t,
      ]
    }
    run += step
  }
  return line[line.length - 1]!
}

/** Unit normal of a line that runs upwards, to its right: away from the last. */
function normalOf(line: Path, k: number): Point {
  const [a, b] = [line[Math.max(0, k - 2)]!, line[Math.min(line.length - 1, k + 2)]!]
  const l = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
  return [(b[1] - a[1]) / l, -(b[0] - a[0]) / l]
}

/** One order for all layers of a run that keeps the order of every place: what is new goes in before what follows it there. */
function inOrder(stacks: readonly (readonly string[])[]): string[] {
  const order: string[] = []
  for (const stack of stacks) {
    for (let i = stack.length - 1; i >= 0; i--) {
      if (order.includes(stack[i]!)) continue
      const next = stack.slice(i + 1).find((key) => order.includes(key))
      const before = [...stack.slice(0, i)].reverse().find((key) => order.includes(key))
      if (next !== undefined) order.splice(order.indexOf(next), 0, stack[i]!)
      else if (before !== undefined) order.splice(order.indexOf(before) + 1, 0, stack[i]!)
      else order.push(stack[i]!)
    }
  }
  return order
}

/** Places of one run turned into one closed outline for every stretch of every layer. */
function bands(places: readonly Place[]): SectionLayer[] {
  const keys = inOrder(places.map((p) => p.layers.map((l) => `${l.part}|${l.name}`)))
  return keys.map((key): SectionLayer => {
    const [part, name] = key.split('|') as [string, string]
    const outlines: Path[] = []
    let inner: Point[] = []
    let outer: Point[] = []
    let thickest = 0
    const close = () => {
      if (inner.length > 1) outlines.push([...inner, ...outer.reverse()])
      ;[inner, outer] = [[], []]
    }
    for (const { at, out, layers } of places) {
      const i = layers.findIndex((l) => `${l.part}|${l.name}` === key)
      if (i < 0) {
        close()
        continue
      }
      const below = layers.slice(0, i).reduce((sum, l) => sum + l.thickness, 0)
      const t = layers[i]!.thickness
      thickest = Math.max(thickest, t)
      inner.push([at[0] + out[0] * below, at[1] + out[1] * below])
      outer.push([at[0] + out[0] * (below + t), at[1] + out[1] * (below + t)])
    }
    close()
    return { part, name, thickest, outlines }
  })
}

/** A layer that is thinner than this everywhere in a section is not shown, mm. */
const SHOWN = 0.08
