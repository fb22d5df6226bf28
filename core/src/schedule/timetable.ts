import { seeded } from '../geometry/random.ts'
import { Decoder } from '../scheduling/decoder.ts'
import { graphOf } from '../scheduling/graph.ts'
import { leastMinutes, problemOf, type Problem } from '../scheduling/problem.ts'
import { search, type Schedule } from '../scheduling/search.ts'
import { whyNone } from '../scheduling/whyNone.ts'
import { decidingChain, Reasons, type ChainLink } from './decidingChain.ts'
import type { DaysProblem } from './daysProblem.ts'
import { keptTo, type KnownPlace } from './keptTo.ts'

/** One thing in the timetable. Instants are ms since the epoch. */
export interface TimetableEntry {
  pair: string
  step: string
  part: number
  parts: number
  maker: string
  start: number
  end: number
  /** Begun already. */
  begun: boolean
}

/** When a pair is done, and what decides it. */
export interface PairOutlook {
  pair: string
  ready: number
  /** The end of the day on which it is due. */
  due: number | null
  /** Minutes after that; 0 in time. */
  late: number
  /** From its last step back to now: what each waited for. */
  chain: ChainLink[]
}

/** A wait that cannot be kept by any order of work. */
export interface LostWait {
  pair: string
  from: string
  to: string
}

/** The work of all open pairs, laid out on makers and hours. */
export interface Timetable {
  madeAt: number
  entries: TimetableEntry[]
  pairs: PairOutlook[]
  lost: LostWait[]
  /** Steps that nobody can do, or nobody has the hours for. */
  nobody: { pair: string; step: string; why: 'skill' | 'hours' }[]
}

/**
 * What is known but for one step: laid out again, that step goes as early as what it waits for allows, even where the rest
 * leaves no gap for it.
 */
export function knownWithout<T extends Pick<Timetable, 'entries'>>(known: T, { pair, step }: Step): T {
  return { ...known, entries: known.entries.filter((e) => e.pair !== pair || e.step !== step) }
}
type Step = Pick<TimetableEntry, 'pair' | 'step'>

export interface LayOutHow {
  seed: number
  /** The share of the time that is gone. */
  progress: () => number
  /** The timetable that people know already: it is kept to unless another is better by far. */
  known?: Pick<Timetable, 'entries'> | null
  /** What another has to save, as a share of its cost, for the known one to be given up; a fiftieth when left out. */
  worth?: number
}

/** A timetable that people know is given up for one that saves so much of its cost. */
const WORTH = 0.02

/**
 * Lays all open pairs out. Greatest waits that clash are named and let go, so that there is always a timetable; holds and
 * hours are always kept. Null only where a last is never given back.
 */
export function layOut(days: DaysProblem, how: LayOutHow): Timetable | null {
  const gone = new Set<number>()
  const saidNow = () => ({
    ...days.said,
    lags: days.said.lags.map((l, i) => (gone.has(i) ? { ...l, max: null } : l)),
  })
  // A wait that runs already and that nobody can end in time is known at once.
  for (let lag = lostLag(days.problem, days.said.lags); lag >= 0; lag = lostLag(problemOf(saidNow()), saidNow().lags)) {
    gone.add(lag)
  }
  let problem = gone.size > 0 ? problemOf(saidNow()) : days.problem
  let best = searched(problem, days, how)
  if (!best) {
    const why = whyNone(problem, saidNow().lags)
    if (why.lags.length === 0 && !why.found) return null
    for (const i of why.lags) gone.add(i)
    problem = problemOf(saidNow())
    best = searched(problem, days, how) ?? madeOf(problem, why.keys)
    if (!best) return null
  }
  const lost = [...gone].flatMap((i): LostWait[] => {
    const { from, to } = days.said.lags[i]!
    const [a, b] = [days.tasks[from], days.tasks[to]]
    return b ? [{ pair: b.pair.id, from: a?.step.id ?? days.marks.get(from) ?? '', to: b.step.id }] : []
  })
  const said = saidNow()
  return written({ ...days, said, problem, lags: said.lags }, best, lost)
}

