import { cumulative, pointsAt } from '../geometry/polyline.ts'
import type { Path } from '../geometry/path.ts'

/** Places along the feather line are so far apart, mm, and its bend is read over so much of it. */
const STEP = 0.5
const WINDOW = 10

/** The feather line in even steps, counter-clockwise, with its curvature. */
export interface FeatherArc {
  points: Path
  /** Running length at each point, and of the whole, mm. */
  run: Float64Array
  length: number
  /** 1/mm, positive where it is rounded outwards: the geodesic curvature on the last's bottom, which laying it flat keeps. */
  curvature: Float64Array
}

/**
 * A closed outline in steps of about half a millimetre. Its direction is that of each side at the side's middle, and
 * turns evenly between two middles; curvature is the turn from 5 mm before a place to 5 mm behind it, per millimetre: 1 / R on
 * a circle, however roughly it is drawn. A strip of margin cannot follow less.
 */
export function featherArc(outline: Path): FeatherArc {
  const n = outline.length
  const sums = cumulative(outline, true)
  const length = sums[n]!
  const count = Math.max(16, Math.round(length / STEP))
  const run = Float64Array.from({ length: count }, (_, i) => (i * length) / count)
  const direction = directionAlong(outline, sums)
  const half = WINDOW / 2
  return {
    points: pointsAt(outline, [...run], true),
    run,
    length,
    curvature: run.map((s) => (direction(s + half) - direction(s - half)) / WINDOW),
  }
}

/** Direction of a closed outline at a running length, radians, unwrapped: it goes on growing past the whole length. */
function directionAlong(outline: Path, sums: Float64Array): (run: number) => number {
  const n = outline.length
  const length = sums[n]!
  const middles = new Float64Array(n)
  const turned = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    const [a, b] = [outline[i]!, outline[(i + 1) % n]!]
    middles[i] = (sums[i]! + sums[i + 1]!) / 2
    const raw = Math.atan2(b[1] - a[1], b[0] - a[0])
    const before = i === 0 ? raw : turned[i - 1]!
    turned[i] = raw + 2 * Math.PI * Math.round((before - raw) / (2 * Math.PI))
  }
  const first = turned[0]!
  // Once round a counter-clockwise outline.
  const round = 2 * Math.PI * Math.round((turned[n - 1]! - first) / (2 * Math.PI) + 0.25)
  return (at) => {
    const laps = Math.floor((at - middles[0]!) / length)
    const run = at - laps * length
    let low = 0
    let high = n
    while (high - low > 1) {
      const middle = (low + high) >> 1
      if (middles[middle]! <= run) low = middle
      else high = middle
    }
    const [from, to] = [middles[low]!, low + 1 < n ? middles[low + 1]! : middles[0]! + length]
    const [a, b] = [turned[low]!, low + 1 < n ? turned[low + 1]! : first + round]
    return laps * round + a + ((b - a) * (run - from)) / (to - from || 1)
  }
}
