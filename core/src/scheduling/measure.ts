import type { Objective, Problem } from './problem.ts'

/** Weighted tardiness and length as one number, the first weighing before the second: longer than this is no schedule, minutes. */
const FIRST = 2 ** 26

export const costOf = (objective: Objective, late: number, length: number): number =>
  objective === 'tardiness' ? late * FIRST + length : length * FIRST + late

/** What a schedule comes to: weighted minutes of tardiness, the end of its last operation, and a number to compare it by. */
export class Measure {
  private readonly completion: Int32Array
  private readonly byStart: Int32Array

  constructor(private readonly problem: Problem) {
    this.completion = new Int32Array(problem.pairs)
    this.byStart = new Int32Array(problem.operations)
  }

  of(schedule: { start: Int32Array; end: Int32Array; mode: Int32Array }) {
    const { problem, completion } = this
    completion.fill(0)
    for (let i = 0; i < problem.operations; i++) {
      const p = problem.pair[i]!
      completion[p] = Math.max(completion[p]!, schedule.end[i]!)
    }
    let [tardiness, makespan, hurried] = [0, 0, 0]
    for (let p = 0; p < problem.pairs; p++) {
      makespan = Math.max(makespan, completion[p]!)
      hurried += problem.haste[p]! * completion[p]!
      tardiness += problem.weight[p]! * Math.max(0, completion[p]! - problem.due[p]!)
    }
    const turning = problem.changeMinutes === 0 ? 0 : problem.changeMinutes * this.changes(schedule)
    return { tardiness, makespan, cost: costOf(problem.objective, tardiness, makespan + turning + hurried) }
  }

  /** How often somebody turns from one kind of work to another. */
  private changes({ start, mode }: { start: Int32Array; mode: Int32Array }): number {
    const { problem, byStart } = this
    for (let i = 0; i < problem.operations; i++) byStart[i] = i
    byStart.sort((a, b) => start[a]! - start[b]!)
    const last = new Map<number, number>()
    let changes = 0
    for (const i of byStart) {
      const kind = problem.kind[i]!
      if (kind < 0) continue
      const who = problem.modes.item[mode[i]!]!
      if (last.get(who) !== kind) changes++
      last.set(who, kind)
    }
    return changes
  }
}
