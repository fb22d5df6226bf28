import type { PlanInput } from '../model/pair.ts'
import type { PairCard } from '../model/pairCard.ts'
import { coloursOf, pairPicture } from './pairPicture.ts'
import { formeStage, lastStage, planPair } from './planPair.ts'
import type { StageCache } from './stageCache.ts'

/** The card of a pair: its picture, its steps, its gravest check, and the house rules it rests on. Throws as planPair does. */
export function cardOf(input: PlanInput, cache: StageCache): PairCard {
  const rules = new Set<string>()
  const plan = planPair(input, cache, ({ key }) => rules.add(key))
  const map = formeStage(lastStage(input.last, cache), input.decisions.upper.forme, cache)
  return {
    problem: '',
    worst: plan.worst,
    steps: plan.steps.map(({ id, key, name, minutes, formerly }) => ({
      id,
      key,
      name,
      minutes: minutes.value,
      formerly,
    })),
    shapes: pairPicture(plan, map, coloursOf(input)),
    rules: [...rules].sort(),
  }
}
