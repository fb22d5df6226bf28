import { distance, type Point } from '../geometry/path.ts'
import { nearest } from '../geometry/polyline.ts'
import { SAME } from '../geometry/tolerance.ts'
import type { Piece } from '../upper/piece.ts'
import type { Knot, RowOnPiece } from './seam.ts'

/** An end of a row this near to the margin runs into it, mm. */
const AT_BOTTOM = 12

/**
 * Where a hand seam's thread is knotted: at that end of its row that runs into the lasted edge, away from the foot; one
 * that runs into none is knotted at its last hole, between lining and outside.
 */
export function knotOf({ piece, line }: Pick<RowOnPiece, 'piece' | 'line'>, pieces: readonly Piece[]): Knot {
  const [first, last] = [line[0]!, line[line.length - 1]!]
  const bottom = (pieces.find((p) => p.id === piece)?.edges ?? []).filter(
    (e) => e.role === 'lasting margin' || e.role === 'turned-out margin',
  )
  const away = (p: Point) => Math.min(Infinity, ...bottom.map((e) => nearest(e.line, p).away))
  const closed = distance(first, last) < SAME
  const at = !closed && away(first) < away(last) ? first : last
  return { piece, at, where: away(at) <= AT_BOTTOM ? 'bottom edge' : 'inside' }
}
