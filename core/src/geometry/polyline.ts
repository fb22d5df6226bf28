import { distance, GeometryError, lerpPoint, type Path, type Point } from './path.ts'
import { squaredToSegment } from './segment.ts'

/** Where a point lies on a path. `at` is the length from the start in mm, `away` the distance to the path in mm. */
export interface NearestPoint {
  point: Point
  at: number
  away: number
}

/** Length from the start at every vertex; one more entry than the path has when closed. */
export function cumulative(path: Path, closed = false): Float64Array {
  const n = closed ? path.length + 1 : path.length
  const out = new Float64Array(n)
  for (let i = 1; i < n; i++) out[i] = out[i - 1]! + distance(path[i - 1]!, path[i % path.length]!)
  return out
}

/** Point at a length from the start, mm. Open paths clamp to their ends, closed ones wrap round. */
export function pointAt(path: Path, at: number, closed = false): Point {
  return pointsAt(path, [at], closed)[0]!
}

export function pointsAt(path: Path, lengths: readonly number[], closed = false): Point[] {
  if (path.length < 2) throw new GeometryError('A line needs at least two points.')
  const sums = cumulative(path, closed)
  const total = sums[sums.length - 1]!
  return lengths.map((raw) => {
    const at = closed ? ((raw % total) + total) % total : Math.min(Math.max(raw, 0), total)
    let lo = 0
    let hi = sums.length - 1
    while (hi - lo > 1) {
      const mid = (lo + hi) >> 1
      if (sums[mid]! <= at) lo = mid
      else hi = mid
    }
    const span = sums[lo + 1]! - sums[lo]!
    return lerpPoint(path[lo]!, path[(lo + 1) % path.length]!, span > 0 ? (at - sums[lo]!) / span : 0)
  })
}

/** Evenly spaced points along the path, `count` of them; an open path keeps both ends. */
export function resample(path: Path, count: number, closed = false): Path {
  const sums = cumulative(path, closed)
  const total = sums[sums.length - 1]!
  const parts = closed ? count : count - 1
  return pointsAt(
    path,
    Array.from({ length: count }, (_, i) => (total * i) / parts),
    closed,
  )
}

export function nearest(path: Path, p: Point, closed = false): NearestPoint {
  const [px, py] = p
  let best = Infinity
  let side = 0
  let share = 0
  const n = closed ? path.length : path.length - 1
  for (let i = 0; i < n; i++) {
    const a = path[i]!
    const b = path[i + 1 === path.length ? 0 : i + 1]!
    const dx = b[0] - a[0]
    const dy = b[1] - a[1]
    const squared = dx * dx + dy * dy
    let t = squared > 0 ? ((px - a[0]) * dx + (py - a[1]) * dy) / squared : 0
    t = t < 0 ? 0 : t > 1 ? 1 : t
    const ex = a[0] + dx * t - px
    const ey = a[1] + dy * t - py
    const away = ex * ex + ey * ey
    if (away < best) {
      best = away
      side = i
      share = t
    }
  }
  const a = path[side]
  const b = path[(side + 1) % path.length]
  let before = 0
  for (let i = 0; i < side; i++) before += distance(path[i]!, path[i + 1]!)
  return { point: lerpPoint(a!, b!, share), at: before + share * distance(a!, b!), away: Math.sqrt(best) }
}

/** Whether an open path comes nearer to p than `than`, mm: it is gone along no further than to the first such place. */
export function comesNearer(path: Path, [x, y]: Point, than: number): boolean {
  if (than <= 0) return false
  for (let i = 0; i + 1 < path.length; i++) {
    if (squaredToSegment(x, y, path[i]!, path[i + 1]!) < than * than) return true
  }
  return false
}

/** Unit normals pointing to the right of travel: outwards for a counter-clockwise closed path. */
export function outwardNormals(path: Path, closed = true): Point[] {
  const n = path.length
  return path.map((_, i) => {
    const a = path[closed ? (i - 1 + n) % n : Math.max(0, i - 1)]!
    const b = path[closed ? (i + 1) % n : Math.min(n - 1, i + 1)]!
    const len = distance(a, b)
    return len > 0 ? [(b[1] - a[1]) / len, -(b[0] - a[0]) / len] : [0, 0]
  })
}

/**
 * Curvature in 1/mm at every vertex: turning angle over half the two neighbouring sides (discrete
 * Frenet curvature). Positive where a counter-clockwise path is convex. Ends of an open path get their neighbour's.
 */
export function curvatures(path: Path, closed = true): Float64Array {
  const n = path.length
  const out = new Float64Array(n)
  if (n < 3) return out
  for (let i = 0; i < n; i++) {
    if (!closed && (i === 0 || i === n - 1)) continue
    const a = path[(i - 1 + n) % n]!
    const b = path[i]!
    const c = path[(i + 1) % n]!
    const cross = (b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0])
    const dot = (b[0] - a[0]) * (c[0] - b[0]) + (b[1] - a[1]) * (c[1] - b[1])
    out[i] = (2 * Math.atan2(cross, dot)) / (distance(a, b) + distance(b, c))
  }
  if (!closed) {
    out[0] = out[1]!
    out[n - 1] = out[n - 2]!
  }
  return out
}
