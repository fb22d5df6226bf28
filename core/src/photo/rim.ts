import { leastSquares } from '../geometry/linearSolve.ts'
import { outwardNormals, resample } from '../geometry/polyline.ts'
import { pathLength, type Path, type Point } from '../geometry/path.ts'

/** Distance between points at which a line is read, mm. */
export const STEP = 0.5

/** A closed line with points `STEP` apart and its normals, which point outwards. */
export interface Rail {
  points: Path
  normals: readonly Point[]
}

/** A rail along a closed line, evened over `sigma` mm by a Gauss window, so that its normals are steady. */
export function railAlong(path: Path, sigma: number): Rail {
  const even = resample(path, Math.max(24, Math.round(pathLength(path, true) / STEP)), true)
  const n = even.length
  const reach = Math.min(Math.ceil((3 * sigma) / STEP), Math.floor(n / 4))
  const weights = Array.from({ length: 2 * reach + 1 }, (_, k) => Math.exp(-0.5 * (((k - reach) * STEP) / sigma) ** 2))
  const sum = weights.reduce((a, b) => a + b, 0)
  const points = even.map((_, i): Point => {
    let [x, y] = [0, 0]
    for (let k = -reach; k <= reach; k++) {
      const p = even[(i + k + n) % n]!
      x += weights[k + reach]! * p[0]
      y += weights[k + reach]! * p[1]
    }
    return [x / sum, y / sum]
  })
  return { points, normals: outwardNormals(points) }
}

/** The rail moved by a distance at each point along its normals. */
export const movedOut = ({ points, normals }: Rail, by: ArrayLike<number>): Path =>
  points.map(([x, y], i): Point => [x + normals[i]![0] * by[i]!, y + normals[i]![1] * by[i]!])

/**
 * The way along a closed band that gathers most: at each of `n` places one of `m` steps, neighbours not far from each other
 * (dynamic programming, Viterbi 1967, begun and ended in the middle of a second round so that it closes). `gain` says what a
 * step is worth, `bend` what a difference of one step between neighbours costs, times its square.
 */
export function bestWay(n: number, m: number, gain: Float32Array, bend: number): Int32Array {
  const reach = 4
  const rounds = 2 * n
  const from = new Int8Array(rounds * m)
  let here: Float64Array = new Float64Array(m)
  for (let k = 0; k < rounds; k++) {
    const next = new Float64Array(m)
    for (let s = 0; s < m; s++) {
      let [best, way] = [-Infinity, 0]
      for (let d = -reach; d <= reach; d++) {
        const at = s + d
        if (at < 0 || at >= m) continue
        const value = here[at]! - bend * d * d
        if (value > best) [best, way] = [value, d]
      }
      next[s] = best + gain[(k % n) * m + s]!
      from[k * m + s] = way
    }
    here = next
  }
  let s = 0
  for (let k = 1; k < m; k++) if (here[k]! > here[s]!) s = k
  const out = new Int32Array(n)
  const middle = n >> 1
  for (let k = rounds - 1; k >= 0; k--) {
    if (k >= middle && k < middle + n) out[k % n] = s
    s += from[k * m + s]!
  }
  return out
}

/** A parabola is laid through so many points on either side, and holds where half of them lie nearer to it than `TIGHT`, mm. */
const WINDOW = 20
const TIGHT = 0.08
/** Points farther off it than this are of something else, mm. */
const OFF = 0.3

/** What was read on a crossing line lies so few points from where nothing could be read for it. */
const BY_CROSSING = 8

/**
 * Leaves out (NaN) what was read on lines that cross, beside places where there was ink but no line to be read (`crossed`): points off a parabola that most of their neighbours lie on, fitted with
 * less weight the farther off a point lies (iteratively reweighted, Cauchy's weights). Where neighbours lie on none, as in a
 * corner, all stay.
 */
