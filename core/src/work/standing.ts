import type { StepEvent } from '../model/pair.ts'

/** What a log knows a step by: its id, and ids under which it was known, or was known with others. */
export interface Known {
  id: string
  formerly: readonly string[]
}

/**
 * One time that a step was worked on, from its start to its end: more than one where it was sent back. Times in ms
 * since the epoch.
 */
export interface Run {
  /** Null where no start was told. */
  startedAt: number | null
  finishedAt: number | null
  /** Since when nobody works on it; null while somebody does. */
  pausedAt: number | null
  /** How long it was worked on, pauses left out; up to now it is whatever has run since `since`. */
  worked: number
  since: number | null
  /** Who did it, as far as it was told. */
  maker: string | null
  /** When what had waited too long was put right (woken by heat, damped once more), the latest time. */
  putRightAt: number | null
  /** When what dries after it was found dry before its time. */
  readyAt: number | null
  /** It was sent back afterwards, and counts no more. */
  undone: boolean
}

export type StepState = 'open' | 'started' | 'finished'

/** Where a step stands. */
export type Standing = { state: 'open' } | ({ state: 'started' | 'finished' } & Run)

/** What still says something of a step. */
type Said = StepEvent & { what: Exclude<StepEvent['what'], 'undone'> }

/** What state an event leaves a step in. */
const stateAfter: Record<Said['what'], StepState> = {
  started: 'started',
  paused: 'started',
  resumed: 'started',
  finished: 'finished',
  'put right': 'finished',
  ready: 'finished',
  'sent back': 'open',
}

/** Events of one step that still stand: `undone` takes the latest one back. */
export function eventsStanding(log: readonly StepEvent[], { id, formerly }: Known): Said[] {
  const stack: Said[] = []
  for (const event of log) {
    if (event.step !== id && !formerly.includes(event.step)) continue
    const { what } = event
    if (what === 'undone') stack.pop()
    else stack.push({ ...event, what })
  }
  return stack
}

const begun = (): Run => ({
  startedAt: null,
  finishedAt: null,
  pausedAt: null,
  worked: 0,
  since: null,
  maker: null,
  putRightAt: null,
  readyAt: null,
  undone: false,
})

/** Every time that a step was worked on, the first one first. */
export const runsOf = (log: readonly StepEvent[], step: Known): Run[] => runsIn(eventsStanding(log, step))

function runsIn(events: readonly Said[]): Run[] {
  const runs: Run[] = []
  let run: Run | null = null
  for (const { what, at, maker } of events) {
    const time = Date.parse(at)
    if (what === 'sent back') {
      if (run) run.undone = true
      run = null
      continue
    }
    if (!run) runs.push((run = begun()))
    run.maker ??= maker ?? null
    if (what === 'started') [run.startedAt, run.since] = [time, time]
    else if (what === 'resumed') [run.pausedAt, run.since] = [null, time]
    else if (what === 'put right') run.putRightAt = time
    else if (what === 'ready') run.readyAt = time
    else {
      if (run.since !== null) run.worked += Math.max(0, time - run.since)
      run.since = null
      if (what === 'paused') run.pausedAt = time
      else [run.finishedAt, run.pausedAt] = [time, null]
    }
  }
  return runs
}

/** Where a step stands by its log. */
export function standingOf(log: readonly StepEvent[], step: Known): Standing {
  const events = eventsStanding(log, step)
  const state = stateOf(events)
  return state === 'open' ? { state } : { state, ...runsIn(events).at(-1)! }
}

export const stepState = (log: readonly StepEvent[], step: Known): StepState => stateOf(eventsStanding(log, step))

function stateOf(events: readonly Said[]): StepState {
  const last = events.at(-1)
  return last ? stateAfter[last.what] : 'open'
}

/** Between which instants the next step begins after one that is done: not before it is ready, nor after it is too late. */
export function waitWindow(
  wait: { min: number; max: number | null },
  { finishedAt, putRightAt, readyAt }: Pick<Run, 'finishedAt' | 'putRightAt' | 'readyAt'>,
): { readyAt: number; tooLateAt: number | null } {
  const done = finishedAt ?? 0
  const { min, max } = wait
  // What is put right may be gone on with at once, and for no longer than what has just become ready.
  if (putRightAt !== null)
    return { readyAt: putRightAt, tooLateAt: max === null ? null : putRightAt + (max - min) * 60_000 }
  return {
    readyAt: readyAt ?? done + min * 60_000,
    tooLateAt: max === null ? null : done + max * 60_000,
  }
}
