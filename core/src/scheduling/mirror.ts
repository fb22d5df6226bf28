import { packed, type Problem } from './problem.ts'

/**
 * The same work backwards from a horizon: what came first comes last, holds are given back where they were taken. A schedule
 * of it, read backwards, is one that does everything as late as it can be; its starts are good keys for the way forward
 * (forward and backward improvement, Tormos and Lova 2001).
 * `ready`: by when each pair must be done, minutes: backwards nothing of it begins before.
 */
export function mirrored(problem: Problem, horizon: number, ready: ArrayLike<number>): Problem {
  const n = problem.operations
  const { latest } = problem
  const lists: [number, number][][] = Array.from({ length: n }, () => [])
  for (let to = 0; to < n; to++) {
    for (let k = latest.first[to]!; k < latest.first[to + 1]!; k++)
      lists[latest.item[k]!]!.push([to, latest.minutes[k]!])
  }
  return {
    ...problem,
    objective: 'makespan',
    closed: problem.closed.map((list) => list.map(([from, to]) => [horizon - to, horizon - from] as const).reverse()),
    after: problem.before,
    before: problem.after,
    latest: packed(lists),
    takes: problem.gives,
    gives: problem.takes,
    holds: problem.holds.map(({ resource, from, to }) => ({ resource, from: to, to: from })),
    release: Int32Array.from({ length: n }, (_, i) => Math.max(0, horizon - ready[problem.pair[i]!]!)),
    due: new Float64Array(problem.pairs).fill(Infinity),
    changeMinutes: 0,
  }
}
