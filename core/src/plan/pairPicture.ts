import type { FormeMap } from '../forme/formeMap.ts'
import { pathLength, type Path, type Point } from '../geometry/path.ts'
import { disc } from '../geometry/disc.ts'
import { nearest, resample } from '../geometry/polyline.ts'
import { simplify } from '../geometry/simplify.ts'
import { backCurve, bottomPoint, featherLine, ridgeAndToe, type LastSurface } from '../last/surface.ts'
import { colourOf, type MaterialRole } from '../model/material.ts'
import type { PlanInput } from '../model/pair.ts'
import type { PictureShape } from '../model/pairCard.ts'
import { heightAt } from '../parts/sole/sideProfile.ts'
import { ofPiece, type ByPiece } from '../trade/cutFrom.ts'
import type { Side } from '../trade/side.ts'
import type { UpperLine } from '../upper/upperLines.ts'
import { cupFromSide } from './cupFromSide.ts'
import type { FootPlan } from './plan.ts'

/** A picture a few hundred pixels wide shows no less, mm. */
const TOLERANCE = 0.3
/** A top line that ends further than this over the last, mm, is a shaft's: its front edge is a seam in the air. */
const IN_THE_AIR = 6
/** So far behind the toe's end its front is looked for, mm. */
const TOE = 70
/** Layers of the bottom that the upper hides. */
const INSIDE = ['insole', 'filler']

/** Which material each layer and body of the bottom is cut from. */
const roleOf: Record<string, MaterialRole> = {
  insole: 'insole',
  midsole: 'midsole',
  outsole: 'outsole',
  welt: 'welt',
  rand: 'welt',
  wedge: 'heel',
  lift: 'heel',
  topPiece: 'topPiece',
}

/** Colours of the materials of a pair: by what they serve as, and of pieces that are cut from something of their own. */
export interface PictureColours {
  by: Partial<Record<MaterialRole, string>>
  own: ByPiece<string>
}

/** The colours of the materials that were decided for. */
export function coloursOf({ decisions, materials }: Pick<PlanInput, 'decisions' | 'materials'>): PictureColours {
  const colours = (chosen: Record<string, string | null>): Record<string, string> =>
    Object.fromEntries(
      Object.entries(chosen).flatMap(([what, id]) => {
        const material = materials.find((m) => m.id === id)
        return material ? [[what, colourOf(material)]] : []
      }),
    )
  return { by: colours(decisions.materials), own: colours(decisions.pieceMaterials) }
}

const tenths = (v: number) => Math.round(v * 10) / 10
const coarse = (path: Path): Path => simplify(path, TOLERANCE).map(([x, z]): Point => [tenths(x), tenths(z)])

/** A line of the base pattern as it lies on the last, seen from the side. */
const seen = (map: FormeMap, side: Side, path: Path): Path =>
  path.map((p): Point => {
    const [x, , z] = map.toLast(side, p)
    return [x, z]
  })

/** The edge of the upper in front, from the end of its top line to the toe: over the ridge, or first down a shaft's seam. */
function front(end: Point, ridge: Path, begins: Path | undefined): Path {
  if (begins === undefined || end[1] - heightAt(ridge, end[0]) < IN_THE_AIR) return ridge.filter((p) => p[0] > end[0])
  const air = begins.filter((p) => p[1] > heightAt(ridge, p[0]))
  const last = air[air.length - 1] ?? end
  return [...air, ...ridge.filter((p) => p[0] > last[0])]
}

/** The bare last from the side, where no upper is drawn on it. */
function bareLast(surface: LastSurface): Path {
  const flat = (line: readonly (readonly number[])[]) => line.map((p): Point => [p[0]!, p[2]!])
  return [
    ...flat(backCurve(surface)),
    ...flat(ridgeAndToe(surface)),
    ...flat(featherLine(surface, 'lateral')).reverse(),
  ]
}

/** Points of an outline are so far apart before it is laid on the last, mm: what is straight on the forme is not there. */
const APART = 1.5
/** Corners of a drawn eyelet. */
const ROUND = 6
/** So near to the feather line a point lies on it, mm. */
const AT_FEATHER = 0.6

