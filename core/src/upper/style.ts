import type { Gathered, Gathers } from './gathers.ts'
import type { Path, Point } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import type { TopFinish } from '../model/upper.ts'
import type { DesignBoard } from './designPoints.ts'
import type { PartKind } from '../trade/partCatalogue.ts'
import type { EdgeRole } from '../model/edgeRoles.ts'
import type { Piece } from './piece.ts'

/**
 * How far, from the tops of the facings, a shaft is laced: to its bend, above which hooks stand; to where facings lie
 * on the last, mm.
 */
export interface ShaftLace {
  bend: number
  onLast: number
}

/** A band over the foot: its two edges from the ridge down to the feather, mm on the forme. */
export interface Strap {
  name: string
  front: Record<Side, Path>
  rear: Record<Side, Path>
}

/** What a style draws: its pieces, and the lines that checks, linings and lasting read. mm on the forme. */
export interface DrawnUpper {
  pieces: Piece[]
  /** The opening's edge from its front to the back, by side. */
  topLine: Record<Side, Path>
  /** The back line from the feather up, as it will be stitched or folded; null on a shoe that is open behind. */
  backLine: Path | null
  /** The same before the taper was taken in. */
  backBefore: Path | null
  /** The tongue that is one with the vamp: its edges beside the facings, from the middle to where the facing ends. */
  tongueOnVamp?: Record<Side, readonly Path[]>
  /** Of a shoe that is nothing but straps, each of them; null where the toes are covered. */
  straps?: readonly Strap[]
  /** The straps as they were before folds were laid in them: what linings are cut to. */
  plainStraps?: readonly Piece[]
  /** Front of the opening on the centre line. */
  throat: Point
  /** Edges of the lacing, from the top forwards; none on a slip-on. */
  facings: Record<Side, Path> | null
  /** The middle of a shaft's front, sewn or laced, from its top down to the throat; none on a low shoe. */
  front: Path | null
  /** Of a laced shaft: from the tops of the facings to its bend, and to where they lie on the last, mm. */
  shaftLace?: ShaftLace
  /** Where the seam between front and back meets the feather, by side; none on an upper in one piece. */
  foot: Record<Side, Point> | null
  /** Half the distance between the laced facings, mm. */
  halfGap: number
  /** Seams as drawn on the forme. */
  seams: { name: string; side: Side; line: Path }[]
  /** The vamp opened out along its centre, where there is one. */
  opened: Gathered | null
  /** A shaft that is opened for folds. */
  shaftFolds?: Gathers | null
  zip: Path | null
  /** Edges that are neither seam nor opening, to be shown in their place. */
  edges?: { name: string; side: Side; line: Path }[]
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

/** Ids of the linings that lie where something else depends on them: behind, over the toes, at the sides. */
export interface LinedBy {
  behind: readonly string[]
  toes: readonly string[]
  sides: readonly string[]
}

const quarterLinings = ['quarterLining.lateral', 'quarterLining.medial']
/** A shoe that is closed all round; a heel grip may take the place of what lies behind. */
export const linedAllRound: LinedBy = { behind: quarterLinings, toes: ['vampLining'], sides: quarterLinings }

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
  /** Its shaft may be laid in folds. */
  shaftFolds?: true
  /** What a closed shoe has and this one has no place for. */
  without?: readonly ('stiffener' | 'puff')[]
  /** Its linings, where they are not those of a shoe that is closed all round. */
  linedBy?: LinedBy
  /** What becomes of the bottom edges. */
  bottom: Extract<EdgeRole, 'lasting margin' | 'turned-out margin'>
  draw: (board: DesignBoard) => DrawnUpper
}
