import type { Check, CheckReading, LessonFields, OwnFaultFields, Plan, StepEvent, ToolChange } from '@gentle-awl/core'
import { likeThis, stepState } from '@gentle-awl/core'
import { demoId } from './demoId.ts'
import type { DemoPair } from './workshop.ts'

/** Nobody measures just what was planned: off by so many mm, by turns. */
const OFF = [0.2, -0.3, 0.1, 0.4, -0.2, 0, -0.4, 0.3]
/** What does not come out as planned in the demo: the puff of one left shoe was set too far back. */
const AMISS: Readonly<Record<string, number>> = { '1044 puffBack left': 3.5 }

/** What was measured on a demo pair: every check whose step is done, all but a few as planned. */
export function demoReadings({ label }: DemoPair, plan: Plan, log: readonly StepEvent[]): CheckReading[] {
  const known = new Map(plan.steps.map((s) => [s.id, s]))
  const at = log.at(-1)?.at ?? new Date(0).toISOString()
  const taken = (check: Check, foot: 'right' | 'left') => {
    const step = known.get(check.at[foot] ?? '')
    return step !== undefined && stepState(log, step) === 'finished'
  }
  return plan.checks.flatMap((check, i) =>
    (['right', 'left'] as const).flatMap((foot, j): CheckReading[] => {
      if (!taken(check, foot)) return []
      const { figure } = check
      const amiss = AMISS[`${label.order} ${check.id} ${foot}`]
      const off = amiss ?? (figure?.unit === 'count' ? 0 : OFF[(i + 3 * j) % OFF.length]!)
      const bound = figure?.bound[foot]
      // Within its tolerance, however narrow that is; room stands out as planned.
      const most = bound?.kind === 'near' ? 0.6 * bound.tolerance : 0.5
      const by = amiss ?? Math.max(-most, Math.min(most, off))
      const value = figure ? Math.max(0, Math.round(10 * (figure.planned[foot] + by)) / 10) : null
      return [{ check: check.id, foot, value, fine: figure ? null : true, note: '', revision: 1, at }]
    }),
  )
}

/** Lessons of the demo workshop, on its own pairs. */
export const demoLessons = (pairs: readonly DemoPair[]): (LessonFields & { id: string })[] => {
  const pair = (order: string) => {
    const found = pairs.find((p) => p.label.order === order)
    if (!found) throw new Error(`The demo has no order ${order}.`)
    return { pairId: found.id, revision: 1, about: likeThis(found.decisions) }
  }
  return [
    {
      id: demoId(12, 1),
      kind: 'differently',
      text: 'Set the puff two tacks nearer to the toe before the paste draws in: it slides back when the vamp comes down over it.',
      step: 'set-puff',
      ...pair('1044'),
    },
    {
      id: demoId(12, 2),
      kind: 'sample',
      text: 'Sample of the facing with the tape under it: eight tugs on the lace and no hole grew longer. Without the tape they did at the third.',
      step: 'tape-facings',
      ...pair('1039'),
    },
    {
      id: demoId(12, 3),
      kind: 'well',
      text: 'Drafted in the evening and pulled the next morning: hardly a fold at the seat.',
      step: '',
      ...pair('1039'),
    },
    {
      id: demoId(12, 4),
      kind: 'differently',
      text: 'Before the weekend nothing is cemented that cannot be pressed the same day.',
      step: '',
      pairId: null,
      revision: null,
      about: { style: null, construction: null, lastId: null, materials: [] },
    },
  ]
}

export const demoOwnFaults: (OwnFaultFields & { id: string })[] = [
  {
    id: demoId(13, 1),
    of: '',
    name: 'White bloom on the toe',
    sign: 'A grey veil a few days after the shoe was boxed; it wipes off and comes again.',
    causes: [
      {
        cause: 'Boxed before it was dry through',
        now: 'Out of the box, paper out of the toe, two days in moving air, then a little cream.',
        prevent: 'A day more on the shelf by the stove before the box is closed.',
      },
      {
        cause: 'Too much wax in the last polish',
        now: 'Warm it with the hand and rub it in.',
        prevent: 'Thin coats, and a brush between.',
      },
    ],
  },
]

/** Blades changed now and then, so many days ago. */
export const demoToolChanges = (now: number): (ToolChange & { id: string })[] =>
  (
    [
      ['knife', 40, ''],
      ['knife', 7.5, 'The box of narrow ones'],
      ['knife', 2, ''],
      ['skiver', 12, 'Ground anew'],
      ['needle', 20, ''],
    ] as const
  ).map(([tool, days, note], i) => ({
    id: demoId(14, i + 1),
    tool,
    note,
    at: new Date(now - days * 86_400_000).toISOString(),
  }))