/**
 * Pieces of another colour than the rest of the upper, and whatever lies over them, each with its colour: from the
 * inside outwards. `down` draws the feather line down to the sole, as it does for the whole upper.
 */
function colouredPieces(
  { upper, layers }: FootPlan,
  map: FormeMap,
  down: (p: Point) => Point,
  colours: PictureColours,
): PictureShape[] {
  const colour = (piece: string) => ofPiece(colours.own, piece, colours.by.upper)
  const pieces = new Set(upper.pieces.map((p) => p.id))
  // The opened allowance of a seam lies half a step deeper than its piece, and is not seen.
  const areas = layers.areas
    .filter((a) => a.side === 'lateral' && pieces.has(a.part) && Number.isInteger(a.depth))
    .sort((a, b) => a.depth - b.depth)
  const first = areas.findIndex((a) => colour(a.part) !== colours.by.upper)
  return (first < 0 ? [] : areas.slice(first)).map(({ part, area }): PictureShape => {
    const outline = resample(area, Math.ceil(pathLength(area, true) / APART), true)
    const fill = colour(part)
    return { kind: 'piece', path: seen(map, 'lateral', outline).map(down), ...(fill ? { fill } : {}) }
  })
}

/** The outlines of an upper's pieces on a side as they lie on the last, seen from the side. */
const outlinesOf = ({ upper }: FootPlan, map: FormeMap, side: Side): Path[] =>
  upper.pieces.flatMap((p) =>
    p.places
      .filter((place) => place.side === side)
      .map(({ forme }) => seen(map, side, resample(forme, Math.ceil(pathLength(forme, true) / APART), true))),
  )

/** An upper that is open behind: its pieces, through which what lies over the other side is seen. */
function openShapes(plan: FootPlan, map: FormeMap, under: Path, colours: PictureColours): PictureShape[] {
  const feather = featherLine(map.surface, 'lateral').map((p): Point => [p[0], p[2]])
  const down = (p: Point): Point =>
    nearest(feather, p).away < AT_FEATHER ? [p[0], Math.min(p[1], heightAt(under, p[0]))] : p
  const lines = plan.upper.lines.filter((l) => l.side === 'lateral' && l.kind === 'seam')
  return [
    ...outlinesOf(plan, map, 'medial').map((path): PictureShape => ({ kind: 'inside', path })),
    ...outlinesOf(plan, map, 'lateral').map((path): PictureShape => ({ kind: 'upper', path: path.map(down) })),
    ...colouredPieces(plan, map, down, colours),
    ...lines.map((l): PictureShape => ({ kind: 'line', path: seen(map, 'lateral', l.path) })),
  ]
}

/** What the upper shows from the side: its body, what is seen of its inside, its pieces of other colours, and the lines on it. */
function upperShapes(plan: FootPlan, map: FormeMap, under: Path, colours: PictureColours): PictureShape[] {
  const { upper } = plan
  if (upper.open.behind) return openShapes(plan, map, under, colours)
  const line = (kind: UpperLine['kind'], side: Side) => upper.lines.find((l) => l.kind === kind && l.side === side)
  const [top, back] = [line('top line', 'lateral'), line('back', 'lateral')]
  if (!top || !back) return [{ kind: 'last', path: bareLast(map.surface) }]
  const lines = upper.lines.filter((l) => l.side === 'lateral' && ['seam', 'facing', 'zip'].includes(l.kind))
  const topLine = seen(map, 'lateral', top.path)
  const end = topLine[0]!
  const ridge = ridgeAndToe(map.surface).map((p): Point => [p[0], p[2]])
  const seam = lines.find((l) => Math.hypot(l.path[0]![0] - top.path[0]![0], l.path[0]![1] - top.path[0]![1]) < 1)
  // The margin is turned in under the insole: from the side the upper reaches down to the sole.
  const feather = featherLine(map.surface, 'lateral').map((p): Point => [p[0], p[2]])
  const sunk = ([x, z]: Point): Point => [x, Math.min(z, heightAt(under, x))]
  const foot = feather.map(sunk)
  const down = (p: Point) => (nearest(feather, p).away < AT_FEATHER ? sunk(p) : p)
  const other = line('top line', 'medial')
  return [
    ...(other
      ? [{ kind: 'inside' as const, path: [...topLine, ...[...seen(map, 'medial', other.path)].reverse()] }]
      : []),
    {
      kind: 'upper',
      path: [
        ...seen(map, 'lateral', back.path),
        ...[...topLine].reverse(),
        ...front(end, ridge, seam && seen(map, 'lateral', seam.path)),
        ...[...foot].reverse(),
      ],
    },
    ...colouredPieces(plan, map, down, colours),
    ...lines.map((l): PictureShape => ({ kind: 'line', path: seen(map, 'lateral', l.path) })),
    ...(upper.lacing?.pairs ?? []).map(({ at }): PictureShape => ({
      kind: 'eyelet',
      path: seen(map, 'lateral', disc(at.lateral, (upper.lacing?.diameter ?? 0) / 2, ROUND)),
    })),
  ]
}

