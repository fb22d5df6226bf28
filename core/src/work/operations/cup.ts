import { traitsOf } from '../../model/construction.ts'
import { fixed } from '../effort.ts'
import type { Facts } from '../facts.ts'
import { cementOf } from '../glues.ts'
import { bring, eachFoot, operation, want, type Operation } from '../operation.ts'
import { waitRules } from '../waits.ts'

const way = (f: Facts) => traitsOf(f.construction)

/** A bought cup: prepared, cemented, the shoe pressed into it. */
export function cup(f: Facts): Operation[] {
  if (!way(f).inCup) return []
  const glue = cementOf(f)
  const early = f.work.ways.lastOut === 'before the sole'
  return [
    operation({
      id: 'prepare-cup',
      name: 'Roughen and prime the inside of the cups',
      group: 'bottom',
      effort: fixed(
        20,
        'Try the shoe in first and mark the wall’s edge on the upper; prime as the maker of the cup says.',
      ),
      wait: { min: f.book.value(waitRules.contactMin), max: null, why: 'The primer has to dry.' },
      makes: bring(['cup'], 'cut', ''),
      needs: want(['shoe'], 'margin trimmed', 'the lasted shoe is tried in its cup'),
      cautions: ['dust', 'cement'],
      tools: ['sander', 'brush'],
      look: ['It goes in without force and without a gap.'],
    }),
    ...eachFoot(() => ({
      id: 'cement-cup',
      name: 'Cement shoe and cup',
      group: 'bottom' as const,
      effort: fixed(8, 'Bottom and wall up to the mark, and the inside of the cup.'),
      wait: glue.open,
      makes: bring(['shoe'], 'cup cemented', 'the bottom must be level', {
        roughed: 'glue does not take on smooth leather',
      }),
      needs: want(['cup'], 'cut', 'glue does not take on a smooth, unprimed wall'),
      cautions: glue.cautions,
      tools: ['brush'] as const,
      look: ['Up to the mark and no higher.'],
    })),
    ...eachFoot(() => ({
      id: 'press-cup',
      name: 'Set the shoe into its cup and press',
      group: 'bottom' as const,
      effort: fixed(8, 'Toe first, then heel, then the sides; wall and bottom under pressure.'),
      wait: glue.sets,
      makes: bring(['shoe'], 'cupped', 'it has to be done while the glue is open'),
      cautions: glue.cautions.includes('heat') ? (['heat'] as const) : [],
      tools: early ? (['hammer'] as const) : (['press'] as const),
      look: ['No gap along the wall, toe and heel at one height on both.'],
    })),
  ]
}
