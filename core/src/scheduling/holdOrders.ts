import type { Graph } from './graph.ts'
import { hoursOf, openFrom } from './openTime.ts'
import { costOf } from './measure.ts'
import type { Problem } from './problem.ts'

/** One pair's turn on a held resource, as far as the waits alone tell: minutes. */
export interface Turn {
  hold: number
  /** It cannot be taken sooner. */
  head: number
  /** From taking it to giving it back. */
  span: number
  /** From giving it back to the end of the pair. */
  tail: number
  due: number
  weight: number
}

/** For each held resource the numbers of its turns, in their order. */
export type Orders = ReadonlyMap<number, readonly number[]>

/** The turns on each held resource, by resource. */
export function turnsOf(problem: Problem, graph: Graph): Map<number, Turn[]> {
  const turns = new Map<number, Turn[]>()
  problem.holds.forEach(({ resource, from, to }, hold) => {
    const ends = spanFrom(problem, graph, from)
    const pair = problem.pair[to]!
    const turn: Turn = {
      hold,
      head: graph.head[from]!,
      span: Math.max(graph.minutes[from]!, (ends[to] ?? 0) - graph.head[from]!),
      tail: graph.tail[to]! - graph.minutes[to]!,
      due: problem.due[pair]!,
      weight: problem.weight[pair]!,
    }
    turns.set(resource, [...(turns.get(resource) ?? []), turn])
  })
  return turns
}

/** The earliest ends of all that must follow an operation which begins at its own head, open hours kept; 0 for the rest. */
function spanFrom(problem: Problem, { order, head, minutes }: Graph, from: number): Int32Array {
  const { after, operations } = problem
  const ready = new Int32Array(operations).fill(-1)
  const ends = new Int32Array(operations)
  ready[from] = head[from]!
  for (const i of order) {
    if (ready[i]! < 0) continue
    ends[i] = openFrom(hoursOf(problem, i), ready[i]!, minutes[i]!) + minutes[i]!
    for (let k = after.first[i]!; k < after.first[i + 1]!; k++) {
      const next = after.item[k]!
      ready[next] = Math.max(ready[next]!, ends[i] + after.minutes[k]!)
    }
  }
  return ends
}

/** What an order of turns costs on so many units, by the aim that counts; `order` are numbers of turns. */
function turnCost(problem: Problem, turns: readonly Turn[], order: readonly number[], units: number): number {
  const free = new Float64Array(units)
  let [late, length] = [0, 0]
  for (const t of order) {
    const { head, span, tail, due, weight } = turns[t]!
    let unit = 0
    for (let u = 1; u < units; u++) if (free[u]! < free[unit]!) unit = u
    free[unit] = Math.max(free[unit]!, head) + span
    const ready = free[unit]! + tail
    length = Math.max(length, ready)
    late += weight * Math.max(0, ready - due)
  }
  return costOf(problem.objective, late, length)
}

/**
 * An order of the turns on one held resource: by when each should be ready, then improved by moving one turn elsewhere until
 * no move helps.
 */
export function orderTurns(problem: Problem, turns: readonly Turn[], units: number): number[] {
  const wish = turns.map((t) =>
    problem.objective === 'tardiness' && t.due < Infinity ? t.due - t.tail - t.span : t.head - t.tail,
  )
  let order = turns.map((_, i) => i).sort((a, b) => wish[a]! - wish[b]!)
  let cost = turnCost(problem, turns, order, units)
  for (let better = true; better;) {
    better = false
    for (let i = 0; i < order.length; i++) {
      for (let j = 0; j < order.length; j++) {
        if (i === j) continue
        const next = [...order]
        next.splice(j, 0, ...next.splice(i, 1))
        const then = turnCost(problem, turns, next, units)
        if (then >= cost) continue
        ;[order, cost, better] = [next, then, true]
      }
    }
  }
  return order
}
