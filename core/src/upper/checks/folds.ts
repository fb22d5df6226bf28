import type { Remedy } from '../../trade/remedy.ts'
import type { Rule } from '../../trade/rules.ts'
import { SAME } from '../../geometry/tolerance.ts'
import { bare, mm, say } from '../../units/sentence.ts'
import { edgeRules } from '../edgeRules.ts'
import type { CheckNeeds, UpperFinding } from './needs.ts'

export const foldRules = {
  gives: {
    key: 'upper.foldsGive',
    name: 'Folded vamp that is too low is drawn down by',
    value: 4,
    min: 0,
    max: 12,
    unit: 'mm',
    why: 'So much soft leather gives on either side when it is pulled over the lining; the rest is missing from the lasting margin.',
  },
} satisfies Record<string, Rule>

/**
 * Slashes that turn about the feather make a middle that bulges out; straightened for the fold, it cuts the bulge off, and the half
 * is lower there than the lining beneath it. What the leather does not give comes up from the lasting margin.
 */
export function foldFindings({ drawn, book, bottom }: CheckNeeds): UpperFinding[] {
  const lost = drawn.opened?.gathers?.lost
  if (!lost || bottom !== 'lasting margin') return []
  const allowance = book.value(edgeRules.lasting)
  const least = book.value(edgeRules.leastMargin)
  const left = allowance - Math.max(0, lost.by - book.value(foldRules.gives))
  const fine = left >= least - SAME
  const wider = Math.ceil(allowance + least - left)
  const remedy: Remedy | undefined =
    fine || wider > edgeRules.lasting.max ? undefined : { kind: 'rule', key: edgeRules.lasting.key, value: wider }
  return [
    {
      id: 'upper.folds',
      level: fine ? 'fine' : left >= least - 3 ? 'watch' : 'stop',
      where: 'designed folds',
      sentence: say`Straightened over the folds, the middle comes nearer to the feather by up to ${mm(lost.by, 1)}: drawn down over its lining the upper has ${mm(left, 1)} of margin left; pliers need ${bare(least)}.`,
      measured: left,
      limit: least,
      unit: 'mm',
      mend: fine
        ? ''
        : say`Cut the lasting margin ${mm(wider, 0)} wide, open less, or lay the folds over a longer stretch.`,
      at: { side: 'lateral', point: lost.at },
      remedy,
    },
  ]
}
