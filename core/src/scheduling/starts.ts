import { ROUNDING } from '../geometry/tolerance.ts'
import { type Backwards } from './backwards.ts'
import type { Decoder } from './decoder.ts'
import type { Graph } from './graph.ts'
import { orderTurns, turnsOf, type Orders } from './holdOrders.ts'
import { PairPlaces } from './pairPlaces.ts'
import { startKeys } from './startKeys.ts'

export interface StartsHow {
  decoder: Decoder
  graph: Graph
  back: Backwards | null
  random: () => number
  progress: () => number
  /** A schedule is known already. */
  known: boolean
  /** Told after every schedule that was made, while the decoder still has it. */
  made: (eager: boolean) => void
}

/** Orders of turns are searched until so much of the time is gone. */
const TURNS = 0.08
/** Places of pairs are searched until so much is gone: longest where some are late, less where a schedule is to be improved. */
const PLACES = { late: 0.75, anew: 0.6, known: 0.3 }
/** So many times without a schedule are enough once the time is gone. */
const IN_VAIN = 40
/** Places of pairs that came to nothing better so many times begin again from the best ones. */
const STUCK = 200
/** What other places may cost at first, as a share of the best; less and less until the share of time is gone. */
const HEAT = 0.15
/** So many schedules and more are enough for that. */
const MANY = 800
/** Of so many schedules on the way one is told of, though it is not the best. */
const ON_THE_WAY = 8
/** The share of places that are decoded the other way: eagerly or not. */
const OTHERWISE = 0.1

/**
 * Schedules to begin with. What decides most is who comes first on what is held, and which pair comes before which: these
 * orders are searched, and all else is placed as it comes.
 */
export function* searchStarts(how: StartsHow): Generator<void> {
  yield* searchTurns(how)
  yield* searchPairs(how)
}

function* searchTurns({ decoder, graph, back, random, progress, made }: StartsHow): Generator<void> {
  const { problem } = decoder
  const turns = turnsOf(problem, graph)
  const contested = [...turns].flatMap(([resource, list]) => (list.length > 1 ? [resource] : []))
  const first: Orders = new Map(
    [...turns].map(([resource, list]) => [resource, orderTurns(problem, list, problem.capacity[resource]!)]),
  )
  const changed = (from: Orders): Orders => {
    const next = new Map(from)
    for (let times = 1 + Math.floor(random() * 2); times > 0 && contested.length > 0; times--) {
      const resource = contested[Math.floor(random() * contested.length)]!
      const row = [...(next.get(resource) ?? [])]
      const [i, j] = [Math.floor(random() * row.length), Math.floor(random() * row.length)]
      row.splice(j, 0, ...row.splice(i, 1))
      next.set(resource, row)
    }
    return next
  }
  let standing = { orders: first, cost: Infinity }
  let any = false
  const length = graph.tail.reduce((most, t) => Math.max(most, t), 0)
  for (let k = 0; k < 2 || progress() < TURNS || (!any && k < IN_VAIN); k++) {
    const eager = k % 2 === 0
    const orders = k < 2 ? first : changed(standing.orders)
    const keys = startKeys(problem, graph, turns, orders)
    // Where nothing comes right by rule, chance is tried.
    if (!any && k > 4) for (let i = 0; i < keys.length; i++) keys[i]! += length * random()
    if (decoder.decode(keys, eager)) {
      any = true
      made(eager)
      if (decoder.cost <= standing.cost) standing = { orders, cost: decoder.cost }
      const later = k < 20 && back ? back.keys(decoder.start) : null
      if (later && decoder.decode(later, eager)) made(eager)
    }
    yield
  }
}

/** Where pairs stand in the row, by simulated annealing (Kirkpatrick 1983): closed hours make costs jump by days. */
function* searchPairs({ decoder, graph, random, progress, known, made }: StartsHow): Generator<void> {
  const { problem } = decoder
  if (problem.pairs < 2) return
  const keys = new Float64Array(problem.operations)
  const places = new PairPlaces(problem, graph, random)
  const began = progress()
  let until = known ? PLACES.known : PLACES.anew
  let standing = { at: places.first, eager: true, cost: Infinity }
  let best = standing
  for (let k = 0, since = 0; k === 0 || progress() < until; k++, since++) {
    if (since > STUCK) {
      standing = best
      since = 0
    }
    const at = k === 0 ? standing.at : places.other(standing.at)
    const eager = random() < OTHERWISE ? !standing.eager : standing.eager
    places.writeKeys(at, keys)
    const gone = Math.min(1, (progress() - began) / (until - began))
    // Who has time for few schedules has none for dearer ones on the way.
    const heat = HEAT * (1 - gone) ** 2 * Math.min(1, k / Math.max(gone, ROUNDING) / MANY)
    const dearer = best.cost === Infinity ? Infinity : -heat * best.cost * Math.log(1 - random())
    if (decoder.decode(keys, eager, standing.cost + dearer)) {
      standing = { at, eager, cost: decoder.cost }
      if (decoder.cost < best.cost || k % ON_THE_WAY === 0) made(eager)
      if (decoder.cost < best.cost) {
        best = standing
        since = 0
        const late = problem.objective === 'tardiness' && decoder.tardiness > 0
        if (!known) until = late ? PLACES.late : PLACES.anew
      }
    }
    yield
  }
}
