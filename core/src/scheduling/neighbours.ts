import type { Graph } from './graph.ts'
import { HeldUp } from './heldUp.ts'
import { wantedHolds, type Problem } from './problem.ts'

/** Farther than any schedule is long, minutes. */
const FAR = 1e8
/** The share of changes that are made where a pair is held up. */
const HELD_UP = 0.4

/** Schedules that are near another: its starts, some of them changed, as keys. */
export class Neighbours {
  private readonly wanted: number[][]
  private readonly heldUp: HeldUp

  constructor(
    private readonly problem: Problem,
    private readonly graph: Graph,
    private readonly random: () => number,
  ) {
    this.heldUp = new HeldUp(problem, graph, random)
    this.wanted = wantedHolds(problem)
  }

  /** Writes keys of a neighbour of a schedule into `keys`. */
  change(start: Int32Array, keys: Float64Array): void {
    for (let i = 0; i < keys.length; i++) keys[i] = start[i]!
    if (this.random() < HELD_UP && this.heldUp.change(start, keys, this.latePair(start))) return
    const chance = this.random()
    if (chance < 0.12 && this.wanted.length > 0) this.moveTurn(start, keys)
    else if (chance < 0.2) this.reinsertPair(start, keys)
    else if (chance < 0.3) this.shakeWindow(start, keys)
    else if (chance < 0.4) this.pullPair(start, keys)
    else this.moveFew(start, keys)
  }

  private pick(size: number): number {
    return Math.floor(this.random() * size)
  }

  /** One to four operations somewhere between what comes before and after them. */
  private moveFew(start: Int32Array, keys: Float64Array): void {
    const { before, after, operations } = this.problem
    const { minutes } = this.graph
    const late = this.problem.objective === 'tardiness' && this.random() < 0.6 ? this.latePair(start) : -1
    for (let times = 1 + this.pick(4); times > 0; times--) {
      let i = this.pick(operations)
      if (late >= 0) for (let tries = 0; tries < 40 && this.problem.pair[i] !== late; tries++) i = this.pick(operations)
      let [low, high] = [-1, Infinity]
      for (let k = before.first[i]!; k < before.first[i + 1]!; k++) low = Math.max(low, start[before.item[k]!]!)
      for (let k = after.first[i]!; k < after.first[i + 1]!; k++) high = Math.min(high, start[after.item[k]!]!)
      if (low < 0) low = start[i]! - 600
      if (high === Infinity) high = start[i]! + 600
      keys[i] = low + this.random() * (high + minutes[i]! - low)
    }
  }

  /** All that starts within some time, shaken. */
  private shakeWindow(start: Int32Array, keys: Float64Array): void {
    const middle = start[this.pick(start.length)]!
    const width = 30 + this.random() ** 2 * 600
    for (let i = 0; i < start.length; i++) {
      if (Math.abs(start[i]! - middle) < width) keys[i]! += (this.random() - 0.5) * width * 0.6
    }
  }

  /** A pair earlier, from some time on: one that is late, where any is and that counts. */
  private pullPair(start: Int32Array, keys: Float64Array): void {
    const { problem } = this
    const pair = this.latePair(start)
    const from = this.random() < 0.5 ? 0 : start[this.pick(start.length)]!
    const by = 20 + this.random() ** 2 * 1500
    for (let i = 0; i < start.length; i++) if (problem.pair[i] === pair && start[i]! >= from) keys[i]! -= by
  }

  /** A pair before all others, which then fit round it; or after them, into what gaps they leave. */
  private reinsertPair(start: Int32Array, keys: Float64Array): void {
    const { problem } = this
    const first = this.random() < 0.6
    const pair = first ? this.latePair(start) : this.pick(problem.pairs)
    for (let i = 0; i < start.length; i++) if (problem.pair[i] === pair) keys[i]! += first ? -FAR : FAR
  }

  private latePair(start: Int32Array): number {
    const { problem, graph } = this
    if (problem.objective === 'makespan') return this.pick(problem.pairs)
    const ready = new Float64Array(problem.pairs)
    for (let i = 0; i < start.length; i++) {
      const p = problem.pair[i]!
      ready[p] = Math.max(ready[p]!, start[i]! + graph.minutes[i]!)
    }
    const late: number[] = []
    for (let p = 0; p < problem.pairs; p++) if (ready[p]! > problem.due[p]!) late.push(p)
    return late.length > 0 && this.random() < 0.8 ? late[this.pick(late.length)]! : this.pick(problem.pairs)
  }

  /** One pair's turn on something that is held goes to another place in the row; those between move up. */
  private moveTurn(start: Int32Array, keys: Float64Array): void {
    const { problem, wanted } = this
    const { holds } = problem
    const list = wanted[this.pick(wanted.length)]!
    const row = [...list].sort((a, b) => start[holds[a]!.from]! - start[holds[b]!.from]!)
    const [from, to] = [this.pick(row.length), this.pick(row.length)]
    if (from === to) return
    const [low, high] = [Math.min(from, to), Math.max(from, to)]
    let at = start[holds[row[low]!]!.from]!
    row.splice(to, 0, ...row.splice(from, 1))
    const later = new Float64Array(problem.pairs)
    for (let k = low; k <= high; k++) {
      const hold = holds[row[k]!]!
      later[problem.pair[hold.from]!] = at - start[hold.from]!
      at += start[hold.to]! + this.graph.minutes[hold.to]! - start[hold.from]!
    }
    for (let i = 0; i < start.length; i++) keys[i]! += later[problem.pair[i]!]!
  }

  /** A schedule that lies farther off: turns moved, or pairs pulled, several times. */
  kick(start: Int32Array, keys: Float64Array): void {
    for (let i = 0; i < keys.length; i++) keys[i] = start[i]!
    for (let times = 1 + this.pick(3); times > 0; times--) {
      if (this.wanted.length > 0 && this.random() < 0.7) this.moveTurn(start, keys)
      else this.pullPair(start, keys)
    }
  }
}
