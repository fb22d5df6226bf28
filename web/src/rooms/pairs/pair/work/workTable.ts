import { tookMinutes } from './tookMinutes.ts'
import { groupNames, usualMinutes, type Pace, type StepProgress } from '@gentle-awl/core'

/** Where a step stands, as a person says it. */
export const standings = ['running', 'may be started', 'waits', 'done'] as const
export type Standing = (typeof standings)[number]

/** A step as a row: its place in the working order, what it was planned to take and what it took, minutes. */
export interface WorkRow {
  id: string
  place: number
  name: string
  group: string
  standing: Standing
  planned: number
  /** What it takes here as the log tells. */
  usual: number
  took: number | null
  /** How much longer it took than it was planned; null until it is done. */
  over: number | null
}

function standingOf({ state, heldBy }: StepProgress): Standing {
  if (state === 'finished') return 'done'
  if (state === 'started') return 'running'
  return heldBy.length > 0 ? 'waits' : 'may be started'
}

/** The steps of a pair as rows, in working order. */
export const workRows = (steps: readonly StepProgress[], pace: Readonly<Record<string, Pace>> = {}): WorkRow[] =>
  steps.map((s, i) => {
    const planned = s.step.minutes.value
    const took = tookMinutes(s)
    return {
      id: s.step.id,
      place: i + 1,
      name: s.step.name,
      group: groupNames[s.step.group],
      standing: standingOf(s),
      planned,
      usual: usualMinutes(s.step, pace),
      took,
      over: took === null ? null : took - planned,
    }
  })

/** What all rows were planned to take, and what the done ones took of what they were planned to, minutes. */
export function workSums(rows: readonly WorkRow[]) {
  const timed = rows.filter((r) => r.took !== null)
  const sum = (of: readonly WorkRow[], figure: (r: WorkRow) => number) => of.reduce((all, r) => all + figure(r), 0)
  return {
    planned: sum(rows, (r) => r.planned),
    usual: sum(rows, (r) => r.usual),
    took: timed.length === 0 ? null : sum(timed, (r) => r.took ?? 0),
    over: timed.length === 0 ? null : sum(timed, (r) => r.over ?? 0),
  }
}
