import { offsetLine } from '../geometry/offsetLine.ts'
import type { Path } from '../geometry/path.ts'
import type { RuleBook } from '../trade/rules.ts'
import { withAllowances } from '../upper/allowance.ts'
import type { Piece, PlacedEdge } from '../upper/piece.ts'
import { edgeSkive, edgeSkiveRules } from './edgeSkive.ts'
import { SEAM_DEPTH, type WallArea } from '../trade/wallArea.ts'

/** What of an edge's allowance lies on the wall, beyond the finished line. */
const onWall = (e: PlacedEdge): number => (e.role === 'lap under' ? e.allowance : 0)

/** The strip inside a line that runs counter-clockwise. */
const stripInside = (line: Path, by: number): Path => [...line, ...offsetLine(line, by).reverse()]

/**
 * Where a piece lies on the wall: its finished area with what laps under a neighbour, skived; and the opened allowance
 * of its closed seams as a layer of its own beside the seam.
 */
export function pieceAreas(
  piece: Piece,
  depth: number,
  thickness: number,
  book: RuleBook,
  facing: 'out' | 'foot' = 'out',
): WallArea[] {
  return piece.places.flatMap((place): WallArea[] => {
    const base = { part: piece.id, name: piece.name, side: place.side, depth }
    const edges = place.edges.map((e) => ({ ...e, allowance: onWall(e) }))
    const thinned = edges.flatMap((e) => {
      const profile = edgeSkive(e.role, thickness, e.allowance, book, facing)
      return profile ? [{ edge: offsetLine(e.line, -e.allowance), profile }] : []
    })
    const share = book.value(edgeSkiveRules.seamShare)
    return [
      { ...base, thickness, area: withAllowances(place.forme, edges, piece.name), thinned },
      ...place.edges
        .filter((e) => e.role === 'closed seam' && e.allowance > 0)
        .map((e) => ({
          ...base,
          name: `${piece.name}, ${e.name}`,
          depth: depth - SEAM_DEPTH,
          thickness: share * thickness,
          area: stripInside(e.line, e.allowance),
          thinned: [],
        })),
    ]
  })
}

/**
 * How pieces lie on each other, from the inside outwards: a piece with an edge under a seam lies deeper than the one
 * over it; what is laid on without a seam of its own lies on top.
 */
export function pieceOrder(pieces: readonly Piece[]): Map<string, number> {
  const bySeam = (role: 'lap under' | 'lap over') =>
    pieces.flatMap((p) =>
      p.edges.filter((e) => e.role === role && e.seam).map((e) => ({ id: p.id, seam: e.seam ?? '' })),
    )
  const [under, over] = [bySeam('lap under'), bySeam('lap over')]
  const above = over.flatMap((o) => under.filter((u) => u.seam === o.seam && u.id !== o.id).map((u) => [u.id, o.id]))
  const order = new Map(pieces.map((p) => [p.id, 0]))
  // A chain of laps is no longer than there are pieces; a ring of laps, which cannot be, ends there too.
  for (let round = 0; round < pieces.length; round++) {
    for (const [low, high] of above) {
      order.set(high!, Math.max(order.get(high!) ?? 0, (order.get(low!) ?? 0) + 1))
    }
  }
  const top = Math.max(0, ...order.values())
  for (const p of pieces) {
    const laidOn = p.edges.some((e) => e.role === 'lap over') && p.edges.every((e) => !e.seam)
    if (laidOn) order.set(p.id, top + 1)
  }
  return order
}
