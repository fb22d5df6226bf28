import type { FormeMap } from '../forme/formeMap.ts'
import type { Opened } from '../forme/opened.ts'
import { nearest, pointAt } from '../geometry/polyline.ts'
import { distance, pathLength, type Path, type Point } from '../geometry/path.ts'
import { subpathBetween } from '../geometry/subpath.ts'
import { wallSides } from '../trade/side.ts'
import type { Gathers } from './gathers.ts'
import type { Strap } from './style.ts'

/** Stretches between marks across a strap. */
const STEPS = 6

/** A strap that is opened for folds. */
export interface StrapFolds {
  /** Where a place of the forme comes to lie on the opened strap. */
  place: (p: Point) => Point
  gathers: Gathers
}

/** Places of a line, evenly from one to another. */
function evenly(line: Path, from: Point, to: Point): Point[] {
  const between = subpathBetween(line, from, to)
  const whole = pathLength(between)
  return Array.from({ length: STEPS + 1 }, (_, k) => pointAt(between, (whole * k) / STEPS))
}

/**
 * Folds across a strap: opened by `total` along its middle and by nothing at the feather, evenly from its rear edge, which stays, to
 * its front edge, as very many slashes of its own slant would. A place moves along the fold by the total, times its share of the way
 * from the rear edge to the front one, times its share of the way up from the feather. So its edges stay smooth, its fold straight
 * and its height what it was.
 */
export function strapFolds(
  map: Pick<FormeMap, 'centre' | 'feather'>,
  { fold: { from, to }, place }: Opened,
  { front, rear }: Strap,
  total: number,
): StrapFolds {
  const l = distance(from, to)
  const way: Point = [(to[0] - from[0]) / l, (to[1] - from[1]) / l]
  const away = (lines: readonly Path[], p: Point) => Math.min(...lines.map((line) => nearest(line, p).away))
  const [fronts, rears] = [wallSides.map((s) => front[s]), wallSides.map((s) => rear[s])]
  const head = (line: Path) => line[0]!
  const foot = (line: Path) => line[line.length - 1]!
  const share = (a: number, b: number) => (a + b > 0 ? a / (a + b) : 0)
  const full = subpathBetween(map.centre, head(rear.lateral), head(front.lateral))
  const none = subpathBetween(map.feather, foot(rear.lateral), foot(front.lateral))
  const [tops, feet] = [
    evenly(map.centre, head(rear.lateral), head(front.lateral)),
    evenly(map.feather, foot(rear.lateral), foot(front.lateral)),
  ]
  return {
    place: (p) => {
      const across = share(away(rears, p), away(fronts, p))
      const up = share(nearest(map.feather, p).away, nearest(map.centre, p).away)
      const by = total * across * up
      const q = place(p)
      return [q[0] + way[0] * by, q[1] + way[1] * by]
    },
    gathers: {
      slashes: tops.map((top, k): Path => [top, feet[k]!]),
      marks: { centre: tops, edges: feet },
      bands: [{ area: [...full, ...[...none].reverse()], full, none, gained: total }],
    },
  }
}
