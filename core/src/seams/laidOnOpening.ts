import { contains, type Path } from '../geometry/path.ts'
import type { Piece, PieceEdge } from '../upper/piece.ts'
import type { RowOnPiece } from './seam.ts'

/** What is laid on a piece of the opening along its facing has the same edge, and no opening of its own. */
export const isLaidOnOpening = ({ edges }: Piece): boolean =>
  edges.every((e) => !e.seam && e.name !== 'top line') && edges.some((e) => e.name === 'facing')

/** The piece that is laid on another along its facing. */
export const coverOf = (piece: Piece, run: readonly PieceEdge[], pieces: readonly Piece[]): Piece | null => {
  const facing = run.find((e) => e.name === 'facing')
  return (facing && pieces.find((p) => p !== piece && p.side === facing.side && isLaidOnOpening(p))) || null
}

/** What of a row lies on a piece that is laid on it: drawn in the same place, with the same holes. */
export function rowUnder({ id, outline }: Piece, line: Path, holes: Path): RowOnPiece | null {
  const within = line.filter((p) => contains(outline, p))
  if (within.length < 2) return null
  return { piece: id, line: within, holes: holes.filter((h) => contains(outline, h)), punched: 'now', part: true }
}