/**
 * A greatest wait out of what is begun or done that cannot be kept, by its number; -1 where none is in the way. What ends such
 * waits is placed before all else, with all that must come before it, the one that runs out first at the head.
 */
function lostLag(problem: Problem, lags: DaysProblem['lags']): number {
  const { begun, latest, before } = problem
  const graph = begun && graphOf(problem)
  if (!begun || !graph) return -1
  const keys = new Float64Array(problem.operations).fill(LATER)
  for (let at = graph.order.length - 1; at >= 0; at--) {
    const to = graph.order[at]!
    for (let k = latest.first[to]!; k < latest.first[to + 1]!; k++) {
      const from = latest.item[k]!
      if (begun.start[from]! < 0) continue
      const ended = begun.start[from]! + problem.modes.minutes[problem.modes.first[from]! + begun.mode[from]!]!
      keys[to] = Math.min(keys[to]!, ended + latest.minutes[k]!)
    }
    for (let k = before.first[to]!; k < before.first[to + 1]!; k++) {
      const earlier = before.item[k]!
      keys[earlier] = Math.min(keys[earlier]!, keys[to]!)
    }
  }
  const decoder = new Decoder(problem, graph)
  if (decoder.decode(keys, true) || decoder.lost < 0) return -1
  const from = latest.item[decoder.lost]!
  return lags.findIndex(
    (l) =>
      l.from === from &&
      l.max !== null &&
      decoder.lost >= latest.first[l.to]! &&
      decoder.lost < latest.first[l.to + 1]!,
  )
}
/** After whatever has a limit. */
const LATER = 1e9

/** The schedule of these keys: what is known to come right, where the time was too short to find anything. */
function madeOf(problem: Problem, keys: Float64Array | null): Schedule | null {
  const graph = keys && graphOf(problem)
  if (!graph) return null
  const decoder = new Decoder(problem, graph)
  if (!decoder.decode(keys, false) && !decoder.decode(keys, true)) return null
  const { start, mode, tardiness, makespan, cost } = decoder
  return { start, mode, tardiness, makespan, cost }
}

function searched(
  problem: DaysProblem['problem'],
  days: DaysProblem,
  { seed, progress, known, worth = WORTH }: LayOutHow,
): Schedule | null {
  const graph = graphOf(problem)
  if (!graph) return null
  let best: Schedule | null = null
  const keys = known ? keysOf(days, known) : undefined
  const tell = (found: Schedule) => (best = found)
  for (const _ of search(problem, { random: seeded(seed), progress, tell, ...(keys ? { from: keys } : {}) })) {
    // The time is asked for in the search itself.
  }
  const found = best as Schedule | null
  if (!found || !keys) return found
  const asKnown = madeOf(problem, keys)
  const kept = keptTo(problem, keys, known ? placesOf(days, known) : [])
  // What changes least is taken where no pair is ready later for it: else all would drift on by what once ran over.
  const stays = kept && (!asKnown || noneLater(problem, kept, asKnown)) ? kept : asKnown
  return stays && stays.cost * (1 - worth) <= found.cost ? stays : found
}

/** So much sooner a pair is not worth moving others for, minutes. */
const AS_GOOD = 60

/** Whether every pair is ready by one schedule about when it is by the other. */
function noneLater(problem: Problem, one: Schedule, other: Schedule): boolean {
  const ready = ({ start, mode }: Schedule) => {
    const ends = new Float64Array(problem.pairs)
    for (const [i, at] of start.entries()) {
      const p = problem.pair[i]!
      ends[p] = Math.max(ends[p]!, at + problem.modes.minutes[mode[i]!]!)
    }
    return ends
  }
  const others = ready(other)
  return ready(one).every((end, p) => end <= others[p]! + AS_GOOD)
}

