import { pieceSkives } from '../../layers/pieceSkives.ts'
import type { Because } from '../../trade/because.ts'
import type { EdgeRole } from '../../model/edgeRoles.ts'
import type { Material } from '../../model/material.ts'
import type { OpeningFinish } from '../../upper/opening.ts'
import { ofPiece, type OwnMaterials } from '../../trade/cutFrom.ts'
import type { RuleBook } from '../../trade/rules.ts'
import { edgeRules } from '../../upper/edgeRules.ts'
import { joinsOf } from '../../upper/joins.ts'
import { withMarks } from '../../upper/marks.ts'
import type { Piece, PieceEdge } from '../../upper/piece.ts'
import { pieceAsPart } from '../../upper/pieceAsPart.ts'
import { flatPiece, type EdgeDraft } from '../../upper/pieceMaker.ts'
import type { Part } from '../../trade/part.ts'
import { becauseOfRule } from '../../trade/becauseOfRule.ts'
import { liningRules } from './liningRules.ts'

/** What an upper's edge becomes on its lining: open edges stand proud, bottoms are always turned under, seams stay seams. */
function liningRole(role: EdgeRole): EdgeRole {
  switch (role) {
    case 'folded':
    case 'bead':
    case 'bound':
    case 'raw':
    case 'trimmed':
      return 'trimmed'
    case 'lasting margin':
    case 'turned-out margin':
      return 'lasting margin'
    default:
      return role
  }
}

/** A drawn cut edge has its allowance already: only what stands proud or laps shallower is the lining's own. */
function liningEdge(edge: PieceEdge, cutEdge: boolean, book: RuleBook): EdgeDraft {
  const role = liningRole(edge.role)
  const own = role === 'lap under' ? book.value(liningRules.lap) : undefined
  return {
    name: edge.name,
    role,
    line: edge.line,
    seam: edge.seam,
    allowance: cutEdge && role !== 'trimmed' ? 0 : own,
  }
}

/**
 * Linings of a pattern that was drawn elsewhere, piece by piece (docs/trade.md, "Linings"): the drawn pieces have no place
 * on the last, so their own lines are all that can be gone by. Throws GeometryError naming a piece that cannot be cut.
 */
export function ownLiningPieces(pieces: readonly Piece[], cutEdge: boolean, book: RuleBook): Piece[] {
  return pieces.map((p) => ({
    ...flatPiece(
      { id: `lining.${p.id}`, name: `Lining of ${p.name.toLowerCase()}` },
      p.side,
      p.edges.map((e) => liningEdge(e, cutEdge, book)),
      book,
    ),
    fold: p.fold,
    grain: p.grain,
  }))
}

export interface OwnLiningNeeds {
  /** See ownLiningPieces. */
  pieces: readonly Piece[]
  /** The drawn line is the cut edge, its allowance in it. */
  cutEdge: boolean
  opening: OpeningFinish
  /** What serves for all that have nothing of their own. */
  material: Material
  own: OwnMaterials
  book: RuleBook
}

/** Such linings as parts of the pair. */
export function ownLinings({ pieces, cutEdge, opening, material: usual, own, book }: OwnLiningNeeds): Part[] {
  const { joins } = joinsOf(pieces)
  return pieces.map((p): Part => {
    const material = ofPiece(own, p.id, usual)
    return {
      ...pieceAsPart(withMarks(p, joins), material),
      role: 'lining',
      place: 'foot',
      becauses: becausesOf(p, cutEdge, book),
      skives: pieceSkives(p, material, { facing: 'foot', spans: {}, ...opening }, book),
      // A drawn piece lies on no forme; the layers take its thickness as even all over.
      areas: [],
    }
  })
}

function becausesOf(piece: Piece, cutEdge: boolean, book: RuleBook): Because[] {
  const has = (role: EdgeRole) => piece.edges.some((e) => e.role === role)
  return [
    ...(has('trimmed') ? [becauseOfRule('Proud of the opening', liningRules.proud, book)] : []),
    ...(has('lasting margin') && !cutEdge ? [becauseOfRule('Lasting margin', edgeRules.lasting, book)] : []),
    ...(has('lap under') && !cutEdge ? [becauseOfRule('Lap of the linings', liningRules.lap, book)] : []),
  ]
}
