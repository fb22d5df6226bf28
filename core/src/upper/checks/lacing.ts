import { mm, say } from '../../units/sentence.ts'
import { spacingOf } from '../eyelets.ts'
import { lacingRules } from '../lacingRules.ts'
import type { CheckNeeds, UpperFinding } from './needs.ts'

/** Whether eyelets hold: leather left at the edge, and between one and the next. */
export function lacingFindings({ row, drawn, decisions, book }: CheckNeeds): UpperFinding[] {
  if (!row || !drawn.facings) return []
  const [first] = drawn.facings.lateral
  const at = first ? { side: 'lateral' as const, point: first } : null
  const left = row.fromEdge - row.diameter / 2
  const least = book.value(lacingRules.leastEdge)
  const held = left >= least
  const { min, max } = spacingOf(row.shaft)
  const apart = row.spacing >= min && row.spacing <= max
  return [
    {
      id: 'lacing.edge',
      level: held ? 'fine' : 'watch',
      where: 'eyelets',
      sentence: held
        ? say`Between the eyelets and the edge of the facing ${mm(left, 1)} of leather are left.`
        : say`Between the eyelets and the edge of the facing only ${mm(left, 1)} of leather are left, and ${mm(least)} are wanted: the holes tear out.`,
      measured: left,
      limit: least,
      unit: 'mm',
      ...(held
        ? { mend: '' }
        : {
            mend: say`Set them ${mm(least + row.diameter / 2, 1)} from the edge.`,
            remedy: { kind: 'rule' as const, key: lacingRules.fromEdge.key, value: least + row.diameter / 2 },
          }),
      at,
    },
    {
      id: 'lacing.spacing',
      level: apart ? 'fine' : 'watch',
      where: 'eyelets',
      sentence: apart
        ? say`${row.along.length} pairs of eyelets, ${mm(row.spacing, 1)} apart.`
        : row.spacing < min
          ? say`${row.along.length} pairs of eyelets are ${mm(row.spacing, 1)} apart: less than ${mm(min)} of leather between two holes does not hold.`
          : say`${row.along.length} pairs of eyelets are ${mm(row.spacing, 1)} apart: past ${mm(max)} the facing gapes between them.`,
      measured: row.spacing,
      limit: row.spacing > max ? max : min,
      unit: 'mm',
      ...(apart
        ? { mend: '' }
        : {
            mend:
              decisions.lacing.pairs === null
                ? 'Make the facing longer or shorter.'
                : 'Take as many as the house’s spacing gives.',
            remedy:
              decisions.lacing.pairs === null
                ? { kind: 'open' as const, control: { room: 'upper' as const, point: 'facingTop' } }
                : {
                    kind: 'choice' as const,
                    name: 'As many eyelets as the house’s spacing gives',
                    decisions: { upper: { lacing: { pairs: null } } },
                  },
          }),
      at,
    },
  ]
}
