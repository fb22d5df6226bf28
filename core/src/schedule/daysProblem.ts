import { problemOf, type Lag, type Problem, type Said } from '../scheduling/problem.ts'
import { sharedTools, type StepWish, type WorkshopDays } from '../model/workshopDays.ts'
import type { CardStep } from '../model/pairCard.ts'
import { closedTimes, longestShift } from './openHours.ts'
import { waitWindow, type Run, type Standing } from '../work/standing.ts'
import { onLasts, standings, type OpenPair } from './openPairs.ts'
import { instantAt } from './wallClock.ts'

/** One thing to be done: a step, or a part of one that is longer than a shift. */
export interface Task {
  pair: OpenPair
  step: CardStep
  /** Which part of the step it is, from 1 on, and how many there are. */
  part: number
  parts: number
  standing: Standing
}

/** The days of a workshop as a problem to be searched, with what its numbers stand for. */
export interface DaysProblem {
  problem: Problem
  said: Said
  lags: readonly Lag[]
  /** By operation; null for one that only marks a moment. */
  tasks: readonly (Task | null)[]
  /** Steps that are done, by the operation that marks their end. */
  marks: ReadonlyMap<number, string>
  /** Maker of each mode's resource. */
  makers: WorkshopDays['makers']
  /** Lasts of the resources that are held, by resource. */
  lasts: ReadonlyMap<number, string>
  /** Minute 0, ms since the epoch, and the minute that is now. */
  origin: number
  now: number
  /** Whoever can do it works no day long enough, or nobody can: these steps cannot be laid out. */
  nobody: readonly { pair: OpenPair; step: CardStep; why: 'skill' | 'hours' }[]
}

/** What a step takes here, as a share of what is planned, by its key; 1 where nothing is known. */
export type PaceOf = (key: string) => number

/** A step is divided so that no part is longer than this share of the shortest day of those who can do it. */
const SHARE_OF_SHIFT = 0.5
/** A step that has run over is taken to need so much more, minutes. */
const RUNS_OVER = 5

/**
 * All open pairs with their steps, waits and lasts, and the makers with their hours. Done steps are past: only their waits
 * are left. What is begun stays where it is, with whoever does it by `doneBy`, else with the first who can.
 */
