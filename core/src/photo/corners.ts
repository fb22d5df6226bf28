import { crossingOf, lineThrough, offLine, type StraightLine } from '../geometry/lineThrough.ts'
import { distance, type Path, type Point } from '../geometry/path.ts'
import { STEP } from './rail.ts'

/** A corner of a line of even steps. */
export interface Corner {
  /** The point of the line that it is nearest to. */
  index: number
  point: Point
  /** Its sides are read from so far off on, mm. */
  from: number
  /** How far it lies from the line as it was read, mm. */
  away: number
}

/** A corner that may be one: where the line passes it, where its two straight sides end, and where they would meet. */
export interface CornerTry {
  near: Point
  ends: readonly [Point, Point]
  point: Point
  away: number
}
/** Whether the picture shows that a line goes all the way to a corner round which it was read too round. */
export type CornerProof = (corner: CornerTry) => boolean

/** A corner turns by more than this, degrees. */
const TURN = 35
/** Sides that meet at a smaller sine than this meet nowhere worth computing. */
const LEAST_SINE = 0.1
/** Its two sides are straight to this, mm, and read over so much of their length, from so far off the corner on; nearest first. */
const STRAIGHT = 0.14
const SIDE = 3.3
const FROM = [1.2, 2.2, 3.4, 4.6] as const
/**
 * Sides of a corner meet near the line: nearer, mm a radian of the turn, than half of what an even bend over the same
 * stretch would leave (0.71). Farther off it is a corner only if the picture shows it.
 */
const NEAR = 0.36
const FARTHEST = 5

/** The corner near a point of a closed line of even steps, its sides read from `from` mm off; null when there is none. */
function cornerAt(path: Path, i: number, from: number, proof: CornerProof | null): Corner | null {
  const n = path.length
  const [a, b] = [Math.round(from / STEP), Math.round((from + SIDE) / STEP)]
  const at = (k: number) => path[(i + k + 2 * n) % n]!
  const side = (way: 1 | -1) => Array.from({ length: b - a + 1 }, (_, k) => at(way * (a + k)))
  const [before, after] = [side(-1), side(1)]
  const [into, out] = [lineThrough(before), lineThrough(after)]
  const bent = (points: Path, line: StraightLine) => points.some((p) => Math.abs(offLine(p, line)) > STRAIGHT)
  if (bent(before, into) || bent(after, out)) return null
  /** A line's direction as the outline runs from one place to another. */
  const running = ({ direction: [x, y] }: StraightLine, p: Point, q: Point): Point =>
    x * (q[0] - p[0]) + y * (q[1] - p[1]) < 0 ? [-x, -y] : [x, y]
  const [u, v] = [running(into, at(-b), at(-a)), running(out, at(a), at(b))]
  const turn = Math.abs(Math.atan2(u[0] * v[1] - u[1] * v[0], u[0] * v[0] + u[1] * v[1]))
  const point = crossingOf(into, out, LEAST_SINE)
  if (turn < (TURN * Math.PI) / 180 || !point) return null
  const near = at(0)
  const away = distance(point, near)
  const close = away <= NEAR * turn && from === FROM[0]
  const shown = () => away <= FARTHEST && proof !== null && proof({ near, ends: [at(-a), at(a)], point, away })
  return close || shown() ? { index: i, point, from, away } : null
}

/** Corners of a closed line of even steps: where two straight sides meet. */
export function cornersOf(path: Path, proof: CornerProof | null): Corner[] {
  const n = path.length
  if (n < 4 * ((FROM[FROM.length - 1]! + SIDE) / STEP)) return []
  const kept: Corner[] = []
  for (const from of FROM) {
    const found: Corner[] = []
    for (let i = 0; i < n; i++) {
      const corner = cornerAt(path, i, from, proof)
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
