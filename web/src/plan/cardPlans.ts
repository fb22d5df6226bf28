import type { PairRow } from '../api/client.ts'
import type { PlanAnswer } from './planWorker.ts'
import { planInTurn } from './planner.ts'
import { useWorkshop } from './workshopStore.ts'

let queue: Promise<unknown> = Promise.resolve()

/**
 * The plan behind a card of the list; null when the card went away before its turn. Cards are planned one after the
 * other, so that a pair that is opened meanwhile waits for one of them at most.
 */
export function planForCard(pair: PairRow, wanted: () => boolean): Promise<PlanAnswer | null> {
  const answer = queue.then(() => (wanted() ? planOne(pair) : null))
  // One card's failure is its own; the next still gets its turn.
  queue = answer.catch(() => undefined)
  return answer
}

async function planOne(pair: PairRow): Promise<PlanAnswer> {
  const workshop = useWorkshop()
  if (!workshop.loaded) await workshop.load()
  const input = workshop.inputOf(pair.decisions)
  return input ? planInTurn(input) : { plan: null, problem: 'Its last is not on the shelf any more.' }
}