export function daysProblem(
  pairs: readonly OpenPair[],
  days: WorkshopDays,
  pace: PaceOf,
  nowInstant: number,
  doneBy: (pair: string, step: string) => string | null = () => null,
): DaysProblem {
  const standing = new Map(pairs.map((p) => [p.id, standings(p)]))
  const origin = originOf(pairs, standing, nowInstant)
  const minute = (instant: number) => Math.round((instant - origin) / 60_000)
  const now = Math.ceil((nowInstant - origin) / 60_000)
  const { makers } = days
  const machineAt = (m: (typeof sharedTools)[number]) => makers.length + sharedTools.indexOf(m)
  const capacity = [...makers.map(() => 1), ...sharedTools.map((m) => days.machines[m])]
  const closed = [...makers.map((m) => closedTimes(days, m, origin)), ...sharedTools.map(() => [])]
  const lastAt = new Map<string, number>()
  for (const id of pairs.flatMap((p) => p.lasts)) {
    if (!lastAt.has(id)) lastAt.set(id, capacity.push(1) - 1)
  }
  const operations: Said['operations'][number][] = []
  const tasks: (Task | null)[] = []
  const lags: Lag[] = []
  const holds: Said['holds'][number][] = []
  const nobody: DaysProblem['nobody'][number][] = []
  const kinds = new Map<string, number>()
  const marks = new Map<number, string>()
  /** Marks a moment and takes nobody's time. */
  const anyone = makers.map((_, i) => ({ resource: i, minutes: 0 }))
  const add = (operation: Said['operations'][number], task: Task | null): number => {
    tasks.push(task)
    return operations.push(operation) - 1
  }

  /** Those who are wished for, if they can do it at all; a wish for somebody who cannot is none. */
  const heeded = (able: number[], wish: StepWish | undefined): number[] => {
    const wished = able.filter((i) => makers[i]!.id === wish?.maker)
    return wished.length > 0 ? wished : able
  }

  pairs.forEach((pair, p) => {
    const stands = standing.get(pair.id)!
    /** First and last operation of each step that is still to be done or is being done. */
    const ends = new Map<string, [number, number]>()
    const waitEnds = new Set<string>()
    for (const step of pair.steps) {
      const state = stands.get(step.id)!
      if (state.state === 'finished') continue
      const able = makers.flatMap((m, i) => (m.skills.includes(step.group) ? [i] : []))
      const shift = Math.min(...able.map((i) => longestShift(makers[i]!)).filter((s) => s > 0))
      if (able.length === 0 || shift === Infinity) {
        nobody.push({ pair, step, why: able.length === 0 ? 'skill' : 'hours' })
        continue
      }
      // What is begun is where it is.
      const wish = state.state === 'open' ? pair.wishes?.find((w) => w.step === step.id) : undefined
      const workers = heeded(
        able.filter((i) => longestShift(makers[i]!) > 0),
        wish,
      )
      const kind = kinds.get(step.key) ?? kinds.set(step.key, kinds.size).size - 1
      const minutes = Math.max(1, Math.round(step.minutes * pace(step.key)))
      const most = Math.max(...workers.map((i) => makers[i]!.pace))
      const parts = state.state === 'started' ? 1 : Math.ceil((minutes * most) / Math.max(1, SHARE_OF_SHIFT * shift))
      const uses = step.machines.map(machineAt)
      const notBefore = wish?.notBefore ? Math.ceil((wish.notBefore - origin) / 60_000) : 0
      let before = -1
      for (let part = 1; part <= parts; part++) {
        const length = Math.round((minutes * part) / parts) - Math.round((minutes * (part - 1)) / parts)
        const mode = (i: number) => ({ resource: i, minutes: Math.max(1, Math.round(length * makers[i]!.pace)) })
        let modes = workers.map(mode)
        let begun: { start: number; mode: number } | undefined
        if (state.state === 'started') {
          const by = state.maker ?? doneBy(pair.id, step.id)
          const who = Math.max(0, workers.indexOf(makers.findIndex((m) => m.id === by)))
          // What rests stands on its bench with what was worked on it.
          const start = minute(begunAt(state, nowInstant))
          const end = Math.max(start + modes[who]!.minutes, now + RUNS_OVER)
          modes = modes.map((m, i) => (i === who ? { ...m, minutes: end - start } : m))
          begun = { start, mode: who }
        }
        const at = add(
          { pair: p, modes, uses, release: Math.max(now, notBefore), kind, ...(begun ? { begun } : {}) },
          { pair, step, part, parts, standing: state },
        )
        if (before >= 0) lags.push({ from: before, to: at, min: 0, max: null })
        before = at
        ends.set(step.id, [ends.get(step.id)?.[0] ?? at, at])
      }
      const [first] = ends.get(step.id)!
      for (const id of step.after) {
        const other = pair.steps.find((s) => s.id === id)
        if (!other) continue
        // The next step in working order ends the wait; those after it need only its least time.
        const limits = other.wait?.max !== null && !waitEnds.has(id)
        if (other.wait) waitEnds.add(id)
        const min = Math.round(other.wait?.min ?? 0)
        const max = other.wait && limits ? Math.round(other.wait.max ?? 0) : null
        const stood = stands.get(id)!
        const of = ends.get(id)
        if (of) lags.push({ from: of[1], to: first, min, max })
        else if (stood.state === 'finished' && state.state === 'open') {
          const { readyAt, tooLateAt } = waitWindow(other.wait ?? { min: 0, max: null }, stood)
          const release = Math.max(now, minute(readyAt))
          operations[first] = { ...operations[first]!, release: Math.max(operations[first]!.release ?? 0, release) }
          // A wait that is running must not run out; one that has is past help by any order.
          if (max === null || tooLateAt === null || minute(tooLateAt) < now) continue
          // What was woken by heat has begun its wait anew.
          const done = minute(tooLateAt) - max
          const ended = add({ pair: p, modes: anyone, begun: { start: done, mode: 0 } }, null)
          marks.set(ended, id)
          lags.push({ from: ended, to: first, min: minute(readyAt) - done, max })
        }
      }
    }
    holdLasts(pair, p, stands, ends)
  })

  function holdLasts(pair: OpenPair, p: number, stands: Map<string, Standing>, ends: Map<string, [number, number]>) {
    const last = onLasts(pair.steps)
    if (!last || last.gives.every((s) => stands.get(s.id)!.state === 'finished')) return
    const has = last.takes.some((s) => stands.get(s.id)!.state !== 'open')
    const begun = has ? { begun: { start: 0, mode: 0 } } : {}
    const taken = add({ pair: p, modes: anyone, release: now, ...begun }, null)
    const given = add({ pair: p, modes: anyone, release: now }, null)
    for (const s of last.takes) {
      const at = ends.get(s.id)
      if (at && !has) lags.push({ from: taken, to: at[0], min: 0, max: null })
    }
    for (const s of last.gives) {
      const at = ends.get(s.id)
      if (at) lags.push({ from: at[1], to: given, min: 0, max: null })
    }
    lags.push({ from: taken, to: given, min: 0, max: null })
    for (const id of new Set(pair.lasts)) holds.push({ resource: lastAt.get(id)!, from: taken, to: given })
  }

  const said: Said = {
    objective: days.aim === 'punctual' ? 'tardiness' : 'makespan',
    operations,
    capacity,
    closed: [...closed, ...[...lastAt].map(() => [])],
    lags,
    holds,
    pairs: pairs.map(({ due, weight }) => {
      const by = due === null ? null : minute(instantAt(days.zone, due, 1440))
      return { due: by, weight, haste: days.aim === 'punctual' ? hasteOf(by, now) / pairs.length : 0 }
    }),
    changeMinutes: days.turning,
  }
  return {
    problem: problemOf(said),
    said,
    lags,
    tasks,
    marks,
    makers,
    lasts: new Map([...lastAt].map(([id, r]) => [r, id])),
    origin,
    now,
    nobody,
  }
}

