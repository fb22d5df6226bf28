import type { Plan, PlanInput } from '@gentle-awl/core'
import { watchDebounced } from '@vueuse/core'
import { ref, shallowRef, watch, type Ref } from 'vue'
import { tell } from '../app/settings.ts'
import { planLatest } from '../workers/plan/planner.ts'
import type { Uppers } from '../workers/plan/planSender.ts'

/** While one plan follows on the other, what is only read follows when they rest for so long, and at least so often, ms. */
const CALM = { debounce: 120, maxWait: 400 }

/**
 * The plan that follows from the decisions on screen. `of` says which pair lies there: a plan of another that comes late
 * is not shown for it.
 */
export function usePairPlan(input: Readonly<Ref<PlanInput | null>>, of: () => string | undefined) {
  /** The plan of both feet. */
  const whole = shallowRef<Plan | null>(null)
  /** The same a moment later: lists and marks go by it, so that the drawing under the hand does not wait for them. */
  const calm = shallowRef<Plan | null>(null)
  watchDebounced(whole, (now) => (calm.value = now), CALM)
  watch(
    whole,
    (now) => {
      if (now === null || calm.value === null) calm.value = now
    },
    { flush: 'sync' },
  )
  /** Why there is no plan for the decisions on screen; the plan shown is then the last good one. */
  const planProblem = ref<string | null>(null)
  const planning = ref(false)

  async function plan(): Promise<void> {
    const id = of()
    if (!input.value) return
    planning.value = true
    const answer = await planLatest(input.value, (uppers) => {
      if (of() === id) seeUppers(uppers)
    })
    // Another pair may lie here by now: its plan is on its way.
    if (!answer || of() !== id) return
    planning.value = false
    planProblem.value = answer.problem && tell(answer.problem)
    if (answer.value) whole.value = answer.value
  }

  /** The drawing under the hand, before what follows from it is there. */
  function seeUppers({ right, left }: Uppers): void {
    const now = whole.value
    if (!now || (now.left === null) !== (left === null)) return
    whole.value = { ...now, upper: right, left: now.left && left && { ...now.left, upper: left } }
  }

  /** Nothing is planned: another pair will lie here. */
  function clear(): void {
    whole.value = null
    planning.value = false
    planProblem.value = null
  }
  return { whole, calm, planProblem, planning, plan, clear }
}
