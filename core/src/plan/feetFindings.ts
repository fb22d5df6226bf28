import type { Because, Finding } from '../trade/because.ts'
import { handFigures } from '../model/handFigures.ts'
import type { Remedy } from '../trade/remedy.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import type { FootPlan } from './plan.ts'
import { mm, say, type Sentence } from '../units/sentence.ts'

export const feetRules = {
  puff: {
    key: 'feet.puff',
    name: 'Toe puffs, left against right',
    value: 1,
    min: 0.5,
    max: 5,
    unit: 'mm',
    why: 'Two toes that are held differently crease differently, and it shows.',
  },
  back: {
    key: 'feet.back',
    name: 'Height at the back, left against right',
    value: 1.5,
    min: 0.5,
    max: 8,
    unit: 'mm',
    why: 'Side by side on a table the eye finds a top line that is higher by more.',
  },
  heel: {
    key: 'feet.heel',
    name: 'Heel height, left against right',
    value: 1.5,
    min: 0.5,
    max: 20,
    unit: 'mm',
    why: 'A heel that stands higher tilts the wearer; a raise that is meant is given a wider figure for this pair.',
  },
} satisfies Record<string, Rule>

const figure = (plan: FootPlan, part: string, id: string): Because | undefined =>
  plan.parts.find((p) => p.id === part)?.becauses.find((b) => b.id === id)

/** One figure by hand for both shoes: the right one's, to half a millimetre. */
function setForBoth(decision: 'puff.length' | 'stiffener.backHeight', value: number): Remedy {
  const half = Math.round(2 * value) / 2
  const right = decision === 'puff.length' ? { puff: { length: half } } : { stiffener: { backHeight: half } }
  return {
    kind: 'choice',
    name: say`${handFigures[decision].name} ${mm(half)} on both`,
    decisions: { ...right, left: { figures: { [decision]: half } } },
  }
}

/**
 * Feet differ and their shoes may, but the pair is worn as one: what is compared side by side at the bench is compared
 * as planned (docs/trade.md, "Both feet"). Nothing here is a stop: it can be meant.
 */
export function findingsOfBoth(right: FootPlan, left: FootPlan, book: RuleBook): Finding[] {
  const puff = figure(right, 'puff', 'length')
  const backHeight = figure(right, 'stiffener', 'backHeight')
  const compared: {
    id: keyof typeof feetRules
    what: string
    more: string
    less: string
    right?: number
    left?: number
    mend: Sentence
    remedy?: Remedy
  }[] = [
    {
      id: 'puff',
      what: 'toe puff',
      more: 'longer',
      less: 'shorter',
      right: puff?.value,
      left: figure(left, 'puff', 'length')?.value,
      mend: 'Set one length by hand for both feet.',
      remedy: puff && setForBoth('puff.length', puff.value),
    },
    {
      id: 'back',
      what: 'stiffener at the back',
      more: 'higher',
      less: 'lower',
      right: backHeight?.value,
      left: figure(left, 'stiffener', 'backHeight')?.value,
      mend: 'Set one height by hand for both feet.',
      remedy: backHeight && setForBoth('stiffener.backHeight', backHeight.value),
    },
    {
      id: 'heel',
      what: 'heel',
      more: 'higher',
      less: 'lower',
      right: right.bottom.heel?.needed.back,
      left: left.bottom.heel?.needed.back,
      mend: 'Take lasts of one heel height. A raise that is meant is for trained help to order; then widen the figure for this pair.',
      remedy: { kind: 'open', control: { room: 'decisions', at: 'last' } },
    },
  ]
  return compared.flatMap(({ id, what, more, less, right: r, left: l, mend, remedy }) => {
    if (r === undefined || l === undefined) return []
    const limit = book.value(feetRules[id])
    const off = Math.abs(l - r)
    const fine = off <= limit
    return [
      {
        id: `feet.${id}`,
        level: fine ? ('fine' as const) : ('watch' as const),
        where: 'left against right',
        sentence: fine
          ? say`The ${what}: right ${mm(r, 1)}, left ${mm(l, 1)}.`
          : say`The ${what} is ${mm(off, 1)} ${l > r ? more : less} on the left: right ${mm(r, 1)}, left ${mm(l, 1)}.`,
        measured: off,
        limit,
        unit: 'mm' as const,
        mend: fine ? '' : mend,
        remedy: fine ? undefined : remedy,
      },
    ]
  })
}
