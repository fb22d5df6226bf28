import type { UpperFinding } from './checks/needs.ts'
import type { EyeletRow } from './eyelets.ts'
import type { KeyPoint } from './keyPoint.ts'
import type { MarginMore } from './marginMore.ts'
import type { PointPlaces } from './pointPlaces.ts'
import type { DrawnUpper } from './style.ts'

/** A style drawn on the forme: what all that is derived from the base pattern reads. It holds no rule book. */
export interface BasePattern {
  /** Where the points lie, and the forme's lines. */
  board: PointPlaces
  points: KeyPoint[]
  /** On low-cut styles: how much higher the medial line was drawn than the lateral one, mm. */
  throatDifference: number | null
  drawn: DrawnUpper
  /** What is added to the lasting margin place by place; null where it is even. */
  margin: MarginMore | null
  /** Where the eyelets go; null on a shoe without lacing. */
  row: EyeletRow | null
  /** Of a pattern drawn elsewhere: what is to be said of its place on the forme. */
  placing?: readonly UpperFinding[]
}
