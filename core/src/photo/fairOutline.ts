import { distance, lerpPoint, type Path, type Point } from '../geometry/path.ts'
import { simplify } from '../geometry/simplify.ts'
import { STEP } from './rim.ts'

export interface FairOutline {
  path: Path
  /** Corners that were kept, in order. */
  corners: Path
  /** How far points were moved by the smoothing, mm: as a rule (half of them less), and at most. */
  moved: { usual: number; most: number }
}

/** A corner turns by more than this, degrees. */
const TURN = 35
/** Its two sides are straight to this, mm, and read over so much of their length, from so far off the corner on; nearest first. */
const STRAIGHT = 0.14
const SIDE = 3.3
const FROM = [1.2, 2.2, 3.4, 4.6] as const
/**
 * Sides of a corner meet near the line: nearer, mm a radian of the turn, than half of what an even bend over the same
 * stretch would leave (0.71). Farther off it is a corner only if ink is seen all the way to it.
 */
const NEAR = 0.36
const FARTHEST = 5
const BESIDE_INK = 0.35
/** Share of the way to a corner on which ink is seen, and how dark against the line's own. */
const INKED = 0.8
const DARK = 0.6
/** Windows that are tried for smoothing, half widths, mm. */
const WINDOWS = [0.8, 1.2, 1.8, 2.5, 3.5, 5, 7, 10] as const
/** A point that was not seen counts this much. */
const UNSEEN = 0.05
/** What the finished outline may leave off for fewer points, mm. */
const CHORD = 0.015

/** The straight line through points by total least squares: a point, a direction, how far points lie off it. */
function straight(points: Path): { p: Point; d: Point; off: number } {
  const n = points.length
  const p: Point = [points.reduce((s, q) => s + q[0], 0) / n, points.reduce((s, q) => s + q[1], 0) / n]
  let [xx, xy, yy] = [0, 0, 0]
  for (const [x, y] of points) {
    xx += (x - p[0]) ** 2
    xy += (x - p[0]) * (y - p[1])
    yy += (y - p[1]) ** 2
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2
  const d: Point = [Math.cos(angle), Math.sin(angle)]
  const off = Math.max(...points.map(([x, y]) => Math.abs((x - p[0]) * d[1] - (y - p[1]) * d[0])))
  return { p, d, off }
}

interface Corner {
  index: number
  point: Point
  /** Its sides are read from so far off on, mm. */
  from: number
  /** How far it lies from the line as it was read, mm. */
  away: number
}

/** How dark a place is, 0 to 1, against paper. */
type InkAt = (p: Point) => number
/** The line in the picture: where it is seen, and how wide it is, mm. */
interface Ink {
  at: InkAt
  width: number
}

/** Whether a line is seen on the straight way between two points, `usual` dark. */
function inked(from: Point, to: Point, inkAt: InkAt, usual: number): boolean {
  const n = Math.max(4, Math.round(distance(from, to) / 0.25))
  let [dark, last] = [0, 0]
  for (let k = 1; k <= n; k++) {
    if (inkAt(lerpPoint(from, to, k / n)) < DARK * usual) continue
    dark++
    if (k > n / 2) last++
  }
  // Most of all towards the corner: there an even bend has left the straight way.
  return dark >= INKED * n && last >= Math.ceil(n / 2) - 1
}

/** The corner near a point of a closed line of even steps, its sides read from `from` mm off; null when there is none. */
function cornerAt(path: Path, i: number, from: number, ink: (Ink & { usual: number }) | null): Corner | null {
  const n = path.length
  const [a, b] = [Math.round(from / STEP), Math.round((from + SIDE) / STEP)]
  const side = (way: 1 | -1) =>
    straight(Array.from({ length: b - a + 1 }, (_, k) => path[(i + way * (a + k) + 2 * n) % n]!))
  const [before, after] = [side(-1), side(1)]
  if (before.off > STRAIGHT || after.off > STRAIGHT) return null
  const towards = (s: { d: Point }, p: Point, q: Point): Point => {
    const sign = s.d[0] * (q[0] - p[0]) + s.d[1] * (q[1] - p[1]) < 0 ? -1 : 1
    return [s.d[0] * sign, s.d[1] * sign]
  }
  const [start, end] = [path[(i - a + n) % n]!, path[(i + a) % n]!]
  const into = towards(before, path[(i - b + n) % n]!, start)
  const out = towards(after, end, path[(i + b) % n]!)
  const cross = into[0] * out[1] - into[1] * out[0]
  const turn = Math.abs(Math.atan2(cross, into[0] * out[0] + into[1] * out[1]))
  if (turn < (TURN * Math.PI) / 180 || Math.abs(cross) < 0.1) return null
  const t = ((after.p[0] - before.p[0]) * out[1] - (after.p[1] - before.p[1]) * out[0]) / cross
  const point: Point = [before.p[0] + into[0] * t, before.p[1] + into[1] * t]
  const away = distance(point, path[i]!)
  const found = { index: i, point, from, away }
  if (away <= NEAR * turn && from === FROM[0]) return found
  // So near to a line of some width ink tells nothing: it is the line's own.
  if (!ink || away > FARTHEST || away < ink.width / 2 + BESIDE_INK) return null
  return inked(start, point, ink.at, ink.usual) && inked(end, point, ink.at, ink.usual) ? found : null
}

/** Corners of a closed line of even steps: where two straight sides meet. */
function cornersOf(path: Path, line: Ink | null): Corner[] {
  const n = path.length
  if (n < 4 * ((FROM[FROM.length - 1]! + SIDE) / STEP)) return []
  const some = line
    ? path
        .filter((_, i) => i % 10 === 0)
        .map(line.at)
        .sort((a, b) => a - b)
    : []
  const ink = line ? { ...line, usual: some[some.length >> 1]! } : null
  const kept: Corner[] = []
  for (const from of FROM) {
    const found: Corner[] = []
    for (let i = 0; i < n; i++) {
      const corner = cornerAt(path, i, from, ink)
      if (corner) found.push(corner)
    }
    // Of neighbours the one that lies nearest to where its sides meet; those found nearer by stay.
    for (const c of found.sort((a, b) => a.away - b.away)) {
      const free = kept.every((o) => {
        const apart = Math.min((c.index - o.index + n) % n, (o.index - c.index + n) % n) * STEP
        return apart > c.from + o.from && distance(c.point, o.point) > 1
      })
      if (free) kept.push(c)
    }
  }
  return kept
}

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
 * `line` where ink is seen at all, so that a corner is found from which the line was read too round.
 */
export function fairOutline(
  path: Path,
  seen: readonly boolean[],
  tolerance: number,
  line: Ink | null = null,
): FairOutline {
  const n = path.length
  const weight = seen.map((s) => (s ? 1 : UNSEEN))
  const corners = cornersOf(path, line).sort((a, b) => a.index - b.index)
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