export function withoutStrays(rail: Rail, at: Float64Array, crossed: readonly boolean[]): Float64Array {
  const n = at.length
  const near = crossed.map((_, i) => {
    for (let d = -BY_CROSSING; d <= BY_CROSSING; d++) if (crossed[(i + d + n) % n]) return true
    return false
  })
  const points = movedOut(rail, at)
  return at.map((value, i) => {
    if (Number.isNaN(value) || !near[i] || n < 4 * WINDOW) return value
    const p = points[i]!
    const [nx, ny] = rail.normals[i]!
    const [us, vs]: [number[], number[]] = [[], []]
    for (let d = -WINDOW; d <= WINDOW; d++) {
      const q = points[(i + d + n) % n]!
      if (Number.isNaN(q[0])) continue
      us.push((ny * (q[0] - p[0]) - nx * (q[1] - p[1])) / WINDOW)
      vs.push(nx * (q[0] - p[0]) + ny * (q[1] - p[1]))
    }
    if (us.length < WINDOW) return value
    const rows = us.map((u) => [1, u, u * u])
    let fit: number[] | null = null
    let off = vs
    for (let round = 0; round < 8; round++) {
      const sorted = off.map(Math.abs).sort((a, b) => a - b)
      const scale = Math.max(0.05, 1.5 * sorted[sorted.length >> 1]!)
      fit = leastSquares(rows, vs, round === 0 ? undefined : off.map((o) => 1 / (1 + (o / scale) ** 2)))
      if (!fit) return value
      const [a, b, c] = fit as [number, number, number]
      off = us.map((u, k) => vs[k]! - (a + b * u + c * u * u))
    }
    const sorted = off.map(Math.abs).sort((a, b) => a - b)
    return sorted[sorted.length >> 1]! < TIGHT && Math.abs(fit![0]!) > OFF ? NaN : value
  })
}

/** A bridge leaves in the direction of so many points before it, fewer at another bridge. */
const LEAD = 6

/**
 * The line of a rail where it was seen (`at`, NaN where not), with what was not seen bridged from its two ends in their own
 * directions (a cubic after Hermite): neither a gap nor what crosses the line pulls it along. Null when nothing was seen.
 */
export function bridged(rail: Rail, at: Float64Array): Path | null {
  const n = at.length
  const points = movedOut(rail, at)
  const seen = [...points.keys()].filter((i) => !Number.isNaN(at[i]!))
  if (seen.length < 8) return null
  const out = [...points]
  /** Unit direction at the k-th seen place, looking back (-1) or on (1), over places next to each other. */
  const direction = (k: number, way: 1 | -1): Point => {
    let far = k
    for (let d = 1; d <= LEAD; d++) {
      const next = (k + way * d + seen.length) % seen.length
      const before = (k + way * (d - 1) + seen.length) % seen.length
      if ((way * (seen[next]! - seen[before]!) + n) % n !== 1) break
      far = next
    }
    const [p, q] = [points[seen[k]!]!, points[seen[far]!]!]
    const l = Math.hypot(q[0] - p[0], q[1] - p[1])
    return l > 0 ? [(way * (q[0] - p[0])) / l, (way * (q[1] - p[1])) / l] : [0, 0]
  }
  seen.forEach((a, k) => {
    const next = (k + 1) % seen.length
    const b = seen[next]!
    const span = (b - a + n) % n
    if (span <= 1) return
    const [p, q] = [points[a]!, points[b]!]
    const chord = Math.hypot(q[0] - p[0], q[1] - p[1])
    const [u, v] = [direction(k, -1), direction(next, 1)]
    for (let i = 1; i < span; i++) {
      const t = i / span
      const [h0, h1] = [2 * t ** 3 - 3 * t ** 2 + 1, -2 * t ** 3 + 3 * t ** 2]
      const [g0, g1] = [(t ** 3 - 2 * t ** 2 + t) * chord, (t ** 3 - t ** 2) * chord]
      out[(a + i) % n] = [h0 * p[0] + h1 * q[0] + g0 * u[0] + g1 * v[0], h0 * p[1] + h1 * q[1] + g0 * u[1] + g1 * v[1]]
    }
  })
  return out
}
