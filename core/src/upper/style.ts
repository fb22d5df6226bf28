import type { Gathered } from './gathers.ts'
import type { Path, Point } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import type { TopFinish } from '../model/upper.ts'
import type { DesignBoard } from './designPoints.ts'
import type { PartKind } from '../trade/partCatalogue.ts'
import type { EdgeRole } from '../model/edgeRoles.ts'
import type { Piece } from './piece.ts'

/** What a style draws: its pieces, and the lines that checks, linings and lasting read. mm on the forme. */
export interface DrawnUpper {
  pieces: Piece[]
  /** The opening's edge from its front to the back, by side. */
  topLine: Record<Side, Path>
  /** The back line from the feather up, as it will be stitched or folded. */
  backLine: Path
  /** The same before the taper was taken in. */
  backBefore: Path
  /** Front of the opening on the centre line. */
  throat: Point
  /** Edges of the lacing, from the top forwards; none on a slip-on. */
  facings: Record<Side, Path> | null
  /** A shaft's front seam, from its top down to the throat; none on a low shoe. */
  front: Path | null
  /** Where the seam between front and back meets the feather, by side; none on an upper in one piece. */
  foot: Record<Side, Point> | null
  /** Half the distance between the laced facings, mm. */
  halfGap: number
  /** Seams as drawn on the forme. */
  seams: { name: string; side: Side; line: Path }[]
  /** The vamp opened out along its centre, where there is one. */
  opened: Gathered | null
  zip: Path | null
}

export interface StyleOption {
  key: string
  name: string
  byDefault: boolean
}

/** Kinds of pieces that a style likes to have of another leather or colour. */
export interface StyleSuggestion {
  kinds: readonly PartKind[]
  why: string
}

/** A way to cut up an upper: adding one is one file and one line in the list of styles. */
export interface Style {
  sentence: string
  options: readonly StyleOption[]
  topFinish: TopFinish
  /** The option with which the finish of the top line runs on down both facings; null where it does so only when asked. */
  facingsFinishedBy: string | null
  /** Pieces that are often cut from something else in this style, and why. */
  suggests: readonly StyleSuggestion[]
  /** Tongue and collar are filled with foam. */
  padded: boolean
  /** What becomes of the bottom edges. */
  bottom: Extract<EdgeRole, 'lasting margin' | 'turned-out margin'>
  draw: (board: DesignBoard) => DrawnUpper
}