/** A pair that is due in so many minutes is in half as much of a hurry as one that is due now. */
const HALF_AS_MUCH = 14 * 1440

/**
 * Of pairs that are all in time, that which is due sooner is ready sooner. What a minute sooner of one is worth, in minutes of
 * the whole's length: 1 if it is due now, 0 if nobody waits for it.
 */
const hasteOf = (due: number | null, now: number): number =>
  due === null ? 0 : HALF_AS_MUCH / (HALF_AS_MUCH + Math.max(0, due - now))

/** When a step that runs would have been begun, had nobody paused. */
const begunAt = ({ since, worked }: Pick<Run, 'since' | 'worked'>, now: number): number => (since ?? now) - worked

/** Early enough that whatever is begun lies after it. */
function originOf(
  pairs: readonly OpenPair[],
  standing: ReadonlyMap<string, ReadonlyMap<string, Standing>>,
  now: number,
): number {
  let first = now
  for (const { id, steps } of pairs) {
    for (const { id: step, wait } of steps) {
      const s = standing.get(id)!.get(step)!
      if (s.state === 'started') first = Math.min(first, begunAt(s, now))
      if (s.state !== 'finished' || !wait?.max) continue
      const { tooLateAt } = waitWindow(wait, s)
      if (tooLateAt !== null && tooLateAt >= now) first = Math.min(first, tooLateAt - wait.max * 60_000)
    }
  }
  return Math.floor(first / 60_000) * 60_000
}
