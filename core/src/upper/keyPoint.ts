import type { Point } from '../geometry/path.ts'
import type { PointSide } from '../model/upper.ts'
import type { Origin } from '../trade/because.ts'
import type { Side } from '../trade/side.ts'
import type { Sentence } from '../units/sentence.ts'

/**
 * What a key point may move along: anywhere, the ridge, the back curve (and straight on above it), the feather line, or
 * square out of that: the edge of the margin.
 */
export type PointTrack = 'free' | 'ridge' | 'back' | 'feather' | 'margin'

/** A key point of the design: by rule, unless somebody moved it. mm on the forme. */
export interface KeyPoint {
  id: string
  name: string
  track: PointTrack
  at: Record<Side, Point>
  byRule: Record<Side, Point>
  /** Which of it was moved by hand, if any. */
  moved: PointSide | null
  /** The sides on which it is shown and moved on its own; one alone when it is one point for the whole shoe. */
  sides: readonly Side[]
  /** Its figures as a shoemaker would give them. */
  figures: { name: string; value: number }[]
  sentence: Sentence
  origin: Origin
  rule?: string
}
