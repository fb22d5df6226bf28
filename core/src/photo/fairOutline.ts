import { distance, lerpPoint, type Path, type Point } from '../geometry/path.ts'
import { simplify } from '../geometry/simplify.ts'
import { cornersOf, type Corner, type CornerProof } from './corners.ts'
import { STEP } from './rail.ts'

export interface FairOutline {
  path: Path
  /** Corners that were kept, in order. */
  corners: Path
  /** How far points were moved by the smoothing, mm: as a rule (half of them less), and at most. */
  moved: { usual: number; most: number }
}

/** Windows that are tried for smoothing, half widths, mm. */
const WINDOWS = [0.8, 1.2, 1.8, 2.5, 3.5, 5, 7, 10] as const
/** A point that was not seen counts this much. */
const UNSEEN = 0.05
/** What the finished outline may leave off for fewer points, mm. */
const CHORD = 0.015

/** Value at 0 of the parabola through (s, v) under weights; the mean where they do not settle one. */
function parabolaAtZero(s: readonly number[], v: readonly number[], w: readonly number[]): number {
  let [m0, m1, m2, m3, m4, r0, r1, r2] = [0, 0, 0, 0, 0, 0, 0, 0]
  for (let k = 0; k < s.length; k++) {
    const [x, q] = [s[k]!, w[k]!]
    m0 += q
    m1 += q * x
    m2 += q * x * x
    m3 += q * x ** 3
    m4 += q * x ** 4
    r0 += q * v[k]!
    r1 += q * x * v[k]!
    r2 += q * x * x * v[k]!
  }
  const det = m0 * (m2 * m4 - m3 * m3) - m1 * (m1 * m4 - m2 * m3) + m2 * (m1 * m3 - m2 * m2)
  if (Math.abs(det) < 1e-9 * m0 * m2 * m4 || s.length < 4) return r0 / m0
  return (r0 * (m2 * m4 - m3 * m3) - m1 * (r1 * m4 - m3 * r2) + m2 * (r1 * m3 - m2 * r2)) / det
}

/** An open or closed stretch evened by a parabola fitted round each point (Savitzky and Golay 1964); open ends stay. */
function evened(path: Path, weight: readonly number[], half: number, closed: boolean): Path {
  const n = path.length
  const reach = Math.round(half / STEP)
  return path.map((p, i): Point => {
    if (!closed && (i === 0 || i === n - 1)) return p
    const [s, x, y, w]: [number[], number[], number[], number[]] = [[], [], [], []]
    for (let d = -reach; d <= reach; d++) {
      const j = closed ? (i + d + n) % n : i + d
      if (j < 0 || j >= n) continue
      s.push(d)
      x.push(path[j]![0] - p[0])
      y.push(path[j]![1] - p[1])
      w.push((1 - (Math.abs(d) / (reach + 1)) ** 3) ** 3 * weight[j]!)
    }
    return [p[0] + parabolaAtZero(s, x, w), p[1] + parabolaAtZero(s, y, w)]
  })
}

const movedBy = (a: Path, b: Path, weight: readonly number[]): number[] =>
  a.map((p, i) => (weight[i]! < 1 ? 0 : distance(p, b[i]!)))

/** Smooths one stretch as widely as it may without moving a point by more than `tolerance`. */
function fairStretch(path: Path, weight: readonly number[], tolerance: number, closed: boolean): Path {
  let best = path
  for (const half of WINDOWS) {
    if (path.length < (closed ? 4 : 2) * (half / STEP)) break
    const next = evened(path, weight, half, closed)
    if (Math.max(...movedBy(path, next, weight)) > tolerance) break
    best = next
  }
  return best
}

/**
 * A closed line of even steps, smoothed within a tolerance (mm); corners stay sharp. `seen` says which points were read,
 * `proof` what the picture shows of a corner round which the line was read too round.
 */
export function fairOutline(
  path: Path,
  seen: readonly boolean[],
  tolerance: number,
  proof: CornerProof | null = null,
): FairOutline {
  const n = path.length
  const weight = seen.map((s) => (s ? 1 : UNSEEN))
  const corners = cornersOf(path, proof).sort((a, b) => a.index - b.index)
  const gather = (points: Path, moved: readonly number[]): FairOutline => {
    const sorted = [...moved].sort((a, b) => a - b)
    return {
      path: simplify([...points, points[0]!], CHORD).slice(0, -1),
      corners: corners.map((c) => c.point),
      moved: { usual: sorted[sorted.length >> 1] ?? 0, most: sorted[sorted.length - 1] ?? 0 },
    }
  }
  if (corners.length === 0) {
    const fair = tolerance > 0 ? fairStretch(path, weight, tolerance, true) : path
    return gather(fair, movedBy(path, fair, weight))
  }
  const out: Point[] = []
  const moved: number[] = []
  // Near a corner the line was read across both of its sides: there it is the straight side that counts.
  const blindOf = (c: Corner) => Math.round(c.from / STEP)
  corners.forEach((corner, c) => {
    const next = corners[(c + 1) % corners.length]!
    const span = (next.index - corner.index + n) % n || n
    const inner: Point[] = []
    const innerWeight: number[] = []
    for (let k = blindOf(corner); k <= span - blindOf(next); k++) {
      inner.push(path[(corner.index + k) % n]!)
      innerWeight.push(weight[(corner.index + k) % n]!)
    }
    if (inner.length < 2) {
      out.push(corner.point)
      return
    }
    // Even steps here too: smoothing counts in them.
    const bridge = (from: Point, to: Point) => {
      const parts = Math.max(1, Math.round(distance(from, to) / STEP))
      return Array.from({ length: parts }, (_, k): Point => lerpPoint(from, to, k / parts))
    }
    const [start, end] = [bridge(corner.point, inner[0]!), bridge(next.point, inner[inner.length - 1]!).reverse()]
    const whole = [...start, ...inner, ...end]
    const weights = [...start.map(() => 1), ...innerWeight, ...end.map(() => 1)]
    const fair = tolerance > 0 ? fairStretch(whole, weights, tolerance, false) : whole
    moved.push(...movedBy(whole, fair, weights))
    out.push(...fair.slice(0, -1))
  })
  return gather(out, moved)
}
