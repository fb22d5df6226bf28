import { cumulative, nearest, pointAt } from './along.ts'
import { distance, GeometryError, type Path, type Point } from './path.ts'

/** The stretch of an open line between two lengths from its start, mm; runs backwards when `to` comes first. */
export function stretch(line: Path, from: number, to: number): Path {
  const sums = cumulative(line)
  const whole = sums[sums.length - 1]
  const [a, b] = [Math.max(0, Math.min(from, to)), Math.min(whole, Math.max(from, to))]
  const inner = line.filter((_, i) => sums[i] > a + 1e-6 && sums[i] < b - 1e-6)
  const out = [pointAt(line, a), ...inner, pointAt(line, b)]
  return from < to ? out : out.reverse()
}

/** The stretch of an open line between the places nearest to two points, in that order. */
export function between(line: Path, from: Point, to: Point): Path {
  return stretch(line, nearest(line, from).at, nearest(line, to).at)
}

/** Where two open lines cross: the first crossing along `a`, with the lengths to it on both. Null when they do not. */
export function crossing(a: Path, b: Path): { point: Point; onA: number; onB: number } | null {
  const [sa, sb] = [cumulative(a), cumulative(b)]
  for (let i = 0; i + 1 < a.length; i++) {
    const [p, q] = [a[i], a[i + 1]]
    let best: { point: Point; onA: number; onB: number } | null = null
    for (let j = 0; j + 1 < b.length; j++) {
      const [r, s] = [b[j], b[j + 1]]
      const [dx, dy, ex, ey] = [q[0] - p[0], q[1] - p[1], s[0] - r[0], s[1] - r[1]]
      const det = dx * ey - dy * ex
      if (Math.abs(det) < 1e-12) continue
      const t = ((r[0] - p[0]) * ey - (r[1] - p[1]) * ex) / det
      const u = ((r[0] - p[0]) * dy - (r[1] - p[1]) * dx) / det
      if (t < -1e-9 || t > 1 + 1e-9 || u < -1e-9 || u > 1 + 1e-9) continue
      const point: Point = [p[0] + dx * t, p[1] + dy * t]
      const onA = sa[i] + t * distance(p, q)
      if (!best || onA < best.onA) best = { point, onA, onB: sb[j] + u * distance(r, s) }
    }
    if (best) return best
  }
  return null
}

/** As `crossing`, but lines that do not meet are an error that names them. */
export function meet(a: Path, b: Path, names: readonly [string, string]): { point: Point; onA: number; onB: number } {
  const found = crossing(a, b)
  if (!found) throw new GeometryError(`The ${names[0]} does not meet the ${names[1]}: move a point of either nearer.`)
  return found
}

/** A line moved sideways to its left by `by` mm (to its right when negative), without its loops; ends stay square. */
export function beside(line: Path, by: number): Point[] {
  const n = line.length
  const moved = line.map((p, i): Point => {
    const a = line[Math.max(0, i - 1)]
    const b = line[Math.min(n - 1, i + 1)]
    const l = distance(a, b) || 1
    return [p[0] - ((b[1] - a[1]) / l) * by, p[1] + ((b[0] - a[0]) / l) * by]
  })
  // Points of the moved line that came nearer to the old one than `by` belong to a loop and are left out.
  return moved.filter((p) => nearest(line, p).away > Math.abs(by) * 0.995 - 1e-6)
}

/** Lines set end to end; where one begins on the end of the one before, the point is kept once. */
export function joined(...lines: readonly Path[]): Path {
  const out: Point[] = []
  for (const line of lines) {
    for (const p of line) {
      if (out.length === 0 || distance(out[out.length - 1], p) > 1e-6) out.push(p)
    }
  }
  return out
}
