import { leastSquares } from '../geometry/linearSolve.ts'
import { median } from '../geometry/median.ts'
import { movedOut, type Rail } from './rail.ts'

/** Neighbours of a place reach so many points either way; fewer of them than this say nothing. */
const BESIDE = 7
const FEW = 4

/** Leaves out (NaN) what lies farther from the middle one of its neighbours than `most`, mm, round a closed line. */
export function withoutLoners(at: Float64Array, most: number): Float64Array {
  const n = at.length
  return at.map((v, i) => {
    const beside: number[] = []
    for (let d = -BESIDE; d <= BESIDE; d++) {
      const w = at[(i + d + n) % n]!
      if (d !== 0 && !Number.isNaN(w)) beside.push(w)
    }
    return beside.length >= FEW && Math.abs(v - median(beside)) > most ? NaN : v
  })
}

/** A parabola is laid through so many points on either side, and holds where half of them lie nearer to it than `TIGHT`, mm. */
const WINDOW = 20
const TIGHT = 0.08
/** Points farther off it than this are of something else, mm. */
const OFF = 0.3

/** What was read on a crossing line lies so few points from where nothing could be read for it. */
const BY_CROSSING = 8

/**
 * Leaves out (NaN) what was read on lines that cross, beside places where there was ink but no line to be read (`crossed`):
 * points off a parabola that most of their neighbours lie on, fitted with less weight the farther off a point lies (iteratively
 * reweighted, Cauchy's weights). Where neighbours lie on none, as in a corner, all stay.
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
      const scale = Math.max(0.05, 1.5 * median(off.map(Math.abs)))
      fit = leastSquares(rows, vs, round === 0 ? undefined : off.map((o) => 1 / (1 + (o / scale) ** 2)))
      if (!fit) return value
      const [a, b, c] = fit as [number, number, number]
      off = us.map((u, k) => vs[k]! - (a + b * u + c * u * u))
    }
    return median(off.map(Math.abs)) < TIGHT && Math.abs(fit![0]!) > OFF ? NaN : value
  })
}
