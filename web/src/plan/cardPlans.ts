import type { PairRow } from '../api/client.ts'
import type { PlanAnswer } from './planWorker.ts'
import { planInTurn } from './planner.ts'
import { useWorkshop } from './workshopStore.ts'

/** The plan behind a card of the list; cards are planned one after the other, in the order in which they appear. */
export async function planForCard(pair: PairRow): Promise<PlanAnswer> {
  const workshop = useWorkshop()
  if (!workshop.loaded) await workshop.load()
  const last = workshop.lasts.find((l) => l.id === pair.decisions.lastId)
  if (!last) return { plan: null, problem: 'Its last is not on the shelf any more.' }
  return planInTurn({
    decisions: pair.decisions,
    last,
    materials: workshop.materials,
    houseRules: workshop.houseRules,
  })
}
