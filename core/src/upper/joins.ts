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

/**
 * The seams of an upper, read off its edges: those with one seam's name on two pieces, or on the two halves of one.
 * A seam that has no partner is left out; `unpaired` lists it.
 */
export function joinsOf(pieces: readonly Piece[]): { joins: Join[]; unpaired: string[] } {
  const all = pieces.flatMap((piece) => piece.edges.filter((e) => e.seam).map((edge) => ({ piece, edge })))
  const bySeam = new Map<string, { piece: Piece; edge: PieceEdge }[]>()
  for (const item of all) {
    const seam = item.edge.seam ?? ''
    bySeam.set(seam, [...(bySeam.get(seam) ?? []), item])
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
  const joins: Join[] = []
  const unpaired: string[] = []
  for (const [seam, items] of bySeam) {
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
