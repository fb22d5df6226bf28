import type { StepEvent } from '../model/pair.ts'
import type { Step } from './step.ts'
import { say, type Sentence } from '../units/sentence.ts'

export type StepState = 'open' | 'started' | 'finished'

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
  clock: WaitClock | null
  /** What keeps it from being started now, as sentences; empty when it may. */
  heldBy: Sentence[]
}

/** What a log knows a step by: its id, and ids under which it was known, or was known with others. */
export type Known = Pick<Step, 'id' | 'formerly'>

/** The events of one step that still stand: `undone` takes the latest one back. */
function standing(log: readonly StepEvent[], { id, formerly }: Known): StepEvent[] {
  const stack: StepEvent[] = []
  for (const event of log) {
    if (event.step !== id && !formerly.includes(event.step)) continue
    if (event.what === 'undone') stack.pop()
    else stack.push(event)
  }
  return stack
}

const stateOf = (events: readonly StepEvent[]): StepState =>
  events.length === 0 ? 'open' : (events[events.length - 1]!.what as 'started' | 'finished')

/** When a step that is done was begun and ended, ms since the epoch; null while it is not, or where no start was told. */
export function timesOf(log: readonly StepEvent[], step: Known): { started: number; finished: number } | null {
  const events = standing(log, step)
  const [started, finished] = [events.find((e) => e.what === 'started'), events.at(-1)]
  if (!started || finished?.what !== 'finished') return null
  return { started: Date.parse(started.at), finished: Date.parse(finished.at) }
}

export const stepState = (log: readonly StepEvent[], step: Known): StepState => stateOf(standing(log, step))

/** Where every step stands at `now` (ms since the epoch), read off the log: nothing of it is stored. */
export function progress(steps: readonly Step[], log: readonly StepEvent[], now: number): StepProgress[] {
  const byId = new Map<string, StepProgress>()
  const states = new Map(steps.map((s) => [s.id, stepState(log, s)]))
  /** A wait is over for good once a step that waited for it has begun. */
  const dependantsBegun = (id: string) =>
    steps.some((s) => s.after.some((a) => a.id === id) && states.get(s.id) !== 'open')
  // The steps come in working order, so every step that one waits for has been looked at before it.
  for (const step of steps) {
    const events = standing(log, step)
    const started = events.find((e) => e.what === 'started')
    const latest = events[events.length - 1]
    const finishedAt = latest?.what === 'finished' ? Date.parse(latest.at) : null
    const heldBy: Sentence[] = []
    for (const before of step.after) {
      const other = byId.get(before.id)
      if (!other) continue
      if (other.state !== 'finished') heldBy.push(say`First: ${other.step.name}, because ${before.why}.`)
      else if (other.clock?.state === 'waiting')
        heldBy.push(say`Wait: ${other.step.name}, ${other.step.wait?.why ?? ''}`)
    }
    byId.set(step.id, {
      step,
      state: stateOf(events),
      startedAt: started ? Date.parse(started.at) : null,
      finishedAt,
      clock: finishedAt === null ? null : clockOf(step, finishedAt, now, dependantsBegun(step.id)),
      heldBy,
    })
  }
  return [...byId.values()]
}

function clockOf(step: Step, finishedAt: number, now: number, begun: boolean): WaitClock | null {
  if (!step.wait || begun) return null
  const readyAt = finishedAt + step.wait.min * 60_000
  const tooLateAt = step.wait.max === null ? null : finishedAt + step.wait.max * 60_000
  const state = now < readyAt ? 'waiting' : tooLateAt !== null && now > tooLateAt ? 'late' : 'ready'
  return { readyAt, tooLateAt, state }
}
