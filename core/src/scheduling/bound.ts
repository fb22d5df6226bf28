import type { Graph } from './graph.ts'
import { turnsOf, type Turn } from './holdOrders.ts'
import { soonestOpen } from './openTime.ts'
import type { Problem } from './problem.ts'

/** So many turns on a held resource are tried in every order. */
const EVERY_ORDER = 7

/**
 * No schedule is shorter than this, minutes: the longest path of waits in open hours; the work that all hands together
 * have, after the least head and before the least tail; and the turns on each held resource in their best order.
 */
export function leastMakespan(problem: Problem, graph: Graph): number {
  const { operations: n } = problem
  const { head, tail } = graph
  let least = 0
  for (let i = 0; i < n; i++) least = Math.max(least, head[i]! + tail[i]!)
  return Math.max(least, openPath(problem, graph), ...energies(problem, graph), ...turnsBound(problem, graph))
}

/** The longest path when each waits for open hours too, minutes. */
export function openPath(problem: Problem, { order, minutes }: Graph): number {
  const { after, release } = problem
  const start = release.slice()
  let length = 0
  for (const i of order) {
    const end = soonestOpen(problem, i, start[i]!) + minutes[i]!
    length = Math.max(length, end)
    for (let k = after.first[i]!; k < after.first[i + 1]!; k++) {
      start[after.item[k]!] = Math.max(start[after.item[k]!]!, end + after.minutes[k]!)
    }
  }
  return length
}

/** For each resource that is the only one for its operations: all the work on it, by open hours. */
function energies(problem: Problem, { head, tail, minutes }: Graph): number[] {
  const { operations: n, modes, uses, capacity, closed } = problem
  return [...capacity].flatMap((units, r) => {
    let [work, first, last] = [0, Infinity, Infinity]
    const asks = (i: number) => {
      if (modes.first[i + 1]! - modes.first[i]! === 1 && modes.item[modes.first[i]!] === r) return true
      for (let u = uses.first[i]!; u < uses.first[i + 1]!; u++) if (uses.item[u] === r) return true
      return false
    }
    for (let i = 0; i < n; i++) {
      if (!asks(i)) continue
      work += minutes[i]!
      first = Math.min(first, head[i]!)
      last = Math.min(last, tail[i]! - minutes[i]!)
    }
    if (work === 0 || units === 0) return []
    // The work of all units one after the other, in open minutes.
    let [left, at] = [Math.ceil(work / units), first]
    for (const [from, to] of closed[r]!) {
      if (to <= at) continue
      const open = Math.max(0, from - at)
      if (open >= left) break
      left -= open
      at = to
    }
    return [at + left + last]
  })
}

function turnsBound(problem: Problem, graph: Graph): number[] {
  return [...turnsOf(problem, graph)].flatMap(([resource, turns]) => {
    // Spans are least ones only where no hour is closed.
    if (problem.capacity[resource] !== 1 || problem.closed.some((c) => c.length > 0)) return []
    return [turns.length <= EVERY_ORDER ? bestOrder(turns) : relaxedOrder(turns)]
  })
}

function bestOrder(turns: readonly Turn[]): number {
  let best = Infinity
  const go = (left: readonly Turn[], free: number, length: number) => {
    if (length >= best) return
    if (left.length === 0) best = length
    for (const t of left) {
      const gives = Math.max(free, t.head) + t.span
      go(
        left.filter((o) => o !== t),
        gives,
        Math.max(length, gives + t.tail),
      )
    }
  }
  go(turns, 0, 0)
  return best
}

const relaxedOrder = (turns: readonly Turn[]): number =>
  Math.min(...turns.map((t) => t.head)) +
  turns.reduce((sum, t) => sum + t.span, 0) +
  Math.min(...turns.map((t) => t.tail))
