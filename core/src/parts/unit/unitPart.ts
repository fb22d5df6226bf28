import { boxOf, pathLength } from '../../geometry/path.ts'
import type { DevelopedBottom } from '../../last/developedBottom.ts'
import type { CupSole } from '../../model/cupSole.ts'
import { becauseOfRule } from '../../trade/becauseOfRule.ts'
import type { Part } from '../../trade/part.ts'
import type { RuleBook } from '../../trade/rules.ts'
import { mm, say } from '../../units/sentence.ts'
import { alongBottom, creaseOf } from '../shared/alongBottom.ts'
import { unitRules } from './rules.ts'
import type { UnitFit } from './unitFit.ts'

/** Thickness of a unit at seat and tread, mm: one of both counts for the other where only one was measured. */
export function thicknessOfUnit({ seat, tread }: Pick<CupSole, 'seat' | 'tread'>, book: RuleBook) {
  const usual = book.value(unitRules.thickness)
  return { seat: seat ?? tread ?? usual, tread: tread ?? seat ?? usual }
}

/** The unit as it is trimmed to the shoe, with the shoe and its own edge as it was bought. */
export function unitPart(
  unit: CupSole,
  { sole, shoe, trimmed, most }: UnitFit,
  bottom: DevelopedBottom,
  length: number,
  book: RuleBook,
): Part {
  const thick = thicknessOfUnit(unit, book)
  const edge = book.value(unitRules.edge)
  const box = boxOf(trimmed)
  return {
    id: 'unit',
    place: 'under',
    areas: [],
    skives: [],
    name: 'Flat unit, trimmed',
    role: null,
    materialName: unit.name,
    thickness: thick.tread,
    count: 2,
    outline: trimmed,
    lines: [
      { name: 'lasted shoe', kind: 'mark', path: shoe, closed: true },
      { name: 'unit as bought', kind: 'neighbour', path: sole, closed: true },
      creaseOf(bottom),
    ],
    ...alongBottom(trimmed, bottom, length),
    becauses: [
      becauseOfRule('Edge outside the lasted shoe', unitRules.edge, book),
      {
        id: 'unitTrimmed',
        quantity: 'Trimmed edge',
        value: pathLength(trimmed, true),
        unit: 'mm',
        sentence: say`The lasted outline and ${mm(edge, 1)} all round, as far as the unit reaches: ${mm(box.maxX - box.minX, 0)} long. At most ${mm(Math.max(0, most.room - edge), 1)} come off.`,
        inputs: [{ name: 'Lasted outline', value: pathLength(shoe, true), unit: 'mm' }],
        origin: book.inForce(unitRules.edge).origin,
        rule: unitRules.edge.key,
      },
      ...(unit.seat === null && unit.tread === null ? [becauseOfRule('Thickness', unitRules.thickness, book)] : []),
    ],
    findings: [],
  }
}