/** Where every operation stands in what is known; a step that somebody wants elsewhere stands nowhere: it may come sooner. */
function placesOf(
  { tasks, makers, origin }: DaysProblem,
  known: Pick<Timetable, 'entries'>,
): (KnownPlace | undefined)[] {
  const entries = new Map(known.entries.map((e) => [entryKey(e), e]))
  const resources = new Map(makers.map((m, i): [string, number] => [m.id, i]))
  return tasks.map((task) => {
    if (!task || task.pair.wishes?.some((w) => w.step === task.step.id)) return undefined
    const entry = entries.get(entryKey({ pair: task.pair.id, step: task.step.id, part: task.part }))
    const resource = entry && resources.get(entry.maker)
    return entry && resource !== undefined ? { resource, start: (entry.start - origin) / 60_000 } : undefined
  })
}
const entryKey = ({ pair, step, part }: Pick<TimetableEntry, 'pair' | 'step' | 'part'>): string =>
  `${pair} ${step} ${part}`

/**
 * Starts as they are known, as keys: what must come later now (it was put there, or what comes before it ended later) carries
 * on what follows it, so that it is placed among what lies there then, and not before it. What is new comes after what it
 * waits for.
 */
function keysOf({ problem, tasks, origin }: DaysProblem, { entries }: Pick<Timetable, 'entries'>): Float64Array {
  const known = new Map(entries.map((e) => [entryKey(e), e]))
  const keys = new Float64Array(problem.operations)
  const ends = new Float64Array(problem.operations)
  const order = graphOf(problem)?.order ?? new Int32Array()
  for (const i of order) {
    const task = tasks[i]
    const entry = task && known.get(entryKey({ pair: task.pair.id, step: task.step.id, part: task.part }))
    let after = Math.max(0, problem.release[i]!)
    for (let k = problem.before.first[i]!; k < problem.before.first[i + 1]!; k++) {
      after = Math.max(after, ends[problem.before.item[k]!]! + problem.before.minutes[k]!)
    }
    keys[i] = Math.max(after, entry ? (entry.start - origin) / 60_000 : 0)
    ends[i] = keys[i] + (entry ? (entry.end - entry.start) / 60_000 : leastMinutes(problem, i))
  }
  return keys
}

function written(days: DaysProblem, { start, mode }: Schedule, lost: LostWait[]): Timetable {
  const { problem, tasks, makers, origin } = days
  const reasons = new Reasons(days, start, mode)
  const instant = (minute: number) => origin + minute * 60_000
  const ends = start.map((at, i) => at + problem.modes.minutes[mode[i]!]!)
  const entries = tasks.flatMap((task, i): TimetableEntry[] =>
    task
      ? [
          {
            pair: task.pair.id,
            step: task.step.id,
            part: task.part,
            parts: task.parts,
            maker: makers[problem.modes.item[mode[i]!]!]!.id,
            start: instant(start[i]!),
            end: instant(ends[i]!),
            begun: task.standing.state === 'started',
          },
        ]
      : [],
  )
  entries.sort((a, b) => a.start - b.start)
  const pairs = [...new Map(tasks.flatMap((t) => (t ? [[t.pair.id, t.pair] as const] : []))).keys()].map(
    (id): PairOutlook => {
      const mine = tasks.flatMap((t, i) => (t?.pair.id === id ? [i] : []))
      const last = mine.reduce((a, b) => (ends[b]! > ends[a]! ? b : a))
      const due = problem.due[problem.pair[last]!]!
      const ready = ends[last]!
      return {
        pair: id,
        ready: instant(ready),
        due: due === Infinity ? null : instant(due),
        late: Math.max(0, ready - due),
        chain: decidingChain(days, reasons, last),
      }
    },
  )
  const nobody = days.nobody.map(({ pair, step, why }) => ({ pair: pair.id, step: step.id, why }))
  return { madeAt: instant(days.now), entries, pairs, lost, nobody }
}
