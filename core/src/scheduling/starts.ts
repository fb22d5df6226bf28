import { type Backwards } from './backwards.ts'
import type { Decoder } from './decoder.ts'
import type { Graph } from './graph.ts'
import { orderTurns, turnsOf, type Orders } from './holdOrders.ts'
import { firstPairOrder, otherPairOrder, pairKeys, type PairOrder } from './pairOrder.ts'
import { startKeys } from './startKeys.ts'

export interface StartsHow {
  decoder: Decoder
  graph: Graph
  back: Backwards | null
  random: () => number
  progress: () => number
  /** Told after every schedule that was made, while the decoder still has it. */
  made: (eager: boolean) => void
}

/** Orders of turns are searched until so much of the time is gone, orders of pairs for the rest of the second share. */
const SHARES = { turns: 0.15, pairs: 0.35 }
/** So many times without a schedule are enough once the time is gone. */
const IN_VAIN = 40
/** Orders of pairs that came to nothing better so many times begin again near the best one. */
const STUCK = 200

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
  for (let k = 0; k < 2 || progress() < SHARES.turns || (!any && k < IN_VAIN); k++) {
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

function* searchPairs({ decoder, graph, random, progress, made }: StartsHow): Generator<void> {
  const { problem } = decoder
  if (problem.pairs < 2) return
  const keys = new Float64Array(problem.operations)
  let standing: { order: PairOrder; cost: number } = {
    order: { order: firstPairOrder(problem, graph), spacing: 1 },
    cost: Infinity,
  }
  let best = standing
  for (let k = 0, since = 0; k === 0 || progress() < SHARES.pairs; k++, since++) {
    if (since > STUCK) {
      standing = { order: otherPairOrder(best.order, 4, random), cost: Infinity }
      since = 0
    }
    const order = k === 0 ? standing.order : otherPairOrder(standing.order, 1, random)
    pairKeys(problem, graph, order, keys)
    if (decoder.decode(keys, true, standing.cost)) {
      if (decoder.cost < standing.cost) since = 0
      standing = { order, cost: decoder.cost }
      if (decoder.cost < best.cost) {
        best = standing
        made(true)
      }
    }
    yield
  }
}
