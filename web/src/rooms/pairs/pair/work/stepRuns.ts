import { groupNames, type StepProgress, type WorkGroup } from '@gentle-awl/core'

/** Steps of one kind of work that follow each other. */
export interface StepRun {
  key: string
  group: WorkGroup
  name: string
  steps: StepProgress[]
}

/** The steps in working order, under a heading wherever the kind of work changes; one that was met before says so. */
export function stepRuns(steps: readonly StepProgress[]): StepRun[] {
  const runs: StepRun[] = []
  for (const step of steps) {
    const { group } = step.step
    const last = runs.at(-1)
    if (last?.group === group) last.steps.push(step)
    else {
      const before = runs.filter((r) => r.group === group).length
      runs.push({
        key: `${group} ${before}`,
        group,
        name: `${groupNames[group]}${before > 0 ? ', again' : ''}`,
        steps: [step],
      })
    }
  }
  return runs
}
