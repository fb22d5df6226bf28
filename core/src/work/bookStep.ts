import type { Rule } from '../trade/rules.ts'
import type { CautionId } from './cautions.ts'
import { cutLength, partsOf, skiveLength, type Facts } from './facts.ts'
import type { Wait, WorkGroup } from './step.ts'
import { mm, say, type Sentence, cm } from '../units/sentence.ts'

/** Active time with its reason. */
export interface Effort {
  minutes: number
  sentence: Sentence
}

/** A step as it stands in the book: `when` decides whether this pair has it, `after` names what comes first and why. */
export interface BookStep {
  id: string
  name: string | ((facts: Facts) => string)
  group: WorkGroup
  when?: (facts: Facts) => boolean
  effort: (facts: Facts) => Effort
  wait?: (facts: Facts) => Wait | null
  after: [id: string, why: Sentence][]
  cautions?: CautionId[] | ((facts: Facts) => CautionId[])
  /** Kinds of parts that it is about; see `partsOf`. */
  parts?: readonly string[]
}

export const workRules = {
  cutSpeed: {
    key: 'work.cutSpeed',
    name: 'Cutting by knife, mm a minute',
    value: 160,
    min: 40,
    max: 600,
    unit: 'count',
    why: 'Laying on, holding down and following the line; learned from the log later.',
  },
  skiveSpeed: {
    key: 'work.skiveSpeed',
    name: 'Skiving by hand, mm a minute',
    value: 90,
    min: 20,
    max: 400,
    unit: 'count',
    why: 'Several strokes each way, and the knife stropped between.',
  },
  tackMinutes: {
    key: 'work.tackMinutes',
    name: 'A tack pulled and driven, minutes',
    value: 0.6,
    min: 0.1,
    max: 3,
    unit: 'count',
    why: 'Pliers set, the leather drawn and turned, the tack held and struck; learned from the log later.',
  },
  stitchesPerMinute: {
    key: 'work.stitchesPerMinute',
    name: 'Hand stitches a minute',
    value: 2.2,
    min: 0.5,
    max: 6,
    unit: 'count',
    why: 'Two needles or bristles, awl, wax and pull.',
  },
} satisfies Record<string, Rule>

export const fixed =
  (minutes: number, sentence: Sentence): BookStep['effort'] =>
  () => ({ minutes, sentence })

/** Said where the two feet are not cut by one pattern. */
const eachByItsOwn = (facts: Facts, kinds: readonly string[]) =>
  partsOf(facts, kinds).some((p) => facts.ownOutline.has(p.id))
    ? ' Left and right differ: cut each by its own outline and mark it L or R.'
    : ''

/** Time to cut some kinds of parts for both feet: laying out and following their true outlines. */
export const cutting =
  (kinds: string | readonly string[], layOut = 3): BookStep['effort'] =>
  (facts) => {
    const length = cutLength(facts, [kinds].flat())
    const speed = facts.book.value(workRules.cutSpeed)
    return {
      minutes: layOut + length / speed,
      sentence: say`${cm(length)} of edge for both feet at ${mm(speed)} a minute, and ${layOut} minutes to lay out.${eachByItsOwn(facts, [kinds].flat())}`,
    }
  }

export const skiving =
  (kinds: string | readonly string[]): BookStep['effort'] =>
  (facts) =>
    skivedBy(facts, skiveLength(facts, [kinds].flat()))

/** Time to skive edges of so much length for both feet, mm. */
export function skivedBy(facts: Facts, length: number): Effort {
  const speed = facts.book.value(workRules.skiveSpeed)
  return {
    minutes: 2 + length / speed,
    sentence: say`${cm(length)} of skive for both feet at ${mm(speed)} a minute, and the knife to strop.`,
  }
}

/** Time to sew a line of a given length (mm, both feet) with so many stitches. */
export function sewing(facts: Facts, length: number, stitches: number): Effort {
  const speed = facts.book.value(workRules.stitchesPerMinute)
  return {
    minutes: 10 + stitches / speed,
    sentence: say`${stitches} stitches (${cm(length)} at ${mm(length / stitches, 1)}) at ${speed} a minute, and 10 minutes to make and wax the threads.`,
  }
}
