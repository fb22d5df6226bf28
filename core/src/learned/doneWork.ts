import type { StepEvent } from '../model/pair.ts'
import type { CardStep } from '../model/pairCard.ts'
import { runsOf } from '../work/standing.ts'
import type { DoneStep } from './minutes.ts'
import type { SeenWait } from './waits.ts'
import type { Worn } from './wear.ts'

/** What is learned from: a pair's steps and what was told of them. */
export interface DonePair {
  id: string
  steps: readonly CardStep[]
  log: readonly StepEvent[]
}

/** All that the log of a pair tells: minutes, waits that ended, lengths worked. */
export function doneWork({ id: pair, steps, log }: DonePair): { done: DoneStep[]; seen: SeenWait[]; worn: Worn[] } {
  const done: DoneStep[] = []
  const seen: SeenWait[] = []
  const worn: Worn[] = []
  const byStep = new Map<string, StepEvent[]>()
  for (const event of log) {
    const list = byStep.get(event.step)
    if (list) list.push(event)
    else byStep.set(event.step, [event])
  }
  // A log by one earlier name of a step keeps its order; by two names it was never written.
  const runs = new Map(
    steps.map((s) => [
      s.id,
      runsOf(
        [s.id, ...s.formerly].flatMap((name) => byStep.get(name) ?? []),
        s,
      ),
    ]),
  )
  for (const step of steps) {
    for (const run of runs.get(step.id)!) {
      const { startedAt, finishedAt } = run
      if (finishedAt === null) continue
      if (step.wears) worn.push({ ...step.wears, at: finishedAt })
      if (startedAt !== null) {
        const { key, name, group, minutes } = step
        done.push({
          key,
          name,
          group,
          planned: minutes,
          took: run.worked / 60_000,
          maker: run.maker,
          pair,
          at: finishedAt,
        })
      }
      const { wait } = step
      if (wait?.rule === undefined || wait.min <= 0) continue
      const dry = run.readyAt ?? firstAfter(step, finishedAt)
      // Begun in time it says nothing: a night may have lain between. Begun before its time it was found dry.
      if (dry === null || (run.readyAt === null && dry >= finishedAt + wait.min * 60_000)) continue
      seen.push({ rule: wait.rule, planned: wait.min, took: (dry - finishedAt) / 60_000 })
    }
  }
  return { done, seen, worn }

  function firstAfter(step: CardStep, finishedAt: number): number | null {
    const begun = steps
      .filter((s) => s.after.includes(step.id))
      .flatMap((s) =>
        runs.get(s.id)!.flatMap((r) => (r.startedAt !== null && r.startedAt >= finishedAt ? [r.startedAt] : [])),
      )
    return begun.length > 0 ? Math.min(...begun) : null
  }
}
