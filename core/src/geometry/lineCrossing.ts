import { cumulative } from './polyline.ts'
import { distance, GeometryError, type Path, type Point } from './path.ts'
import { PARALLEL, ROUNDING } from './tolerance.ts'

/** Where two open lines cross: the first crossing along `a`, with the lengths to it on both. Null when they do not. */
export function firstCrossing(a: Path, b: Path): { point: Point; onA: number; onB: number } | null {
  const [sa, sb] = [cumulative(a), cumulative(b)]
  for (let i = 0; i + 1 < a.length; i++) {
    const [p, q] = [a[i]!, a[i + 1]!]
    let best: { point: Point; onA: number; onB: number } | null = null
    for (let j = 0; j + 1 < b.length; j++) {
      const [r, s] = [b[j]!, b[j + 1]!]
      const [dx, dy, ex, ey] = [q[0] - p[0], q[1] - p[1], s[0] - r[0], s[1] - r[1]]
      const det = dx * ey - dy * ex
      if (Math.abs(det) < PARALLEL) continue
      const t = ((r[0] - p[0]) * ey - (r[1] - p[1]) * ex) / det
      const u = ((r[0] - p[0]) * dy - (r[1] - p[1]) * dx) / det
      if (t < -ROUNDING || t > 1 + ROUNDING || u < -ROUNDING || u > 1 + ROUNDING) continue
      const point: Point = [p[0] + dx * t, p[1] + dy * t]
      const onA = sa[i]! + t * distance(p, q)
      if (!best || onA < best.onA) best = { point, onA, onB: sb[j]! + u * distance(r, s) }
    }
    if (best) return best
  }
  return null
}

/** As `firstCrossing`, but lines that do not meet are an error that names them. */
export function meet(a: Path, b: Path, names: readonly [string, string]): { point: Point; onA: number; onB: number } {
  const found = firstCrossing(a, b)
  if (!found) throw new GeometryError(`The ${names[0]} does not meet the ${names[1]}: move a point of either nearer.`)
  return found
}
