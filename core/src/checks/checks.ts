import type { Foot } from '../trade/foot.ts'
import type { RuleBook } from '../trade/rules.ts'
import { say } from '../units/sentence.ts'
import type { Step } from '../work/step.ts'
import type { Check } from './check.ts'
import { looks } from './looks.ts'
import { measuredChecks, type Draft, type ShoeFigures } from './measured.ts'

export interface CheckNeeds {
  steps: readonly Step[]
  right: ShoeFigures
  left: ShoeFigures
  /** Whether the left shoe is the right one's mirror: then one base pattern serves both. */
  mirrored: boolean
}

/** The id of a step for a foot, where the pair has one. */
export const stepFor = (steps: readonly Pick<Step, 'id' | 'key' | 'foot'>[], keys: readonly string[], foot: Foot) => {
  for (const key of keys) {
    const found = steps.find((s) => s.key === key && (s.foot === null || s.foot === foot))
    if (found) return found
  }
  return null
}

/** Everything that is checked on this pair, in the order in which its steps come. */
export function checksOf(needs: CheckNeeds, book: RuleBook): Check[] {
  const { steps, right, left, mirrored } = needs
  const place = new Map(steps.map((s, i) => [s.id, i]))
  const ways = (back: Draft['back']): Check['back'] =>
    Object.fromEntries(
      Object.entries(back).flatMap(([miss, { to, why, mend }]) => {
        const step = stepFor(steps, to, 'right')
        return step ? [[miss, { step: step.key, why, mend }]] : []
      }),
    )
  const measured = measuredChecks(book).flatMap((draft): Check[] => {
    const planned = { right: draft.of(right), left: draft.of(left) }
    const step = (foot: Foot) => {
      if (planned[foot] === null || (foot === 'left' && draft.once && mirrored)) return null
      return stepFor(steps, draft.at, foot)?.id ?? null
    }
    const at = { right: step('right'), left: step('left') }
    if (at.right === null && at.left === null) return []
    return [
      {
        id: draft.id,
        name: draft.name,
        how: draft.how,
        at,
        figure: {
          unit: draft.unit ?? 'mm',
          planned: { right: planned.right ?? 0, left: planned.left ?? 0 },
          bound: { right: draft.bound(right), left: draft.bound(left) },
          between: draft.between ? book.value(draft.between) : null,
          rule: draft.rule?.key ?? null,
        },
        back: ways(draft.back),
      },
    ]
  })
  const gap = measured.find((c) => c.id === 'backGap')
  if (gap && right.backGap && right.backGap.mend !== '' && gap.back.over) {
    gap.back = {
      over: {
        ...gap.back.over,
        mend: say`${right.backGap.mend} Print the parts anew: stiffener and linings follow it.`,
      },
    }
  }
  const looked = looks.flatMap((look): Check[] => {
    if (look.of && right.open[look.of]) return []
    if (look.without && !right.open[look.without]) return []
    const at = {
      right: stepFor(steps, look.at, 'right')?.id ?? null,
      left: stepFor(steps, look.at, 'left')?.id ?? null,
    }
    if (at.right === null && at.left === null) return []
    return [{ id: look.id, name: look.name, how: look.how, at, figure: null, back: ways({ 'not so': look.back }) }]
  })
  const first = (c: Check) =>
    Math.min(...[c.at.right, c.at.left].flatMap((id) => (id === null ? [] : [place.get(id)!])))
  return [...measured, ...looked]
    .map((c) => ({ c, at: first(c) }))
    .sort((a, b) => a.at - b.at)
    .map(({ c }) => c)
}
