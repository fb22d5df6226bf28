import type { PlanInput } from '../model/pair.ts'
import type { CardStep, PairCard } from '../model/pairCard.ts'
import { sharedTools } from '../model/workshopDays.ts'
import type { Step } from '../work/step.ts'
import { coloursOf, pairPicture } from './pairPicture.ts'
import { formeStage, lastStage, planPair } from './planPair.ts'
import type { StageCache } from './stageCache.ts'

/** A step as a card has it. */
export const cardStep = ({
  id,
  key,
  name,
  foot,
  group,
  minutes,
  formerly,
  after,
  wait,
  tools,
  wears,
}: Step): CardStep => ({
  id,
  key,
  name,
  foot,
  group,
  minutes: minutes.value,
  formerly,
  after: after.map((a) => a.id),
  wait: wait && {
    min: wait.min,
    max: wait.max,
    ...(wait.late === undefined ? {} : { late: wait.late }),
    ...(wait.rule === undefined ? {} : { rule: wait.rule }),
  },
  wears,
  machines: sharedTools.filter((t) => tools.includes(t)),
})

/** The card of a pair: its picture, its steps, its gravest check, and the house rules it rests on. Throws as planPair does. */
export function cardOf(input: PlanInput, cache: StageCache): PairCard {
  const rules = new Set<string>()
  const plan = planPair(input, cache, ({ key }) => rules.add(key))
  const map = formeStage(lastStage(input.last, cache), input.decisions.upper.forme, cache)
  return {
    problem: '',
    worst: plan.worst,
    steps: plan.steps.map(cardStep),
    shapes: pairPicture(plan, map, coloursOf(input)),
    rules: [...rules].sort(),
  }
}
