import type { Material } from '../../model/material.ts'
import type { Finding } from '../../trade/because.ts'
import type { RuleBook } from '../../trade/rules.ts'
import { mm, say } from '../../units/sentence.ts'
import type { EyeletRow } from '../../upper/eyelets.ts'
import { reinforcementRules } from './reinforcements.ts'

/** What stands behind lace holes that have no eyelets, where the pair has no stay of its own. */
export const lacingBacking = (book: RuleBook): Pick<Material, 'name' | 'kind' | 'thickness' | 'face'> => ({
  name: 'thin leather',
  kind: 'lining leather',
  thickness: book.value(reinforcementRules.backing),
  face: null,
})

/** The tape has to reach past the eyelets that pull at it. */
export function tapeFindings(row: EyeletRow | null, book: RuleBook): Finding[] {
  if (!row) return []
  const width = book.value(reinforcementRules.facing)
  const past = width - row.fromEdge - row.diameter / 2
  const limit = book.value(reinforcementRules.past)
  const held = past >= limit
  const wanted = Math.ceil(row.fromEdge + row.diameter / 2 + limit)
  return [
    {
      id: 'lacing.tape',
      level: held ? 'fine' : 'watch',
      where: 'eyelets',
      sentence: held
        ? say`The tape under the lacing reaches ${mm(past, 1)} past the eyelets.`
        : past >= 0
          ? say`The tape under the lacing reaches only ${mm(past, 1)} past the eyelets; ${mm(limit)} are wanted.`
          : say`The tape under the lacing ends ${mm(-past, 1)} before the far rim of the eyelets.`,
      measured: past,
      limit,
      unit: 'mm',
      ...(held
        ? { mend: '' }
        : wanted <= reinforcementRules.facing.max
          ? {
              mend: say`Cut it ${mm(wanted)} wide.`,
              remedy: { kind: 'rule' as const, key: reinforcementRules.facing.key, value: wanted },
            }
          : {
              mend: 'Set the eyelets nearer to the edge.',
              remedy: { kind: 'open' as const, control: { room: 'upper' as const, point: 'facingTop' } },
            }),
    },
  ]
}
