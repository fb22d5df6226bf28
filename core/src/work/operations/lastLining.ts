import { traitsOf } from '../../model/construction.ts'
import { liningRules } from '../../parts/linings/liningRules.ts'
import type { Foot } from '../../trade/foot.ts'
import { mm, say, type Sentence } from '../../units/sentence.ts'
import { byHand, fixed, shellEffort, tacked, workRules } from '../effort.ts'
import { has, partsOf, type Facts } from '../facts.ts'
import { cementHard, cementOf, foldGlueOf, pasteOf } from '../glues.ts'
import { bring, eachFoot, want, type Needs, type Operation } from '../operation.ts'
import { allTacks, shellTacks, tacksFor, tacksHurt } from './lastingTacks.ts'
import { linings } from './seamsByUse.ts'

const trimSaid: Record<Facts['trim'], (f: Facts) => Sentence> = {
  short: ({ book }) =>
    say`To ${mm(book.value(liningRules.trimShort))} inside the feather line: little to fill, little to hold.`,
  long: ({ book }) =>
    say`To ${mm(book.value(liningRules.trimLong))} inside the feather line: it holds longer, and is skived where it piles up.`,
  feather: () => 'To the feather line itself: nothing lies under the insole, glue alone holds it.',
}

/**
 * The lining cemented, lasted and trimmed: all of it before the upper, or over the toe once the back is drawn down. `needs`
 * is what it waits for.
 */
export function lastLining(f: Facts, needs: Needs[]): Operation[] {
  if (allTacks(f.shoes.right.tacks.lining) === 0 && !has(f, ...linings)) return []
  const glue = cementOf(f)
  const first = f.work.ways.lasting === 'lining first'
  const count = (foot: Foot) => (first ? allTacks(f.shoes[foot].tacks.lining) : f.shoes[foot].tacks.lining.front)
  // At the back of an upper that is turned outwards the lining has been tacked by itself; of others the upper's tacks hold it.
  const toDraw = (foot: Foot) =>
    traitsOf(f.construction).outwards ? allTacks(f.shoes[foot].tacks.lining) : count(foot)
  return [
    ...eachFoot(() => ({
      id: 'cement-lining',
      name: 'Cement margin of the lining and insole',
      group: 'last' as const,
      effort: fixed(4, `${glue.name}, on both, no further in than the lining will lie.`),
      wait: glue.open,
      makes: bring(['shoe'], 'lining cemented', 'the back holds the lining while the toe is pulled'),
      needs,
      cautions: glue.cautions,
      tools: ['brush'] as const,
      look: ['No glue on the face of the lining.'],
    })),
    ...eachFoot((foot) => ({
      id: first ? 'last-lining' : 'last-lining-toe',
      name: f.shoes.right.open.toes
        ? 'Last the linings of the straps'
        : first
          ? 'Last the lining all round'
          : 'Last the lining over the toe',
      group: 'last' as const,
      effort: tacked(
        byHand(f),
        count(foot),
        first ? 10 : 4,
        first
          ? 'The outside turned up out of the way; slack enough not to drum, without folds.'
          : 'Slack enough not to drum, without folds.',
      ),
      wait: cementHard(f),
      makes: bring(['shoe'], 'lining lasted', 'it has to be done while the glue is open'),
      cautions: ['tacks', ...glue.cautions] as const,
      tools: ['narrowPliers', 'hammer'] as const,
      stuff: tacksFor(count(foot)),
      look: [
        f.shoes.right.open.toes
          ? 'No fold under a strap, flat under the insole.'
          : 'Slack under the thumb over the toe, flat under the insole.',
      ],
    })),
    ...eachFoot((foot) => ({
      id: 'trim-lining',
      name: 'Draw the lining’s tacks and trim it',
      group: 'last' as const,
      effort: {
        minutes: 5 + toDraw(foot) / f.book.value(workRules.drawTack),
        sentence: say`${toDraw(foot)} tacks at ${f.book.value(workRules.drawTack)} a minute, and 5 minutes with the knife. ${trimSaid[f.trim](f)}`,
      },
      makes: bring(['shoe'], 'lining trimmed', 'it is trimmed when the glue is hard: before, it slides'),
      cautions: ['knife', 'tacks'] as const,
      tools: ['puller', 'knife'] as const,
      look: [`${toDraw(foot)} tacks counted back.`, 'No step is felt at the cut.'],
    })),
  ]
}

const OVER = 'Over the lasted lining, from the stiffener to where the puff begins.'

/** Side linings pasted over the lasted lining, where that comes first. */
export function sideLiningsOver(f: Facts): Operation[] {
  const ids = partsOf(f, ['sideLining']).map((p) => p.id)
  if (ids.length === 0) return []
  const paste = pasteOf(f)
  return eachFoot((foot) => ({
    id: 'set-side-linings',
    name: 'Paste the side linings on',
    group: 'last',
    effort: shellEffort(f, shellTacks(f, foot, 'sideLining'), 8, OVER),
    wait: paste.dries,
    makes: bring(ids, 'pasted', 'their laps are thinned first'),
    needs: want(['shoe'], 'lining trimmed', 'they lie on the lasted lining'),
    cautions: [...foldGlueOf(f).cautions, ...tacksHurt(shellTacks(f, foot, 'sideLining'))],
    tools: ['brush', ...(shellTacks(f, foot, 'sideLining') > 0 ? (['narrowPliers', 'hammer'] as const) : [])],
    stuff: tacksFor(shellTacks(f, foot, 'sideLining')),
    look: ['No edge is felt towards stiffener and puff.'],
    parts: ids,
  }))
}
