import { traitsOf } from '../../model/construction.ts'
import { fixed, sewing } from '../effort.ts'
import type { Facts } from '../facts.ts'
import { cementOf } from '../glues.ts'
import { CUP_SEAM, cupSeamRules } from '../../seams/cupSeam.ts'
import { mm, say } from '../../units/sentence.ts'
import { bring, eachFoot, operation, want, type Operation } from '../operation.ts'
import { atLeast, waitRules } from '../waits.ts'
import { threadOf } from './soleGlue.ts'

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
      wait: { ...atLeast(f.book, waitRules.contactMin), max: null, why: 'The primer has to dry.' },
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

/** Glue alone is weak: a cup is sewn to the upper through its wall, by hand from inside. */
export function cupWall(f: Facts): Operation[] {
  if (!traitsOf(f.construction).inCup || f.work.ways.cup !== 'glued and sewn') return []
  return eachFoot((foot) => {
    const seam = f.shoes[foot].seams.find((s) => s.id === CUP_SEAM)
    const [stitches, length] = [seam?.stitches ?? 0, seam?.length ?? 0]
    const needle = (seam?.thickness ?? 0) + f.book.value(cupSeamRules.needle)
    return {
      id: 'sew-cup',
      name: 'Sew the cup to the upper through its wall',
      group: 'finish',
      effort: sewing(f, { stitches, length }),
      makes: bring(['shoe'], 'wall sewn', 'the needle has to come out inside: the last must be out', {
        cupped: 'it is glued first, then stitched',
      }),
      cautions: ['awl'],
      tools: ['needles', 'awl'],
      look: [
        say`Needles of ${mm(needle, 0)} or longer: ${mm(seam?.thickness ?? 0, 1)} of wall and upper, and enough to take hold of inside.`,
        'All round in the groove of the wall, no stitch is felt inside.',
        `${stitches} stitches on either shoe.`,
      ],
      stuff: threadOf(f, foot, CUP_SEAM),
      parts: ['insole'],
      seams: [CUP_SEAM],
    }
  })
}