/** The cup that stands round a shoe, over what of the upper lies in it. */
function cupRound(surface: LastSurface, { layers }: FootPlan['bottom']['profile'], by: number, wall: number): Path {
  const stood = (line: readonly (readonly number[])[]): Path => line.map((p): Point => [p[0]!, p[2]! + by])
  const bottom = layers.find((l) => l.id === 'cup')
  const floor = bottom?.upper ?? layers[layers.length - 1]!.lower
  const toe = stood(ridgeAndToe(surface))
  // Down the toe alone: before that the ridge comes down from the cone.
  const rib = toe.slice(toe.findIndex((p) => p[0] > toe[toe.length - 1]![0] - TOE))
  // Of a cup that nobody measured the wall alone is drawn.
  return cupFromSide({ back: stood(backCurve(surface)), front: rib, floor, lower: bottom?.lower ?? floor }, wall)
}

/**
 * A shoe from its lateral side, toe to the right, stood on the ground as its bottom section stands: x forward, z up, mm,
 * coarse. The upper is projected from the last that its lines lie on, the bottom is its middle section; what comes first
 * lies beneath. Bodies have the colours of their materials. It is what a pair is known by on a list.
 */
export function pairPicture(plan: FootPlan, map: FormeMap, colours: PictureColours): PictureShape[] {
  const { profile, strips, heel, cup } = plan.bottom
  const filled = (role: MaterialRole | undefined) => {
    // A welt that nothing was chosen for is of leather like the midsole's.
    const fill = role && (colours.by[role] ?? (role === 'welt' ? colours.by.midsole : undefined))
    return fill ? { fill } : {}
  }
  const middle = Array.from({ length: map.surface.columns }, (_, i): Point => {
    const [x, , z] = bottomPoint(map.surface, i, (map.surface.across - 1) / 2)
    return [x, z]
  }).sort((a, b) => a[0] - b[0])
  // The section was stood on its tread: as far as it was moved up or down, the upper goes too.
  const at = profile.last[Math.floor(profile.last.length / 2)]!
  const by = at[1] - heightAt(middle, at[0])
  const stood = ({ path, ...shape }: PictureShape): PictureShape => ({
    ...shape,
    path: coarse(path.map(([x, z]): Point => [x, z + by])),
  })
  // Insole and filler lie inside; a shoe in a bought sole has no other layers of its own.
  const outside = profile.layers.filter((l) => !INSIDE.includes(l.id))
  const layers = outside.length > 0 ? outside : profile.layers
  const under = layers[0]!.upper.map(([x, z]): Point => [x, z - by])
  return [
    ...upperShapes(plan, map, under, colours)
      .map(stood)
      .map((s) => ({ ...s, ...filled(s.kind === 'upper' ? 'upper' : s.kind === 'inside' ? 'lining' : undefined) })),
    ...layers.map((l): PictureShape => ({
      kind: 'sole',
      path: coarse([...l.upper, ...[...l.lower].reverse()]),
      ...filled(roleOf[l.id]),
    })),
    ...(cup ? [{ kind: 'sole' as const, path: coarse(cupRound(map.surface, profile, by, cup.wall)) }] : []),
    ...strips.map((s): PictureShape => ({ kind: 'sole', path: coarse(s.outline), ...filled(roleOf[s.id]) })),
    ...(heel?.bodies ?? []).map((b): PictureShape => ({
      kind: 'heel',
      path: coarse(b.outline),
      ...filled(roleOf[b.id]),
    })),
  ]
}
