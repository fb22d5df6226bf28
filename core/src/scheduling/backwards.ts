import { Decoder } from './decoder.ts'
import { graphOf, type Graph } from './graph.ts'
import { mirrored } from './mirror.ts'
import type { Problem } from './problem.ts'

/** Schedules made backwards, and the keys that they give for the way forward. Work that is begun has no way back. */
export class Backwards {
  private decoder: Decoder | null = null
  private horizon = -1
  private readonly keysBack: Float64Array
  private readonly ready: Float64Array

  constructor(
    private readonly problem: Problem,
    private readonly graph: Graph,
  ) {
    this.keysBack = new Float64Array(problem.operations)
    this.ready = new Float64Array(problem.pairs)
  }

  /** Keys by which everything comes as late as this schedule lets it; null when none came of it. They hold until the next call. */
  keys(start: Int32Array): Float64Array | null {
    const { problem, ready, keysBack } = this
    const { minutes } = this.graph
    const horizon = this.readyBy(start)
    if (!this.decoder || horizon !== this.horizon) {
      const mirror = mirrored(problem, horizon, ready)
      const graph = graphOf(mirror)
      if (!graph) return null
      this.decoder = new Decoder(mirror, graph)
      this.horizon = horizon
    } else {
      const { release, pair } = this.decoder.problem
      for (let i = 0; i < pair.length; i++) release[i] = horizon - ready[pair[i]!]!
    }
    for (let i = 0; i < problem.operations; i++) keysBack[i] = horizon - start[i]! - minutes[i]!
    if (!this.decoder.decode(keysBack, true)) return null
    for (let i = 0; i < problem.operations; i++) keysBack[i] = horizon - this.decoder.end[i]!
    return keysBack
  }

  /** By when each pair must be done: in time if it can be, else when it is now. Gives the last of these times. */
  private readyBy(start: Int32Array): number {
    const { problem, ready } = this
    const { minutes } = this.graph
    ready.fill(0)
    let length = 0
    for (let i = 0; i < problem.operations; i++) {
      const p = problem.pair[i]!
      ready[p] = Math.max(ready[p]!, start[i]! + minutes[i]!)
      length = Math.max(length, ready[p])
    }
    let horizon = length
    for (let p = 0; p < problem.pairs; p++) {
      const due = problem.due[p]!
      ready[p] = problem.objective === 'tardiness' && due < Infinity ? Math.max(ready[p]!, due) : length
      horizon = Math.max(horizon, ready[p]!)
    }
    return horizon
  }
}
