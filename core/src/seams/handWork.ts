import type { RuleBook } from '../trade/rules.ts'
import type { Piece } from '../upper/piece.ts'
import { knotOf } from './knots.ts'
import { punchGround, punchTool } from './punching.ts'
import { seamRules } from './rules.ts'
import type { RowOnPiece, Seam } from './seam.ts'

/** Tools and knots of a seam that is sewn by hand. */
export function handWork(
  { way, kind }: Pick<Seam, 'way' | 'kind'>,
  on: readonly RowOnPiece[],
  { pieces, book }: { pieces: readonly Piece[]; book: RuleBook },
): Pick<Seam, 'punch' | 'knot'> {
  const first = on.find((o) => !o.part)
  if (way !== 'hand' || !first) return { punch: null, knot: null }
  const reach = book.value(seamRules.punchReach)
  const tools = on.flatMap(({ piece, holes }) => {
    const outline = pieces.find((p) => p.id === piece)?.outline
    return outline ? [punchTool(holes, outline, reach)] : []
  })
  return {
    punch: {
      tool: tools.includes('drive punch') ? 'drive punch' : 'edge punch',
      ground: on.some((o) => punchGround(kind, o) === 'shaped block') ? 'shaped block' : 'scrap leather',
    },
    knot: knotOf(first, pieces),
  }
}
