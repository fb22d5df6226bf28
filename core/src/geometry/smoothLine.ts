import { cubicSpline } from './interpolate.ts'
import { distance, GeometryError, type Path, type Point } from './path.ts'
import { SAME } from './tolerance.ts'

/** Longest chord of a drawn curve, mm. */
const CHORD = 1.5

/**
 * A smooth curve through points: a cubic spline over the centripetal parameter (Lee 1989), which neither loops nor
 * overshoots between points that lie unevenly. At an end it leaves in the direction given there, exactly; where none is
 * given it is not bent. Throws GeometryError on fewer than two points.
 */
export function smoothLine(points: readonly Point[], ends: { start?: Point; end?: Point } = {}): Path {
  if (points.length < 2) throw new GeometryError('A curve needs at least two points.')
  const t = [0]
  for (let i = 1; i < points.length; i++) {
    const step = distance(points[i - 1]!, points[i]!)
    if (step < SAME) throw new GeometryError('Two points of a curve lie on each other: move one of them.')
    t.push(t[i - 1]! + Math.sqrt(step))
  }
  if (points.length === 2 && !ends.start && !ends.end) return [...points]
  // As fast as the first and the last stretch are run through.
  const last = points.length - 1
  const slope = (way: Point | undefined, span: number, k: 0 | 1) =>
    way ? (way[k] / Math.hypot(way[0], way[1])) * span : undefined
  const along = (k: 0 | 1) =>
    cubicSpline(
      points.map((p, i) => [t[i]!, p[k]] as const),
      { start: slope(ends.start, t[1]!, k), end: slope(ends.end, t[last]! - t[last - 1]!, k) },
    )
  const [x, y] = [along(0), along(1)]
  const out: Point[] = []
  for (let i = 0; i + 1 < points.length; i++) {
    const parts = Math.max(2, Math.ceil(distance(points[i]!, points[i + 1]!) / CHORD))
    for (let k = 0; k < parts; k++) {
      const q = t[i]! + ((t[i + 1]! - t[i]!) * k) / parts
      out.push([x(q), y(q)])
    }
  }
  out.push(points[points.length - 1]!)
  return out
}
