import { becauseOfRule } from '../../trade/becauseOfRule.ts'
import { ofPiece } from '../../trade/cutFrom.ts'
import type { Part } from '../../trade/part.ts'
import { DEPTHS } from '../../trade/wallArea.ts'
import { reinforcementRules } from '../linings/reinforcements.ts'
import { lyingAlong } from './alongOpening.ts'
import { edging, reasons, type EdgingNeeds } from './needs.ts'
import { edgingRules } from './rules.ts'
import { marksAcross, stripPart, type Flat } from './strip.ts'

/** The tape in a fold, or behind a bead too narrow to hold the edge. */
export function tape(needs: EdgingNeeds, length: number): Part {
  const { work, book } = needs
  const flat: Flat = { length, width: book.value(edgingRules.tape) }
  const own = ofPiece(needs.own, edging.tape, needs.stay)
  const thickness = own?.thickness ?? book.value(reinforcementRules.thickness)
  // On a bead's strip the marks are counted from its spare end; the tape has none.
  const first = work.marks[0]?.at ?? 0
  return stripPart(
    {
      id: edging.tape,
      name: 'Tape along the top line',
      role: 'stay',
      materialName: own?.name ?? 'stay tape',
      thickness,
      lines: marksAcross(
        work.marks.map((m) => ({ ...m, at: m.at - first })),
        flat,
      ),
      becauses: [
        ...reasons(work, 'edge'),
        becauseOfRule('Width', edgingRules.tape, book),
        ...(own ? [] : [becauseOfRule('Thickness', reinforcementRules.thickness, book)]),
      ],
      areas: lyingAlong(
        needs,
        { part: edging.tape, name: 'Tape along the top line', depth: DEPTHS.reinforcement },
        flat.width,
        thickness,
        null,
      ),
    },
    flat,
  )
}
