import type { StepEvent } from '../model/pair.ts'
import type { Step } from './step.ts'
import { say, type Sentence } from '../units/sentence.ts'
import { standingOf, waitWindow, type Run, type StepState } from './standing.ts'

/** A wait that runs or ran after a step was finished. Times in ms since the epoch. */
export interface WaitClock {
  readyAt: number
  tooLateAt: number | null
  state: 'waiting' | 'ready' | 'late'
}

/** Where one step of a pair stands. */
export interface StepProgress {
  step: Step
  state: StepState
  startedAt: number | null
  finishedAt: number | null
  /** Since when it rests; null while it runs, and while it is not begun. */
  pausedAt: number | null
  /** How long it was worked on, ms, pauses left out; up to now while it runs. */
  worked: number
  clock: WaitClock | null
  /** What keeps it from being started now, as sentences; empty when it may. */
  heldBy: Sentence[]
}

/** Where every step stands at `now` (ms since the epoch), read off the log: nothing of it is stored. */
export function progress(steps: readonly Step[], log: readonly StepEvent[], now: number): StepProgress[] {
  const byId = new Map<string, StepProgress>()
  const standing = new Map(steps.map((s) => [s.id, standingOf(log, s)]))
  /** A wait is over for good once a step that waited for it has begun. */
  const dependantsBegun = (id: string) =>
    steps.some((s) => s.after.some((a) => a.id === id) && standing.get(s.id)!.state !== 'open')
  // The steps come in working order, so every step that one waits for has been looked at before it.
  for (const step of steps) {
    const stands = standing.get(step.id)!
    const heldBy: Sentence[] = []
    for (const before of step.after) {
      const other = byId.get(before.id)
      if (!other) continue
      if (other.state !== 'finished') heldBy.push(say`First: ${other.step.name}, because ${before.why}.`)
      else if (other.clock?.state === 'waiting')
        heldBy.push(say`Wait: ${other.step.name}, ${other.step.wait?.why ?? ''}`)
    }
    const run = stands.state === 'open' ? null : stands
    byId.set(step.id, {
      step,
      state: stands.state,
      startedAt: run?.startedAt ?? null,
      finishedAt: stands.state === 'finished' ? stands.finishedAt : null,
      pausedAt: run?.pausedAt ?? null,
      worked: run ? run.worked + (run.since === null ? 0 : Math.max(0, now - run.since)) : 0,
      clock: stands.state === 'finished' && !dependantsBegun(step.id) ? clockOf(step, stands, now) : null,
      heldBy,
    })
  }
  return [...byId.values()]
}

function clockOf(step: Step, run: Run, now: number): WaitClock | null {
  if (!step.wait) return null
  const { readyAt, tooLateAt } = waitWindow(step.wait, run)
  const state = now < readyAt ? 'waiting' : tooLateAt !== null && now > tooLateAt ? 'late' : 'ready'
  return { readyAt, tooLateAt, state }
}
