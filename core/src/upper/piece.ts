import type { Grain } from '../trade/grain.ts'
import type { SewnLine } from './sewnLine.ts'
import type { Path, Point } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import type { Because } from '../trade/because.ts'
import type { EdgeRole } from '../model/edgeRoles.ts'

/** One edge of a piece. Its line runs counter-clockwise round the piece, from the corner before to the corner after. */
export interface PieceEdge {
  name: string
  role: EdgeRole
  /** The finished line, mm: fold, seam or feather, before the allowance. */
  line: Path
  allowance: number
  /** What is added to the allowance, against the share of its length: a margin that differs along the feather. */
  more?: readonly (readonly [number, number])[]
  /** Seam it belongs to: edges of one seam on two pieces (or both ends of one) are joined to each other. */
  seam?: string
  /** Which half of a whole piece it lies on. */
  side: Side | 'whole'
}

/** An edge as it lies on the forme, seen from the lateral side. */
export interface PlacedEdge {
  name: string
  role: EdgeRole
  line: Path
  allowance: number
  more?: PieceEdge['more']
}

/** An edge's allowance at a share of its length, mm. */
export function allowanceAt({ allowance, more }: Pick<PieceEdge, 'allowance' | 'more'>, share: number): number {
  if (!more || more.length < 2) return allowance
  let i = 1
  while (i < more.length - 1 && more[i]![0] < share) i++
  const [[s, a], [t, b]] = [more[i - 1]!, more[i]!]
  return allowance + a + ((b - a) * Math.max(0, Math.min(1, share - s))) / (t - s || 1)
}

export interface PieceMark {
  kind: 'medial' | 'centre' | 'centre slit' | 'match'
  at: Point
  inwards: Point
}

export interface Hole {
  at: Point
  diameter: number
  /** What it is for; left out where it decorates. */
  for?: 'eyelet' | 'hook' | 'lace guard' | 'buckle'
  /** Not punched now, but through all that is joined there. */
  later?: true
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
  /** The line on which a whole piece is folded, from end to end; null for a piece of one side. */
  fold: readonly [Point, Point] | null
  holes: Hole[]
  /** Seams whose holes it shares with another piece. */
  sewn: SewnLine[]
  slits: { from: Point; to: Point; kind: 'slit' | 'notch' }[]
  /** Tight direction, as an arrow on the piece. */
  grain: Grain
  /** Short lines across its middle, at which it lies on its lining when its folds are drawn together. */
  ticks: Path[]
  /** How deep the teeth of its gimped edges are, mm; 0 where they are plain. */
  teeth: number
  /** The finished outline and its edges on the forme, by side: what shows the piece in its place and on the last. */
  places: { side: Side; forme: Path; edges: PlacedEdge[] }[]
  becauses: Because[]
}
