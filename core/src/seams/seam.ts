import type { SeamKind, SeamSection } from '../edges/seamSection.ts'
import type { Path, Point } from '../geometry/path.ts'
import type { HandStitch, SeamWay } from '../model/stitching.ts'
import type { PieceEdge } from '../upper/piece.ts'

/** What holes are made with: from the edge with a jaw, or from above. */
export type PunchTool = 'edge punch' | 'drive punch'
/** What lies under a piece while it is punched. */
export type PunchGround = 'scrap leather' | 'shaped block'

/** What goes together: for the upper by machine, by hand, and for seams through the sole. */
export type SewnWith = SeamWay | 'sole'

/** Where the ends of a seam's thread are made fast. */
export interface Knot {
  piece: string
  at: Point
  /** At the edge that goes under the insole, or between lining and outside where the seam has no such end. */
  where: 'bottom edge' | 'inside'
}

/**
 * When a hole is made: now, in the piece alone, or later, through all that is joined there. By machine nothing is punched.
 */
export type HoleTime = 'now' | 'later'

/** A row of stitches as it lies on one piece. */
export interface RowOnPiece {
  piece: string
  line: Path
  /** Of a hand seam: the needle of a machine makes its own. */
  holes: Path
  punched: HoleTime
  /** It lies along a part of the seam only: the other holes are on its partners alone. */
  part?: true
}

/** A seam of one shoe: its rows, what they take, and where their holes are. */
export interface Seam {
  id: string
  name: string
  kind: SeamKind
  seen: SeamSection['seen']
  way: SeamWay
  /** Of a hand seam; null by machine. */
  stitch: HandStitch | null
  /** Which thread, needle and awl it takes (see Stitching.notions). */
  sewnWith: SewnWith
  side: PieceEdge['side']
  rows: number
  /** Of one row. */
  stitches: number
  /** Mean of one stitch, mm. */
  pitch: number
  /** True length of the first row, mm. */
  length: number
  /** From the finished edge to the first row, mm. */
  fromEdge: number
  /** What is sewn through, mm. */
  thickness: number
  /** How deep the thread goes where it does not go through, mm; null where it does. */
  depth: number | null
  /** Of a lap: how much leather lies under, and how far from the edge its last row is, mm. */
  lap: { width: number; lastRow: number } | null
  /** Thread of all rows on one shoe, mm. */
  thread: number
  on: RowOnPiece[]
  /** Of a hand seam: what its holes are made with and on, and where its ends are made fast. */
  punch: { tool: PunchTool; ground: PunchGround } | null
  knot: Knot | null
}
