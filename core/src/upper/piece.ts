import type { Path, Point } from '../geometry/path.ts'
import type { Side } from '../last/frame.ts'
import type { Because, Finding } from '../model/because.ts'
import type { EdgeRole } from '../model/edgeRoles.ts'

/** One edge of a piece. Its line runs counter-clockwise round the piece, from the corner before to the corner after. */
export interface PieceEdge {
  name: string
  role: EdgeRole
  /** The finished line, mm: fold, seam or feather, before the allowance. */
  line: Path
  allowance: number
  /** Seam it belongs to: edges of one seam on two pieces (or both ends of one) are joined to each other. */
  seam?: string
  /** Which half of a whole piece it lies on. */
  side: Side | 'whole'
}

export interface PieceMark {
  kind: 'medial' | 'centre' | 'match'
  at: Point
  inwards: Point
}

/** A line drawn on a piece that is no edge: where a neighbour lies, a fold, a row of holes. */
export interface PieceLine {
  name: string
  kind: 'fold' | 'neighbour' | 'stitch' | 'decoration' | 'slash'
  path: Path
  seam?: string
}

export interface Hole {
  at: Point
  diameter: number
}

/**
 * A piece of the right upper, flat, seen from outside; the left one is its mirror. mm. `net` is the finished outline,
 * `outline` the cut one with its allowances; both closed and counter-clockwise.
 */
export interface Piece {
  id: string
  name: string
  side: Side | 'whole'
  edges: PieceEdge[]
  net: Path
  outline: Path
  marks: PieceMark[]
  lines: PieceLine[]
  holes: Hole[]
  slits: { from: Point; to: Point; kind: 'slit' | 'notch' }[]
  grain: { from: Point; to: Point }
  /** The finished outline on the forme, by side: what shows the piece in its place and on the last. */
  places: { side: Side; forme: Path }[]
  becauses: Because[]
  findings: Finding[]
}
