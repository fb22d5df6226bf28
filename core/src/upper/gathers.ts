import type { FormeMap } from '../forme/formeMap.ts'
import type { FoldPlace } from '../model/upper.ts'
import type { Opened } from '../forme/opened.ts'
import { cumulative, nearest, pointAt } from '../geometry/polyline.ts'
import { subpathBetween } from '../geometry/subpath.ts'
import type { GatherBand } from '../trade/gatherBand.ts'
import { firstCrossing } from '../geometry/lineCrossing.ts'
import { distance, type Path, type Point } from '../geometry/path.ts'

/** Slashes that open together; more of them make a smoother edge. */
const SLASHES = 8

/** Where the first slash and the last lie along the fold line from the throat, as shares of it; null where folds lie round the shaft. */
const ON_VAMP: Record<FoldPlace, readonly [number, number] | null> = {
  instep: [0.16, 0.62],
  toes: [0.56, 0.88],
  'all along': [0.16, 0.88],
  shaft: null,
}

/** Places of the forme between which upper and lining lie on each other when the folds are drawn together. */
export interface GatherMarks {
  /** On the centre line. */
  centre: readonly Point[]
  /** On the edges of either half. */
  edges: readonly Point[]
}

/** Leather that is opened for folds: where it lies on the forme, and its marks. */
export interface Gathers {
  marks: GatherMarks
  /** The slashes as they lie on the forme. */
  slashes: readonly Path[]
  bands: readonly GatherBand[]
  /** How much nearer the straightened middle came to the feather, where most, and where that is; none where it opens parallel. */
  lost?: { by: number; at: Point }
}

/** Folds in several pieces as one; null where there are none. */
export const joinedGathers = (all: readonly Gathers[]): Gathers | null =>
  all.length === 0
    ? null
    : {
        marks: { centre: all.flatMap((g) => g.marks.centre), edges: all.flatMap((g) => g.marks.edges) },
        slashes: all.flatMap((g) => g.slashes),
        bands: all.flatMap((g) => g.bands),
      }

/** Where folds and lining meet on the edges of pieces, as places of the forme. */
export const gatheredEdges = (drawn: {
  opened: Pick<Gathered, 'gathers'> | null
  shaftFolds?: Gathers | null
}): readonly Point[] => [...(drawn.opened?.gathers?.marks.edges ?? []), ...(drawn.shaftFolds?.marks.edges ?? [])]

/** A forepart opened for folds; its slashes run from the centre line to the feather. */
export interface Gathered extends Opened {
  /** The forepart as it was before the folds: what its lining is cut to. */
  plain: Opened
  /** What the centre line gained, mm. */
  gained: number
  /** Null where there are no folds. */
  gathers: Gathers | null
}

/** The slashes of one stretch, as they lie opened along the fold and on the forme, and the marks between them. */
interface Slashed {
  opened: Path[]
  onForme: Path[]
  marks: GatherMarks
}

/** Slashes from places of the fold line, square to it, to the feather; `at` are runs from the throat, mm. */
function slashesAt(map: FormeMap, { fold: { from, to }, place }: Opened) {
  const l = distance(from, to)
  const way: Point = [(to[0] - from[0]) / l, (to[1] - from[1]) / l]
  const down: Point = [way[1], -way[0]]
  const edge = map.feather.map(place)
  const [featherRun, edgeRun] = [cumulative(map.feather), cumulative(edge)]
  const throatAt = nearest(map.centre, from).at
  /** The slash at a place, opened and on the forme; null where it does not come down to the feather. */
  const slash = (s: number): { opened: Path; onForme: Path } | null => {
    const top: Point = [from[0] + way[0] * s, from[1] + way[1] * s]
    const ray: Path = [top, [top[0] + down[0] * 200, top[1] + down[1] * 200]]
    const hit = firstCrossing(ray, edge)
    if (!hit) return null
    // The same place between two points of the feather line, before it was opened.
    const at = Math.max(0, edgeRun.findIndex((r) => r >= hit.onB) - 1)
    const share = (hit.onB - edgeRun[at]!) / (edgeRun[at + 1]! - edgeRun[at]! || 1)
    const foot = featherRun[at]! + share * (featherRun[at + 1]! - featherRun[at]!)
    return {
      opened: [top, hit.point],
      onForme: [pointAt(map.centre, throatAt + s), pointAt(map.feather, foot)],
    }
  }
  return (first: number, last: number): Slashed => {
    const step = (last - first) / (SLASHES - 1)
    const all = <T>(list: readonly (T | null)[]): T[] => list.filter((x) => x !== null)
    const cut = all(Array.from({ length: SLASHES }, (_, k) => slash(first + k * step)))
    // Marks lie half-way between the slashes, and half a step outside the first and the last.
    const between = all(Array.from({ length: SLASHES + 1 }, (_, k) => slash(first + (k - 0.5) * step)))
    return {
      opened: cut.map((c) => c.opened),
      onForme: cut.map((c) => c.onForme),
      marks: { centre: between.map((c) => c.onForme[0]!), edges: between.map((c) => c.onForme[1]!) },
    }
  }
}

