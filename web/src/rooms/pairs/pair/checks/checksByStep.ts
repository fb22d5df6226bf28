import type { Check, Step } from '@gentle-awl/core'

/** Checks that are taken at one step, or at the two steps that are the same work on either foot. */
export interface StepChecks {
  /** The first of them in working order. */
  step: Step
  name: string
  checks: Check[]
}

/** Checks by the work at which they are taken, in its order. */
export function checksByStep(checks: readonly Check[], steps: readonly Step[]): StepChecks[] {
  const groups = new Map<string, StepChecks>()
  for (const check of checks) {
    const step = steps.find((s) => s.id === check.at.right || s.id === check.at.left)
    if (!step) continue
    const group = groups.get(step.key) ?? { step, name: step.name.replace(/, (right|left)$/, ''), checks: [] }
    groups.set(step.key, group)
    group.checks.push(check)
  }
  return [...groups.values()]
}
