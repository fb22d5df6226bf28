import type { StepEvent } from '../model/pair.ts'
import type { Foot } from '../trade/foot.ts'
import { stepState } from './standing.ts'

/** A step as whoever sends a shoe back has to know it. */
interface Ordered {
  id: string
  formerly: readonly string[]
  foot: Foot | null
  /** Ids of the steps that come first. */
  after: readonly string[]
}

/**
 * What is done again when a pair goes back to a step, in working order: it, and of all that came after it by the order's
 * reasons whatever is done or begun; of one foot, only what is that foot's or both's. Work that stands beside it stays done.
 */
export function doneAgain<S extends Ordered>(
  steps: readonly S[],
  log: readonly StepEvent[],
  to: string,
  foot: Foot | null,
): S[] {
  const reached = new Set([to])
  // The steps come in working order: whatever one waits for has been looked at before it.
  for (const step of steps) {
    if (foot !== null && step.foot !== null && step.foot !== foot) continue
    if (step.after.some((id) => reached.has(id))) reached.add(step.id)
  }
  return steps.filter((s) => reached.has(s.id) && (s.id === to || stepState(log, s) !== 'open'))
}
