import type { Point } from '../../geometry/path.ts'
import type { Side } from '../../trade/side.ts'
import type { Finding } from '../../trade/because.ts'
import type { KeyPoint } from '../keyPoint.ts'
import type { PointPlaces } from '../pointPlaces.ts'
import type { Join } from '../joins.ts'
import type { EdgeRole } from '../../model/edgeRoles.ts'
import type { EyeletRow } from '../eyelets.ts'
import type { MarginMore } from '../marginMore.ts'
import type { Piece } from '../piece.ts'
import type { DrawnUpper } from '../style.ts'
import type { UpperNeeds } from '../needs.ts'

/** A finding with its place on the forme. */
export interface UpperFinding extends Finding {
  at: { side: Side; point: Point } | null
}

export interface CheckNeeds extends UpperNeeds {
  board: PointPlaces
  points: readonly KeyPoint[]
  /** On low-cut styles: how much higher the medial line was drawn than the lateral one, mm. */
  throatDifference: number | null
  drawn: DrawnUpper
  /** What is added to the lasting margin place by place; null where it is even. */
  margin: MarginMore | null
  /** Null on a shoe without lacing. */
  row: EyeletRow | null
  pieces: readonly Piece[]
  joins: readonly Join[]
  bottom: EdgeRole
}
