import { pathLength } from '../geometry/path.ts'
import type { Piece, PieceEdge } from './piece.ts'

/** Two edges that are joined, with their lengths, mm. */
export interface Join {
  seam: string
  pieces: [string, string]
  edges: [string, string]
  lengths: [number, number]
  /** Second less first, mm. */
  ease: number
}

/** An edge with the piece that it belongs to. */
export interface EdgeOfPiece {
  piece: Piece
  edge: PieceEdge
}

/**
 * Edges by the seam they belong to: those with one seam's name on two pieces, or on the two halves of one. A seam whose
 * partner is missing has one edge.
 */
export function seamsOf(pieces: readonly Piece[]): Map<string, EdgeOfPiece[]> {
  const bySeam = new Map<string, EdgeOfPiece[]>()
  for (const piece of pieces) {
    for (const edge of piece.edges) {
      if (edge.seam) bySeam.set(edge.seam, [...(bySeam.get(edge.seam) ?? []), { piece, edge }])
    }
  }
  // A seam between the two halves of one piece carries the side in its name; its partner is the other side's.
  for (const [seam, items] of [...bySeam]) {
    const base = seam.replace(/\.(lateral|medial)$/, '')
    const other = `${base}.medial`
    const partner = bySeam.get(other)
    if (seam === `${base}.lateral` && items.length === 1 && partner?.length === 1) {
      bySeam.delete(seam)
      bySeam.delete(other)
      bySeam.set(base, [...items, ...partner])
    }
  }
  return bySeam
}

/** The seams of an upper with what both partners measure. A seam that has no partner is left out; `unpaired` lists it. */
export function joinsOf(pieces: readonly Piece[]): { joins: Join[]; unpaired: string[] } {
  const joins: Join[] = []
  const unpaired: string[] = []
  for (const [seam, items] of seamsOf(pieces)) {
    if (items.length !== 2) {
      unpaired.push(seam)
      continue
    }
    const [a, b] = items
    const lengths: [number, number] = [pathLength(a!.edge.line), pathLength(b!.edge.line)]
    joins.push({
      seam,
      pieces: [a!.piece.id, b!.piece.id],
      edges: [a!.edge.name, b!.edge.name],
      lengths,
      ease: lengths[1] - lengths[0],
    })
  }
  return { joins, unpaired }
}
