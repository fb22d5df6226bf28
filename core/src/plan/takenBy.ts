import type { SpentOn } from '../model/check.ts'
import type { PlanInput } from '../model/pair.ts'
import { cuttingList } from './cuttingList.ts'
import type { Plan } from './plan.ts'
import { worthOf } from './worthOf.ts'

/**
 * What a pair will take, as it is planned, or so many of it one after the other: the minutes of all its steps, waits left out,
 * and what its pieces cover of each stuff, without what is left between them.
 */
export function takenBy(input: Pick<PlanInput, 'decisions' | 'materials'>, plan: Plan, pairs = 1): SpentOn {
  const minutes = pairs * plan.steps.reduce((sum, s) => sum + s.minutes.value, 0)
  const groups = cuttingList(input, plan)
  return {
    minutes: Math.round(minutes),
    stuffs: groups.map((g) => worthOf(input.materials, g.material, pairs * g.area)),
  }
}
