import type { FormeMap } from '../forme/formeMap.ts'
import type { PairCard } from '../model/pairCard.ts'
import { pairPicture } from './pairPicture.ts'
import type { Plan } from './plan.ts'

/** The card of a pair from its plan, and the map of the last that its upper lies on. */
export function cardOf(plan: Plan, map: FormeMap): PairCard {
  return {
    problem: '',
    worst: plan.worst,
    steps: plan.steps.map(({ id, name }) => ({ id, name })),
    shapes: pairPicture(plan, map),
  }
}
