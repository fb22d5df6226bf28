import { offsetLine } from '../geometry/offsetLine.ts'
import type { Material } from '../model/material.ts'
import { pieceSkives } from '../layers/pieceSkives.ts'
import type { Finding } from '../trade/because.ts'
import type { PartLine, PieceMarking } from '../trade/part.ts'
import { inSentence } from '../trade/pieceName.ts'
import type { RuleBook } from '../trade/rules.ts'
import { seamsOf } from '../upper/joins.ts'
import type { Piece } from '../upper/piece.ts'
import { seamSections, type SewnPieces } from './seamSections.ts'
import type { SeamSection } from './seamSection.ts'
import { skiveFindings } from './skiveFindings.ts'

/** The edges of a shoe: how each is thinned, what every seam looks like cut through, and what is wrong with it. */
export interface Edges {
  /** By piece of the upper. */
  markings: Record<string, PieceMarking>
  seams: SeamSection[]
  findings: Finding[]
}

export interface EdgesNeeds {
  upper: SewnPieces
  linings: SewnPieces
  /** What a piece of the upper is cut from. */
  materialOf: (piece: string) => Material
  book: RuleBook
}

/** Skives, sections and findings of all edges of a shoe, read off roles, allowances, seams and materials (docs/trade.md, "Skiving by edge"). */
export function deriveEdges({ upper, linings, materialOf, book }: EdgesNeeds): Edges {
  const seams = [upper, linings].flatMap(seamSections)
  const spans = spansUnder(upper.pieces)
  return {
    markings: Object.fromEntries(
      upper.pieces.map((p) => [
        p.id,
        { skives: pieceSkives(p, materialOf(p.id), upper.sight, book), spans: spans.get(p.id) ?? [] },
      ]),
    ),
    seams,
    findings: skiveFindings([upper, linings], seams, book),
  }
}

/** On every piece that lies over another: the line to which its neighbour's lap will reach. */
function spansUnder(pieces: readonly Piece[]): Map<string, PartLine[]> {
  const out = new Map<string, PartLine[]>()
  for (const ends of seamsOf(pieces).values()) {
    const over = ends.find((e) => e.edge.role === 'lap over')
    const under = ends.find((e) => e.edge.role === 'lap under')
    if (!over || !under || under.edge.allowance <= 0) continue
    const line: PartLine = {
      name: `lap of the ${inSentence(under.piece.name)}`,
      kind: 'neighbour',
      path: offsetLine(over.edge.line, under.edge.allowance),
      closed: false,
    }
    out.set(over.piece.id, [...(out.get(over.piece.id) ?? []), line])
  }
  return out
}
