import { naturalSpline } from './interpolate.ts'
import { distance, GeometryError, type Path, type Point } from './path.ts'

/** Longest chord of a drawn curve, mm. */
const CHORD = 1.5

/**
 * A smooth curve through points: a natural cubic spline over the centripetal parameter (Lee 1989), which neither
 * loops nor overshoots between points that lie unevenly. A direction given at an end is met by a point close by.
 * Throws GeometryError on fewer than two points.
 */
export function smoothLine(points: readonly Point[], ends: { start?: Point; end?: Point } = {}): Path {
  if (points.length < 2) throw new GeometryError('A curve needs at least two points.')
  const through = [...points]
  const nudge = (at: Point, towards: Point, next: Point): Point => {
    const by = 0.12 * distance(at, next)
    const l = Math.hypot(towards[0], towards[1])
    return [at[0] + (towards[0] / l) * by, at[1] + (towards[1] / l) * by]
  }
  if (ends.end) {
    const at = through[through.length - 1]
    through.splice(-1, 0, nudge(at, [-ends.end[0], -ends.end[1]], through[through.length - 2]))
  }
  if (ends.start) through.splice(1, 0, nudge(through[0], ends.start, through[1]))
  const t = [0]
  for (let i = 1; i < through.length; i++) {
    const step = distance(through[i - 1], through[i])
    if (step < 1e-6) throw new GeometryError('Two points of a curve lie on each other: move one of them.')
    t.push(t[i - 1] + Math.sqrt(step))
  }
  if (through.length === 2) return through
  const x = naturalSpline(through.map((p, i) => [t[i], p[0]] as const))
  const y = naturalSpline(through.map((p, i) => [t[i], p[1]] as const))
  const out: Point[] = []
  for (let i = 0; i + 1 < through.length; i++) {
    const parts = Math.max(2, Math.ceil(distance(through[i], through[i + 1]) / CHORD))
    for (let k = 0; k < parts; k++) {
      const q = t[i] + ((t[i + 1] - t[i]) * k) / parts
      out.push([x(q), y(q)])
    }
  }
  out.push(through[through.length - 1])
  return out
}
