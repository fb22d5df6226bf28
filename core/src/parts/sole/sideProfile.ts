import { atX, bottomPoint, type LastSurface } from '../../last/surface.ts'
import type { Path, Point } from '../../geometry/path.ts'
import { STATIONS } from '../../last/frame.ts'
import type { Landmarks } from '../../last/landmarks.ts'
import { SAME } from '../../geometry/tolerance.ts'

/** One layer of the bottom in side section: `upper` and `lower` run from heel to toe, x forward, z up; mm. */
export interface ProfileLayer {
  id: string
  name: string
  upper: Path
  lower: Path
  /** Its thickness at the seat, the waist, the tread and the toe, mm. */
  at: Record<ProfilePlace, number>
}
export type ProfilePlace = 'seat' | 'waist' | 'tread' | 'toe'

/** The whole bottom cut through its middle and stood on the ground (z = 0) at its lowest place in front. */
export interface SideProfile {
  last: Path
  layers: ProfileLayer[]
  /** The sole's underside. */
  underside: Path
  /** Whole thickness under the last at the four places, mm. */
  thickness: Record<ProfilePlace, number>
  /** Toe spring of the finished sole: its underside over the ground at its tip, mm. */
  spring: number
  /** Toe spring of the bare last: its bottom over its own lowest place in front, at the toe, mm. */
  lastSpring: number
  places: Record<ProfilePlace, number>
}

export interface BottomLayer {
  id: string
  name: string
  /** Thickness at a place, x in mm from the heel back. */
  thickness: (x: number) => number
  /** How far it stands out past the feather line at heel and toe, mm; negative where it ends inside. */
  past: { heel: number; toe: number }
}

const COUNT = 110
/** In front of this share of the length nothing stands on the ground: the heel carries the rest. */
const STANDS_FROM = 0.55

/**
 * Lays the layers one under the other along the middle of the last's bottom, each square to it, and stands the whole on
 * its tread. Past the feather the bottom is thought to go on straight.
 */
export function sideProfile(surface: LastSurface, marks: Landmarks, bottomLayers: readonly BottomLayer[]): SideProfile {
  const L = surface.length
  const middle = Array.from({ length: surface.columns }, (_, i) => bottomPoint(surface, i, (surface.across - 1) / 2))
  const [heel, toe] = [marks.heelFeather[0], marks.toeFeather[0]]
  const from = heel - Math.max(0, ...bottomLayers.map((s) => s.past.heel))
  const to = toe + Math.max(0, ...bottomLayers.map((s) => s.past.toe))
  const xs = Array.from({ length: COUNT + 1 }, (_, k) => from + ((to - from) * k) / COUNT)
  const height = (x: number): number => {
    const inside = Math.min(toe - 1, Math.max(heel + 1, x))
    const slope = (atX(middle, inside + 1)[2] - atX(middle, inside - 1)[2]) / 2
    return atX(middle, inside)[2] + (x - inside) * slope
  }
  const top = xs.map((x): Point => [x, height(x)])
  const down = top.map((_, i): Point => {
    const [a, b] = [top[Math.max(0, i - 1)]!, top[Math.min(COUNT, i + 1)]!]
    const l = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
    return [(b[1] - a[1]) / l, -(b[0] - a[0]) / l]
  })
  const under = (depths: readonly number[]): Path =>
    top.map(([x, z], i): Point => [x + down[i]![0] * depths[i]!, z + down[i]![1] * depths[i]!])
  const places: Record<ProfilePlace, number> = {
    seat: STATIONS.seat * L,
    waist: STATIONS.waistLateral * L,
    tread: STATIONS.tread * L,
    toe,
  }
  const atPlaces = (of: (x: number) => number): Record<ProfilePlace, number> => ({
    seat: of(places.seat),
    waist: of(places.waist),
    tread: of(places.tread),
    toe: of(places.toe),
  })
  const inside = (s: BottomLayer) => (_: Point, i: number) =>
    xs[i]! >= heel - s.past.heel - SAME && xs[i]! <= toe + s.past.toe + SAME
  let depths = xs.map(() => 0)
  const layers = bottomLayers.map((s): ProfileLayer => {
    const upper = under(depths)
    depths = depths.map((d, i) => d + s.thickness(xs[i]!))
    return {
      id: s.id,
      name: s.name,
      upper: upper.filter(inside(s)),
      lower: under(depths).filter(inside(s)),
      at: atPlaces(s.thickness),
    }
  })
  const lowest = under(depths)
  const ground = lowest.reduce((low, [x, z]) => (x > STANDS_FROM * L ? Math.min(low, z) : low), Infinity)
  const stood = (path: Path): Path => path.map(([x, z]): Point => [x, z - ground])
  const underside = stood(lowest)
  return {
    last: stood(top.filter((_, i) => xs[i]! >= heel && xs[i]! <= toe)),
    layers: layers.map((l) => ({ ...l, upper: stood(l.upper), lower: stood(l.lower) })),
    underside,
    thickness: atPlaces((x) => bottomLayers.reduce((sum, s) => sum + s.thickness(x), 0)),
    spring: underside[COUNT]![1],
    lastSpring: height(toe) - Math.min(...xs.filter((x) => x > STANDS_FROM * L && x <= toe).map(height)),
    places,
  }
}

/** Height of a line that runs forward at x, mm; its ends go on level. */
export function heightAt(line: Path, x: number): number {
  if (x <= line[0]![0]) return line[0]![1]
  for (let i = 1; i < line.length; i++) {
    const [a, b] = [line[i - 1]!, line[i]!]
    if (b[0] >= x) return a[1] + ((b[1] - a[1]) * (x - a[0])) / (b[0] - a[0] || 1)
  }
  return line[line.length - 1]![1]
}

/** A strip of the bottom that lies only round its edge, in side section: the welt at the toe, the rand at the heel. */
export interface ProfileStrip {
  id: 'welt' | 'rand'
  name: string
  outline: Path
}

/**
 * Welt and rand where the middle of the sole cuts them: on the layer below them, from where they are fixed inside the
 * feather out to that layer's edge; `thickness` upright, `inset` from the feather at heel and toe, mm.
 */
export function edgeStrips(below: ProfileLayer, marks: Landmarks, inset: number, thickness: number): ProfileStrip[] {
  const strip = (id: ProfileStrip['id'], name: string, inside: (x: number) => boolean): ProfileStrip => {
    const foot = below.upper.filter(([x]) => inside(x))
    return { id, name, outline: [...foot, ...[...foot].reverse().map(([x, z]): Point => [x, z + thickness])] }
  }
  return [
    strip('welt', 'Welt', (x) => x >= marks.toeFeather[0] - inset),
    strip('rand', 'Rand', (x) => x <= marks.heelFeather[0] + inset),
  ]
}
