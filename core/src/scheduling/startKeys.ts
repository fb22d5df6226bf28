import type { Graph } from './graph.ts'
import type { Orders, Turn } from './holdOrders.ts'
import { hoursOf, openFrom, openUntil } from './openTime.ts'
import type { Problem } from './problem.ts'

/**
 * Keys to begin with: the latest start of every operation that keeps its pair in time, hours and the turns on held resources
 * kept, every other resource taken to be free. A pair that cannot be in time is given as long as it needs.
 */
export function startKeys(
  problem: Problem,
  graph: Graph,
  turns: ReadonlyMap<number, readonly Turn[]>,
  orders: Orders,
): Float64Array {
  const n = problem.operations
  const arcs: [number, number][] = []
  for (const [resource, list] of turns) {
    const units = problem.capacity[resource]!
    const order = orders.get(resource) ?? []
    for (let k = units; k < order.length; k++) {
      const [first, next] = [problem.holds[list[order[k - units]!]!.hold]!, problem.holds[list[order[k]!]!.hold]!]
      arcs.push([first.to, next.from])
    }
  }
  const { order, follows } = orderWith(problem, graph, arcs)
  const start = problem.release.slice()
  const completion = new Float64Array(problem.pairs)
  let length = 0
  for (const i of order) {
    start[i] = openFrom(hoursOf(problem, i), start[i]!, graph.minutes[i]!)
    const end = start[i] + graph.minutes[i]!
    const p = problem.pair[i]!
    completion[p] = Math.max(completion[p]!, end)
    length = Math.max(length, end)
    eachAfter(problem, follows, i, (next, wait) => (start[next] = Math.max(start[next]!, end + wait)))
  }
  const keys = new Float64Array(n)
  for (let o = n - 1; o >= 0; o--) {
    const i = order[o]!
    const p = problem.pair[i]!
    const due = problem.due[p]!
    let until = problem.objective === 'tardiness' ? Math.max(due === Infinity ? length : due, completion[p]!) : length
    eachAfter(problem, follows, i, (next, wait) => (until = Math.min(until, keys[next]! - wait)))
    keys[i] = openUntil(hoursOf(problem, i), until, graph.minutes[i]!)
  }
  return keys
}

function eachAfter(
  { after }: Problem,
  follows: ReadonlyMap<number, readonly number[]>,
  i: number,
  then: (next: number, wait: number) => void,
): void {
  for (let k = after.first[i]!; k < after.first[i + 1]!; k++) then(after.item[k]!, after.minutes[k]!)
  for (const next of follows.get(i) ?? []) then(next, 0)
}

/** The order of the waits with arcs added; an arc that would go round in a circle with what is there is left out. */
function orderWith(problem: Problem, graph: Graph, arcs: readonly [number, number][]) {
  const { operations: n, after, before } = problem
  const follows = new Map<number, number[]>()
  for (const [from, to] of arcs) follows.set(from, [...(follows.get(from) ?? []), to])
  const waitsFor = Int32Array.from({ length: n }, (_, i) => before.first[i + 1]! - before.first[i]!)
  for (const [, to] of arcs) waitsFor[to]!++
  const order: number[] = []
  for (let i = 0; i < n; i++) if (waitsFor[i] === 0) order.push(i)
  for (let read = 0; read < order.length; read++) {
    const i = order[read]!
    for (let k = after.first[i]!; k < after.first[i + 1]!; k++) {
      if (--waitsFor[after.item[k]!]! === 0) order.push(after.item[k]!)
    }
    for (const next of follows.get(i) ?? []) if (--waitsFor[next]! === 0) order.push(next)
  }
  // Turns on several resources can cross: then the waits alone are asked.
  return order.length === n
    ? { order: Int32Array.from(order), follows }
    : { order: graph.order, follows: new Map<number, number[]>() }
}
