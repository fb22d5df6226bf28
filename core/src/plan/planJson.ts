import { spoken, type LengthSlot, type Sentence } from '../units/sentence.ts'
import type { Plan } from './plan.ts'

const isSlot = (value: unknown): value is LengthSlot =>
  typeof value === 'object' && value !== null && 'mm' in value && 'digits' in value

/** Words that meet in a sentence are one string: if it has a length, one of its first two parts is one. */
const isSentence = (value: unknown): value is Sentence =>
  Array.isArray(value) && (isSlot(value[0]) || (typeof value[0] === 'string' && isSlot(value[1])))

/**
 * A plan as others read it: JSON, with every sentence as text in millimetres; indented by so many spaces. Its steps are
 * called `operations` there, as in every version before.
 */
export const planJson = ({ steps, ...plan }: Plan, indent = 0): string =>
  JSON.stringify(
    { ...plan, operations: steps },
    (_, value: unknown) => (isSentence(value) ? spoken(value) : value),
    indent,
  )
