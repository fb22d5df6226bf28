import { pathLength } from '../../geometry/path.ts'
import { traitsOf } from '../../model/construction.ts'
import { feet } from '../../trade/foot.ts'
import { along, fixed, workRules } from '../effort.ts'
import { partsOf, sumOfParts, type Facts } from '../facts.ts'
import { cementOf } from '../glues.ts'
import { bring, eachFoot, operation, want, type Operation } from '../operation.ts'
import { atLeast, waitRules } from '../waits.ts'
import { glueFor, glueMinutes, pressedWith } from './soleGlue.ts'

/** None where no unit is chosen yet. */
const chosen = (f: Facts) => partsOf(f, ['unit']).map((p) => p.id)
const onUnit = (f: Facts) => traitsOf(f.construction).bought === 'unit'

/** A bought unit: prepared, cemented, pressed on. */
export function unit(f: Facts): Operation[] {
  if (!onUnit(f)) return []
  const glue = cementOf(f)
  const parts = chosen(f)
  const warm = glue.cautions.includes('heat') ? (['heat'] as const) : []
  return [
    operation({
      id: 'prepare-unit',
      name: 'Roughen and prime the upper face of the units',
      group: 'bottom',
      effort: fixed(
        18,
        'Lay the lasted shoe on and mark its edge; roughen up to the mark. Rubber is primed as its maker says, crepe only wiped clean: solvents dissolve it.',
      ),
      wait: { ...atLeast(f.book, waitRules.contactMin), max: null, why: 'The primer has to dry.' },
      makes: bring(['unit'], 'cut', ''),
      needs: want(['shoe'], 'margin trimmed', 'the lasted shoe is laid on its unit and drawn round'),
      cautions: ['dust', 'cement'],
      tools: ['sander', 'brush'],
      look: ['As much stands out all round as the edge is to be, or more.'],
    }),
    ...eachFoot((foot) => ({
      id: 'cement-unit',
      name: 'Cement shoe and unit',
      group: 'bottom' as const,
      effort: glueMinutes(f, foot, 'unit'),
      wait: glue.open,
      makes: bring(['shoe'], 'sole cemented', 'the bottom must be level', {
        roughed: 'glue does not take on smooth leather',
      }),
      needs: want(['unit'], 'cut', 'glue does not take on a smooth face'),
      cautions: glue.cautions,
      tools: ['brush'] as const,
      stuff: [glueFor(f, foot, 'unit')],
      look: ['Up to the mark and no further: what is past it is seen.'],
      parts,
    })),
    ...eachFoot(() => ({
      id: 'press-unit',
      name: 'Lay the shoe on its unit and press',
      group: 'bottom' as const,
      effort: fixed(8, 'Toe and heel by the marks, then from the waist outwards; hammered along the edge.'),
      wait: glue.sets,
      makes: bring(['shoe'], 'soled', 'it has to be done while the glue is open'),
      cautions: ['hammer', ...warm] as const,
      tools: pressedWith(f),
      look: ['No light between shoe and unit anywhere; both stand alike.'],
      parts,
    })),
  ]
}

/** Its edge, trimmed to the shoe. */
export function unitEdge(f: Facts): Operation[] {
  if (!onUnit(f)) return []
  const parts = chosen(f)
  const rim = sumOfParts(f, feet, ['unit'], (p) => pathLength(p.outline, true))
  return [
    operation({
      id: 'trim-unit',
      name: 'Trim and grind the edges of the units',
      group: 'finish',
      effort: along(
        rim,
        f.book.value(workRules.edgeSpeed) / 2,
        10,
        'With a wet knife to a little outside the line, then ground, little at a time: crepe smears when it warms.',
      ),
      makes: bring(['shoe'], 'edge trimmed', 'it is trimmed to the shoe that stands on it'),
      cautions: ['dust', 'knife'],
      tools: ['knife', 'sander'],
      look: ['One width all round, upright; left and right alike from below.'],
      parts,
    }),
  ]
}
