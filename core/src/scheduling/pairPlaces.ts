import type { Graph } from './graph.ts'
import type { Problem } from './problem.ts'

/** How far a pair is moved at most, times the mean length of a pair; and how near to another it is put. */
const FAR = 2.25
const NEAR = 0.2
/** The row is drawn together or apart by so much. */
const [LEAST, MOST] = [0.4, 1.8]

/**
 * Where each pair stands in the row, minutes. What stands far before another is worked on wholly before it, what stands
 * near it in turns with it: one number a pair, by which nearly every good schedule can be said.
 */
export class PairPlaces {
  /** Who should begin soonest to be in time comes first, heavier ones sooner; each is a pair's length behind the last. */
  readonly first: Float64Array<ArrayBuffer>
  private readonly mean: number

  constructor(
    private readonly problem: Problem,
    private readonly graph: Graph,
    private readonly random: () => number,
  ) {
    const { pairs, pair, due, weight } = problem
    const length = new Float64Array(pairs)
    for (let i = 0; i < pair.length; i++) length[pair[i]!] = Math.max(length[pair[i]!]!, graph.tail[i]!)
    this.mean = length.reduce((a, b) => a + b, 0) / Math.max(1, pairs)
    const wish = (p: number) => (due[p] === Infinity ? Infinity : (due[p]! - length[p]!) / Math.max(0.1, weight[p]!))
    const order = Array.from({ length: pairs }, (_, p) => p).sort((a, b) => wish(a) - wish(b) || a - b)
    this.first = new Float64Array(pairs)
    order.forEach((p, rank) => (this.first[p] = rank * this.mean))
  }

  /** Keys by which pairs come in their places, and within a pair what has most after it. */
  writeKeys(at: Float64Array, keys: Float64Array): void {
    const { pair } = this.problem
    const { tail } = this.graph
    for (let i = 0; i < keys.length; i++) keys[i] = at[pair[i]!]! - tail[i]!
  }

  /** Other places: one pair farther on or back, just before or after another, two in each other's, or all drawn together or apart. */
  other(at: Float64Array): Float64Array<ArrayBuffer> {
    const { random, mean } = this
    const next = at.slice()
    const pick = () => Math.floor(random() * next.length)
    const [i, j] = [pick(), pick()]
    const chance = random()
    if (chance < 0.35) next[i]! += ((random() + random() + random()) / 1.5 - 1) * FAR * mean
    else if (chance < 0.6) next[i] = next[j]! + (2 * random() - 1) * NEAR * mean
    else if (chance < 0.9) [next[i], next[j]] = [next[j]!, next[i]!]
    else {
      const [by, middle] = [LEAST + (MOST - LEAST) * random(), next[i]!]
      for (let p = 0; p < next.length; p++) next[p] = middle + (next[p]! - middle) * by
    }
    return next
  }
}
