import {
  contains,
  leftOf,
  nearest,
  pathLength,
  pointAt,
  widthOf,
  type Path,
  type Point,
  type Skive,
} from '@gentle-awl/core'

/** A skive's own section at true size across the middle of its edge, and where its figures stand beside it. */
export interface SkiveMark {
  section: Path
  words: string
  at: Point
  /** Direction in which the figures run: along the edge. */
  way: Point
}

/** Edges shorter than this are told by their tone alone, mm. */
const SHORTEST = 24
/** From the section to the middle of its figures, mm. */
const BESIDE = 12
/** Figures that stand past a skive are so far from it; clearer of lines than the second is clear enough; mm. */
const PAST = 2
const CLEAR = 2.2

/** How a skive is marked on a printed piece whose other lines are `others`; null where its edge is too short for it. */
export function skiveMark(skive: Skive, others: readonly Path[]): SkiveMark | null {
  const whole = pathLength(skive.edge)
  if (whole < SHORTEST) return null
  const width = widthOf(skive)
  const middle = pointAt(skive.edge, whole / 2)
  const [a, b] = [pointAt(skive.edge, whole / 2 - 2), pointAt(skive.edge, whole / 2 + 2)]
  const l = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
  const way: Point = [(b[0] - a[0]) / l, (b[1] - a[1]) / l]
  const left: Point = [-way[1], way[0]]
  const place = (at: Point, n: Point, d: number, t: number): Point => [
    at[0] + n[0] * d + way[0] * t,
    at[1] + n[1] * d + way[1] * t,
  ]
  const inwards: Point = contains(skive.band, place(middle, left, width / 2, 0)) ? left : [-left[0], -left[1]]
  const section = [
    place(middle, inwards, 0, 0),
    ...skive.profile.map(([d, t]) => place(middle, inwards, d, t)),
    place(middle, inwards, width, 0),
  ]
  const words = `${width % 1 < 0.05 ? width.toFixed(0) : width.toFixed(1)} to ${leftOf(skive).toFixed(2)}`
  // Beside the section, or past the skive: where it is furthest from every other line.
  const places = [-BESIDE, BESIDE].flatMap((by) => {
    const on = pointAt(skive.edge, Math.max(0, Math.min(whole, whole / 2 + by)))
    return [width / 2, 0.75 * width, width + PAST].map((d) => place(on, inwards, d, 0))
  })
  const clear = (p: Point): number => Math.min(CLEAR, ...others.map((line) => nearest(line, p).away))
  const at = places.reduce((best, p) => (clear(p) > clear(best) ? p : best))
  return { section, words, at, way }
}
