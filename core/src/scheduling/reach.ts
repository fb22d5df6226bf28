import { openPath } from './bound.ts'
import type { Graph } from './graph.ts'
import type { Problem } from './problem.ts'

/** From one moment to the next for which the end is known, minutes; and so many moments at the most, for all operations. */
const GRID = 15
const MOST = 1_500_000
/** Ends are known for so many times the longest path of waits in open hours, and a week, minutes. */
const AHEAD = 4
const WEEK = 7 * 1440

/**
 * When the last of all that must follow an operation ends at the soonest, every resource taken to be free but the hours that
 * are closed. What it comes to depends on when the operation begins: work that ends in the evening goes on in the morning.
 */
export class Reach {
  private readonly grid: number
  private readonly moments: number
  /** For each operation and each moment from which on it may begin: the soonest end. */
  private readonly ends: Int32Array

  constructor(
    private readonly problem: Problem,
    private readonly graph: Graph,
  ) {
    const { operations: n, closed } = problem
    const until = closed.some((list) => list.length > 0) ? AHEAD * openPath(problem, graph) + WEEK : 0
    this.grid = Math.max(GRID, Math.ceil((until * n) / MOST))
    this.moments = Math.ceil(until / this.grid)
    this.ends = new Int32Array(n * this.moments)
    if (this.moments > 0) for (let o = n - 1; o >= 0; o--) this.lookAhead(graph.order[o]!)
  }

  /** The ends of one operation, when those of all that follow it are known. */
  private lookAhead(i: number): void {
    const { after, modes, closed } = this.problem
    const minutes = this.graph.minutes[i]!
    const who = Array.from(
      { length: modes.first[i + 1]! - modes.first[i]! },
      (_, m) => modes.item[modes.first[i]! + m]!,
    )
    const passed = new Int32Array(who.length)
    for (let m = 0; m < this.moments; m++) {
      // As soon as anybody may who can: each one's closed hours are gone through with the moments.
      let at = Infinity
      for (let w = 0; w < who.length; w++) {
        const hours = closed[who[w]!]!
        let open = m * this.grid
        while (passed[w]! < hours.length && hours[passed[w]!]![1] <= open) passed[w]!++
        for (let h = passed[w]!; h < hours.length && hours[h]![0] < open + minutes; h++) {
          open = Math.max(open, hours[h]![1])
        }
        at = Math.min(at, open)
      }
      let last = at + this.graph.tail[i]!
      for (let k = after.first[i]!; k < after.first[i + 1]!; k++) {
        last = Math.max(last, this.at(after.item[k]!, at + minutes + after.minutes[k]!))
      }
      this.ends[i * this.moments + m] = last
    }
  }

  /** The soonest end of the last that follows an operation which begins at a time or later, minutes. */
  at(operation: number, time: number): number {
    const blind = time + this.graph.tail[operation]!
    const m = Math.floor(time / this.grid)
    return m < this.moments ? Math.max(blind, this.ends[operation * this.moments + m]!) : blind
  }
}
