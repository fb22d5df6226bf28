import { Backwards } from './backwards.ts'
import { Decoder } from './decoder.ts'
import { graphOf } from './graph.ts'
import { Neighbours } from './neighbours.ts'
import { wantedHolds, type Problem } from './problem.ts'
import { searchStarts } from './starts.ts'

/** A schedule: when each operation starts and by which of its modes (an entry of `modes`); less cost is better. */
export interface Schedule {
  start: Int32Array
  mode: Int32Array
  tardiness: number
  makespan: number
  cost: number
}

export interface SearchHow {
  random: () => number
  /** The share of the time that is gone. */
  progress: () => number
  /** Starts of a schedule that is to be kept to as far as it goes: keys to begin with. */
  from?: ArrayLike<number>
  /** Told of every schedule that is better than all before. */
  tell: (schedule: Schedule) => void
}

/** So many starts are improved side by side. */
const KEPT = 6
/** How much of the time is gone when half of them are dropped, again and again until one is left. */
const HALVINGS = [0.7, 0.78, 0.85]
/** A climb that found nothing better in so many changes takes a larger step from its best. */
const PATIENCE = 80
/** What a change may cost at first, as a share of all; less and less until the time is gone (Kirkpatrick 1983). */
const HEAT = 0.01
/** The share of changes that are the same schedule made backwards and forwards again. */
const BACKWARDS = 0.15
/** The share of changes that are decoded the other way: eagerly or not. */
const OTHERWISE = 0.2
/** So many changes between two looks at the clock. */
const CHANGES = 10

/** One line of improvement: where it stands, the best on its way, how it is decoded. */
interface Climb {
  start: Int32Array
  cost: number
  best: Schedule
  eager: boolean
  since: number
  /** Who had what is held in which order when it began: no two climbs begin alike. */
  turns: string
}

/** Holds that more than one wants in the order in which they are taken, resource by resource; empty where there are none. */
const turnsIn = (wanted: readonly (readonly number[])[], { holds }: Problem, start: Int32Array): string =>
  wanted.map((list) => [...list].sort((a, b) => start[holds[a]!.from]! - start[holds[b]!.from]!).join(' ')).join(', ')

/**
 * Searches for a schedule until the time is gone: many starts, the best of them improved side by side, then one of them. A
 * neighbour is the present schedule with some starts changed, decoded again. Yields often. A first schedule is tried for
 * even when the time is gone; none at all is told of where no start came right.
 */
export function* search(problem: Problem, { random, progress, from, tell }: SearchHow): Generator<void> {
  const graph = graphOf(problem)
  if (!graph || problem.operations === 0) return
  const decoder = new Decoder(problem, graph)
  const back = problem.begun ? null : new Backwards(problem, graph)
  const wanted = wantedHolds(problem)
  const climbs: Climb[] = []
  let least = Infinity
  const found = (): Schedule => {
    const schedule = scheduleOf(decoder)
    if (schedule.cost < least) {
      least = schedule.cost
      tell(schedule)
    }
    return schedule
  }
  const made = (eager: boolean) => {
    if (climbs.length === KEPT && decoder.cost >= climbs.at(-1)!.cost) return
    const turns = turnsIn(wanted, problem, decoder.start)
    const alike = turns === '' ? -1 : climbs.findIndex((c) => c.turns === turns)
    if (alike >= 0 && climbs[alike]!.cost <= decoder.cost) return
    if (alike >= 0) climbs.splice(alike, 1)
    const best = found()
    climbs.push({ start: best.start.slice(), cost: best.cost, best, eager, since: 0, turns })
    climbs.sort((a, b) => a.cost - b.cost)
    climbs.length = Math.min(climbs.length, KEPT)
  }
  for (const eager of [false, true]) if (from && decoder.decode(from, eager)) made(eager)
  yield
  yield* searchStarts({ decoder, graph, back, random, progress, known: from !== undefined, made })

  const neighbours = new Neighbours(problem, graph, random)
  const keys = new Float64Array(problem.operations)
  const change = (climb: Climb): boolean => {
    if (climb.since > PATIENCE) {
      neighbours.kick(climb.best.start, keys)
      climb.since = 0
      return decoder.decode(keys, climb.eager)
    }
    const heat = HEAT * (1 - progress()) ** 2 * climb.best.cost
    const most = climb.cost - heat * Math.log(Math.max(1e-9, random()))
    if (back && random() < BACKWARDS) {
      const later = back.keys(climb.start)
      return later !== null && decoder.decode(later, climb.eager, most)
    }
    neighbours.change(climb.start, keys)
    const eager = random() < OTHERWISE ? !climb.eager : climb.eager
    if (!decoder.decode(keys, eager, most)) return false
    climb.eager = eager
    return true
  }
  for (let halvings = 0; progress() < 1 && climbs.length > 0;) {
    if (halvings < HALVINGS.length && progress() > HALVINGS[halvings]!) {
      climbs.sort((a, b) => a.best.cost - b.best.cost)
      climbs.length = Math.ceil(climbs.length / 2)
      halvings++
    }
    for (const climb of climbs) {
      for (let turn = 0; turn < CHANGES; turn++) {
        climb.since++
        if (!change(climb)) continue
        climb.start.set(decoder.start)
        climb.cost = decoder.cost
        if (decoder.cost >= climb.best.cost) continue
        climb.best = found()
        climb.since = 0
      }
      yield
    }
  }
}

const scheduleOf = ({ start, mode, tardiness, makespan, cost }: Decoder): Schedule => ({
  start: start.slice(),
  mode: mode.slice(),
  tardiness,
  makespan,
  cost,
})
