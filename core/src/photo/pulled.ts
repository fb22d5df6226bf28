import { cumulative, nearest } from '../geometry/polyline.ts'
import { GeometryError, lerpPoint, type Path, type Point } from '../geometry/path.ts'

/** Longest side of the stretch that is moved, mm: it bends in so fine a line. */
const FINE = 1

/**
 * A closed line pulled at one place: the place nearest to `at` moves by `by`, what lies along the line within `reach` mm of
 * it less and less, (1 - (s / reach)^2)^2 of it, and the rest stays. Throws GeometryError on fewer than three points.
 */
export function pulled(path: Path, at: Point, by: Point, reach: number): Path {
  if (path.length < 3) throw new GeometryError('An outline has at least three points.')
  const { at: place } = nearest(path, at, true)
  const sums = cumulative(path, true)
  const total = sums[sums.length - 1]!
  const most = Math.min(reach, total / 2)
  const out: Point[] = []
  const add = (p: Point, s: number): void => {
    const apart = Math.abs(s - place)
    const away = Math.min(apart, total - apart) / most
    const share = away < 1 ? (1 - away * away) ** 2 : 0
    out.push([p[0] + share * by[0], p[1] + share * by[1]])
  }
  for (let i = 0; i < path.length; i++) {
    const [a, b] = [path[i]!, path[(i + 1) % path.length]!]
    const [s, t] = [sums[i]!, sums[i + 1]!]
    add(a, s)
    // Finer where it moves, with a point at the very place.
    const cuts: number[] = []
    const parts = Math.ceil((t - s) / FINE)
    for (let k = 1; k < parts; k++) cuts.push(s + ((t - s) * k) / parts)
    if (place > s && place < t) cuts.push(place)
    for (const cut of cuts.sort((p, q) => p - q)) {
      const apart = Math.abs(cut - place)
      if (Math.min(apart, total - apart) <= most) add(lerpPoint(a, b, (cut - s) / (t - s)), cut)
    }
  }
  return out
}
