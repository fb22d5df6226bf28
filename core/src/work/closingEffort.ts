import type { Rule } from '../trade/rules.ts'
import { cm, mm, say } from '../units/sentence.ts'
import { workRules, type BookStep, type Effort } from './bookStep.ts'
import type { ClosingStep } from './closingWork.ts'

export const closingRules = {
  setUp: {
    key: 'work.seamSetUp',
    name: 'To lay and begin a seam of the upper, minutes',
    value: 4,
    min: 0,
    max: 20,
    unit: 'count',
    why: 'Laid mark to mark and held, the first stitches tried, both ends made fast.',
  },
  byMachine: {
    key: 'work.machineStitches',
    name: 'Stitches a minute by machine',
    value: 90,
    min: 20,
    max: 1000,
    unit: 'count',
    why: 'Slowly, and by the wheel round corners; learned from the log later.',
  },
  byHand: {
    key: 'work.closingStitches',
    name: 'Stitches a minute in the upper by hand',
    value: 5,
    min: 0.5,
    max: 20,
    unit: 'count',
    why: 'Thin leather, and the holes are punched already: faster than through a sole.',
  },
} satisfies Record<string, Rule>

/** Time to sew what belongs to a step: its seams laid and begun, their stitches, and `more` minutes for what is said. */
export const closingEffort =
  (step: ClosingStep, more: number, what: string): BookStep['effort'] =>
  (facts): Effort => {
    const { seams, machine, hand, length } = facts.closing[step] ?? { seams: 0, machine: 0, hand: 0, length: 0 }
    const [setUp, byMachine, byHand] = [closingRules.setUp, closingRules.byMachine, closingRules.byHand].map((r) =>
      facts.book.value(r),
    ) as [number, number, number]
    const sewn = [
      ...(machine > 0 ? [`${machine} stitches by machine at ${byMachine} a minute`] : []),
      ...(hand > 0 ? [`${hand} stitches by hand at ${byHand} a minute`] : []),
    ].join(', ')
    const trimmed = step === 'join-lining' ? length / facts.book.value(workRules.cutSpeed) : 0
    return {
      minutes: more + seams * setUp + machine / byMachine + hand / byHand + trimmed,
      sentence: say`${what} ${seams} ${seams === 1 ? 'seam' : 'seams'} on both shoes at ${setUp} minutes to lay and begin, ${cm(length)} of rows${sewn === '' ? '' : `: ${sewn}`}${trimmed > 0 ? say`; the lining trimmed along them at ${mm(facts.book.value(workRules.cutSpeed))} a minute` : ''}; and ${more} minutes to get ready.`,
    }
  }
