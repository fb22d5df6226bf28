import { handDecisions } from '../model/handFigures.ts'
import { setByHand } from '../model/byHand.ts'
import type { PairDecisions, PlanInput } from '../model/pair.ts'
import { PlanError } from './planError.ts'

/** The decisions as they hold for the left shoe: the right one's, but for what was decided for it alone. */
export function leftDecisions(decisions: PairDecisions): PairDecisions {
  const { left } = decisions
  if (!left) return decisions
  const own: PairDecisions = {
    ...decisions,
    lastId: left.lastId ?? decisions.lastId,
    sock: { ...decisions.sock, padding: left.padding ?? decisions.sock.padding },
    // The right shoe's tracing says nothing of a left one that differs.
    lasted: left.lasted,
    left: null,
  }
  return handDecisions.reduce((d, decision) => {
    const figure = left.figures[decision]
    return figure === undefined ? d : setByHand(d, decision, figure)
  }, own)
}

/**
 * What the left shoe is planned from, as a right one; null while it is the right one's mirror.
 * Throws PlanError when its last is not with the pair.
 */
export function leftInput(input: PlanInput): PlanInput | null {
  const { left } = input.decisions
  if (!left) return null
  const last = left.lastId === null ? input.last : input.leftLast
  if (!last || (left.lastId !== null && last.id !== left.lastId)) {
    throw new PlanError('left.lastId', 'The last chosen for the left shoe is not with the pair. Choose it again.')
  }
  return { ...input, decisions: leftDecisions(input.decisions), last, leftLast: null }
}
