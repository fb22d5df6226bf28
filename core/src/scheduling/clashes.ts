import { leastMinutes, type Lag, type Problem } from './problem.ts'

/**
 * Lags that cannot all be kept, whoever works: they go round in a circle that ends later than it begins. Found by relaxing
 * longest paths (Bellman 1958): an edge from -> to of d(from) + min, and one back of -(d(from) + max) for a greatest wait; a
 * change after as many rounds as there are operations lies on a circle. Empty when none clash. Numbers of lags.
 */
export function clashingLags(problem: Problem, lags: readonly Lag[]): number[] {
  const n = problem.operations
  const edges = lags.flatMap(({ from, to, min, max }, lag) => {
    const minutes = leastMinutes(problem, from)
    const there = { from, to, length: minutes + min, lag }
    // Whoever does it fastest: a slower one is no cure for waits that clash.
    return max === null ? [there] : [there, { from: to, to: from, length: -(minutes + max), lag }]
  })
  const at = new Float64Array(n)
  const by = new Int32Array(n).fill(-1)
  let changed = -1
  for (let round = 0; round <= n; round++) {
    changed = -1
    edges.forEach((edge, e) => {
      if (at[edge.from]! + edge.length <= at[edge.to]!) return
      at[edge.to] = at[edge.from]! + edge.length
      by[edge.to] = e
      changed = edge.to
    })
    if (changed < 0) return []
  }
  // So many steps back one is on the circle for certain.
  let on = changed
  for (let k = 0; k < n; k++) on = edges[by[on]!]!.from
  const circle: number[] = []
  let i = on
  do {
    const edge = edges[by[i]!]!
    circle.push(edge.lag)
    i = edge.from
  } while (i !== on)
  return [...new Set(circle)].reverse()
}
