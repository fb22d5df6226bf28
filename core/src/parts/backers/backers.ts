import { pieceAreas, pieceOrder } from '../../layers/pieceAreas.ts'
import type { EdgeSight } from '../../layers/skivedStretches.ts'
import type { Material } from '../../model/material.ts'
import { ofPiece, type OwnMaterials } from '../../trade/cutFrom.ts'
import type { Part } from '../../trade/part.ts'
import type { RuleBook } from '../../trade/rules.ts'
import { backerOf } from '../../trade/partCatalogue.ts'
import { inSentence } from '../../trade/pieceName.ts'
import { DEPTHS } from '../../trade/wallArea.ts'
import type { Piece } from '../../upper/piece.ts'
import { pieceAsPart } from '../../upper/pieceAsPart.ts'

/** A backer lies so much deeper than the piece that it is stuck to. */
const BEHIND = 0.25

export interface BackerNeeds {
  pieces: readonly Piece[]
  /** What serves for all that have nothing of their own; null where they have no backer. */
  material: Material | null
  own: OwnMaterials
  sight: EdgeSight
  book: RuleBook
}

/**
 * Backers of an upper's pieces (docs/trade.md, "Materials"): woven stuff that is stuck to the leather before the pieces
 * are cut, so that each has the outline of its piece and goes with it under the last. A piece for which none was chosen,
 * nor one for all, has none. A drawn pattern's have no place on the wall.
 */
export function backers({ pieces, material: usual, own, sight, book }: BackerNeeds): Part[] {
  const order = pieceOrder(pieces)
  return pieces.flatMap((piece): Part[] => {
    const id = backerOf(piece.id)
    const material = ofPiece(own, id, usual)
    if (!material) return []
    const name = `Backer of the ${inSentence(piece.name)}`
    // What laps under is skived with the leather it is stuck to, and only so far: the weave stays whole.
    const areas = pieceAreas(piece, DEPTHS.upper + (order.get(piece.id) ?? 0) - BEHIND, material, sight, book)
    return [
      {
        ...pieceAsPart(piece, material),
        id,
        name,
        role: 'backer',
        place: 'wall',
        becauses: [],
        areas: areas.map((a) => ({ ...a, part: id, name, thinned: [] })),
      },
    ]
  })
}
