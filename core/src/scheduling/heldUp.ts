import type { Graph } from './graph.ts'
import type { Problem } from './problem.ts'

/** Where the walk back from a pair's end stops of itself. */
const STEPS = 60
/** The chance that a place somebody else has taken is where the change is made; else the walk goes on. */
const HERE = 0.35

/**
 * Changes a schedule where it is held up: from the end of a pair back along what each operation waited for. Where that was
 * not one of its own forerunners but another pair's work, on the same hands, machine or last, the two change their turns
 * (after the neighbourhood of disjunctive arcs on a longest path, van Laarhoven, Aarts and Lenstra 1992).
 */
export class HeldUp {
  private readonly blockers: number[] = []

  constructor(
    private readonly problem: Problem,
    private readonly graph: Graph,
    private readonly random: () => number,
  ) {}

  /** Writes into `keys`, which are the starts, the change on the way back from a pair's last operation; false: there was none. */
  change(start: Int32Array, keys: Float64Array, pair: number): boolean {
    let i = this.lastOf(start, pair)
    for (let steps = 0; steps < STEPS && i >= 0; steps++) {
      const { from, ready } = this.waitedFor(start, i)
      if (start[i]! > ready && this.findBlockers(start, i, ready)) {
        const j = this.blockers[Math.floor(this.random() * this.blockers.length)]!
        if (this.random() < HERE) {
          this.swap(start, keys, i, j)
          return true
        }
        i = this.random() < 0.5 || from < 0 ? j : from
      } else i = from
    }
    return false
  }

  private lastOf(start: Int32Array, pair: number): number {
    const { problem, graph } = this
    let [last, end] = [-1, -1]
    for (let i = 0; i < start.length; i++) {
      if (problem.pair[i] !== pair || start[i]! + graph.minutes[i]! <= end) continue
      last = i
      end = start[i]! + graph.minutes[i]!
    }
    return last
  }

  /** The forerunner that let an operation begin last, -1 none, and when that was. */
  private waitedFor(start: Int32Array, i: number): { from: number; ready: number } {
    const { before, release } = this.problem
    let [from, ready] = [-1, release[i]!]
    for (let k = before.first[i]!; k < before.first[i + 1]!; k++) {
      const b = before.item[k]!
      const at = start[b]! + this.graph.minutes[b]! + before.minutes[k]!
      if (at < ready || (at === ready && from >= 0)) continue
      from = b
      ready = at
    }
    return { from, ready }
  }

  /** Who has what an operation needs while it could have begun. */
  private findBlockers(start: Int32Array, i: number, ready: number): boolean {
    const { blockers, problem } = this
    const { takes, holds } = problem
    blockers.length = 0
    for (let j = 0; j < start.length; j++) {
      if (start[j]! >= start[i]! || start[j]! + this.graph.minutes[j]! <= ready || j === i) continue
      if (this.shares(i, j)) blockers.push(j)
    }
    for (let h = takes.first[i]!; h < takes.first[i + 1]!; h++) {
      const { resource } = holds[takes.item[h]!]!
      for (const hold of holds) {
        if (hold.resource !== resource || hold.from === i || start[hold.from]! > start[i]!) continue
        if (start[hold.to]! + this.graph.minutes[hold.to]! > ready) blockers.push(hold.from)
      }
    }
    return blockers.length > 0
  }

  /** Whether two operations may need the same hands or the same thing. */
  private shares(i: number, j: number): boolean {
    const { modes, uses } = this.problem
    for (let a = modes.first[i]!; a < modes.first[i + 1]!; a++) {
      for (let b = modes.first[j]!; b < modes.first[j + 1]!; b++) if (modes.item[a] === modes.item[b]) return true
    }
    for (let a = uses.first[i]!; a < uses.first[i + 1]!; a++) {
      for (let b = uses.first[j]!; b < uses.first[j + 1]!; b++) if (uses.item[a] === uses.item[b]) return true
    }
    return false
  }

  /** One comes just before the other, with all that it waits for; or the other just after it. */
  private swap(start: Int32Array, keys: Float64Array, i: number, j: number): void {
    if (this.random() < 0.5) {
      keys[j] = start[i]! + 0.5
      return
    }
    const { before } = this.problem
    const until = start[j]! - 0.5
    const stack = [i]
    while (stack.length > 0) {
      const next = stack.pop()!
      if (keys[next]! < until) continue
      keys[next] = until
      for (let k = before.first[next]!; k < before.first[next + 1]!; k++) stack.push(before.item[k]!)
    }
  }
}