/** The band of one stretch: from its first mark to its last, between centre line and feather. */
function bandOf(map: FormeMap, { marks: { centre, edges } }: Slashed, gained: number): GatherBand {
  const between = (line: Path, [a, b]: readonly [Point, Point]) => subpathBetween(line, a, b)
  const full = between(map.centre, [centre[0]!, centre[centre.length - 1]!])
  const none = between(map.feather, [edges[0]!, edges[edges.length - 1]!])
  return { area: [...full, ...[...none].reverse()], full, none, gained }
}

/**
 * Designed folds (docs/trade.md, "Designed folds"): the half is slashed from the centre line to the feather and opened
 * evenly, each slash turning about its end on the feather line, so that growth is zero there and no fold can cross
 * onto the sole, until the centre line is longer by `total`. It is then straightened from the
 * throat to the toe, which also takes off the bump where old and new line meet.
 */
export function gathered(map: FormeMap, opened: Opened, total: number, where: FoldPlace = 'instep'): Gathered {
  const { from, to } = opened.fold
  const l = distance(from, to)
  const way: Point = [(to[0] - from[0]) / l, (to[1] - from[1]) / l]
  const cut = slashesAt(map, opened)
  const stretch = ON_VAMP[where]
  const part = total > 0 && stretch ? cut(stretch[0] * l, stretch[1] * l) : null
  const slashes = part?.opened ?? []
  if (!part || slashes.length === 0) return { ...opened, plain: opened, gained: 0, gathers: null }
  // Every slash turns what lies in front of it; the turns are strung together from the toe backwards.
  const turn = (p: Point, hinge: Point, angle: number): Point => {
    const [x, y] = [p[0] - hinge[0], p[1] - hinge[1]]
    const [c, s] = [Math.cos(angle), Math.sin(angle)]
    return [hinge[0] + c * x + s * y, hinge[1] - s * x + c * y]
  }
  const opening = (each: number) => slashes.map(([top, hinge]) => 2 * Math.asin(each / 2 / distance(top!, hinge!)))
  const endOf = (angles: readonly number[]) =>
    slashes.reduceRight<Point>((p, [, hinge], k) => turn(p, hinge!, angles[k]!), to)
  // A straight line over the fan of slashes is shorter than their sum: each is opened until the line itself has gained what was asked.
  let [low, high] = [total / slashes.length, (2 * total) / slashes.length]
  for (let k = 0; k < 40; k++) {
    const each = (low + high) / 2
    if (distance(from, endOf(opening(each))) - l < total) low = each
    else high = each
  }
  const angles = opening((low + high) / 2)
  const place = (raw: Point): Point => {
    let p = opened.place(raw)
    const ahead = (p[0] - from[0]) * way[0] + (p[1] - from[1]) * way[1]
    for (let k = slashes.length - 1; k >= 0; k--) {
      const [top, hinge] = slashes[k]!
      const at = (top![0] - from[0]) * way[0] + (top![1] - from[1]) * way[1]
      if (ahead > at) p = turn(p, hinge!, angles[k]!)
    }
    return p
  }
  const end = endOf(angles)
  const gained = distance(from, end) - l
  // A straight middle cuts off what bulges out over the fan: there the half is lower than its lining.
  const straight: Path = [from, end]
  const lower = slashes.map(([top, hinge], k) => {
    const foot = slashes.slice(0, k).reduceRight<Point>((p, [, h], j) => turn(p, h!, angles[j]!), hinge!)
    return distance(top!, hinge!) - nearest(straight, foot).away
  })
  const most = lower.reduce((a, by, k) => (by > lower[a]! ? k : a), 0)
  return {
    plain: opened,
    place,
    fold: { from, to: end },
    bent: opened.bent,
    feather: opened.feather,
    gained,
    gathers: {
      slashes: part.onForme,
      marks: part.marks,
      bands: [bandOf(map, part, gained)],
      lost: { by: Math.max(0, lower[most]!), at: part.onForme[most]![0]! },
    },
  }
}
