import type { FormeMap } from '../forme/formeMap.ts'
import type { FoldPlace } from '../model/upper.ts'
import type { Opened } from '../forme/opened.ts'
import { cumulative, nearest, pointAt } from '../geometry/polyline.ts'
import { firstCrossing } from '../geometry/lineCrossing.ts'
import { distance, type Path, type Point } from '../geometry/path.ts'

/** Slashes that open together; more of them make a smoother edge. */
const SLASHES = 8
/** Where the first and the last lie along the fold line from the throat, as shares of it. */
const STRETCH: Record<FoldPlace, readonly [number, number]> = {
  instep: [0.16, 0.62],
  toes: [0.56, 0.88],
  'all along': [0.16, 0.88],
}

/** A forepart opened for folds, with the slashes as they lie on the forme, from the centre line to the feather. */
export interface Gathered extends Opened {
  /** The forepart as it was before the folds: what its lining is cut to. */
  plain: Opened
  slashes: Path[]
  /** What the centre line gained, mm. */
  gained: number
}

/**
 * Designed folds (docs/trade.md, "Designed folds"): the half is slashed from the centre line to the feather and opened
 * evenly, each slash turning about its end on the feather line, so that growth is zero there and no fold can cross
 * onto the sole, until the centre line is longer by `total`. It is then straightened from the throat to the toe, which
 * also takes off the bump where old and new line meet.
 */
export function gathered(map: FormeMap, opened: Opened, total: number, where: FoldPlace = 'instep'): Gathered {
  const [first, last] = STRETCH[where]
  const { from, to } = opened.fold
  const l = distance(from, to)
  const way: Point = [(to[0] - from[0]) / l, (to[1] - from[1]) / l]
  const down: Point = [way[1], -way[0]]
  const edge = map.feather.map(opened.place)
  const [featherRun, edgeRun] = [cumulative(map.feather), cumulative(edge)]
  const throatAt = nearest(map.centre, from).at
  const slashes: Path[] = []
  const onForme: Path[] = []
  for (let k = 0; k < SLASHES; k++) {
    const s = l * (first + ((last - first) * k) / (SLASHES - 1))
    const top: Point = [from[0] + way[0] * s, from[1] + way[1] * s]
    const ray: Path = [top, [top[0] + down[0] * 200, top[1] + down[1] * 200]]
    const hit = firstCrossing(ray, edge)
    if (!hit) continue
    slashes.push([top, hit.point])
    // The same place between two points of the feather line, before it was opened.
    const at = Math.max(0, edgeRun.findIndex((r) => r >= hit.onB) - 1)
    const share = (hit.onB - edgeRun[at]!) / (edgeRun[at + 1]! - edgeRun[at]! || 1)
    const foot = featherRun[at]! + share * (featherRun[at + 1]! - featherRun[at]!)
    onForme.push([pointAt(map.centre, throatAt + s), pointAt(map.feather, foot)])
  }
  if (total <= 0 || slashes.length === 0) return { ...opened, plain: opened, slashes: [], gained: 0 }
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
  return {
    plain: opened,
    place,
    fold: { from, to: end },
    bent: opened.bent,
    feather: opened.feather,
    slashes: onForme,
    gained: distance(from, end) - l,
  }
}
