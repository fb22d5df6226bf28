import type { Graph } from './graph.ts'
import type { Problem } from './problem.ts'

/** Pairs in an order, and how far one is put before the next: 0 not at all, 1 by its own length, more: wholly before it. */
export interface PairOrder {
  order: readonly number[]
  spacing: number
}

/** An order to begin with: who should begin soonest to be in time, heavier ones sooner. */
export function firstPairOrder(problem: Problem, graph: Graph): number[] {
  const length = pairLengths(problem, graph)
  const wish = (p: number) => {
    const due = problem.due[p]!
    return due === Infinity ? Infinity : (due - length[p]!) / Math.max(0.1, problem.weight[p]!)
  }
  return Array.from({ length: problem.pairs }, (_, p) => p).sort((a, b) => wish(a) - wish(b) || a - b)
}

/** Keys by which pairs come in an order, and within a pair what has most after it. */
export function pairKeys(problem: Problem, graph: Graph, { order, spacing }: PairOrder, keys: Float64Array): void {
  const length = pairLengths(problem, graph)
  const mean = length.reduce((a, b) => a + b, 0) / Math.max(1, length.length)
  const at = new Float64Array(problem.pairs)
  order.forEach((p, rank) => (at[p] = rank * spacing * mean))
  for (let i = 0; i < keys.length; i++) keys[i] = at[problem.pair[i]!]! - graph.tail[i]!
}

function pairLengths({ pair, pairs }: Problem, { tail }: Graph): Float64Array {
  const length = new Float64Array(pairs)
  for (let i = 0; i < pair.length; i++) length[pair[i]!] = Math.max(length[pair[i]!]!, tail[i]!)
  return length
}

/** Another order: one pair elsewhere or two in each other's places, or another spacing. */
export function otherPairOrder({ order, spacing }: PairOrder, times: number, random: () => number): PairOrder {
  const next = [...order]
  const pick = () => Math.floor(random() * next.length)
  for (let k = 0; k < times; k++) {
    const [i, j] = [pick(), pick()]
    if (random() < 0.5) next.splice(j, 0, ...next.splice(i, 1))
    else [next[i], next[j]] = [next[j]!, next[i]!]
  }
  return { order: next, spacing: random() < 0.15 ? SPACINGS[Math.floor(random() * SPACINGS.length)]! : spacing }
}
const SPACINGS = [0.1, 0.3, 1, 4]
