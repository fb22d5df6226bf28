import { leastMinutes, type Problem } from './problem.ts'

/** What follows from the waits alone. */
export interface Graph {
  /** Operations so that each comes after all that it waits for. */
  order: Int32Array
  /** Earliest start of each, minutes, if every resource were free. */
  head: Int32Array
  /** From the start of each to the end of the last that must follow it, minutes; a bound, whoever does them. */
  tail: Int32Array
  /** Least minutes of each. */
  minutes: Int32Array
}

/** The order that the least waits give (Kahn 1962), and the longest paths. Null where they go round in a circle. */
export function graphOf(problem: Problem): Graph | null {
  const { operations: n, after, before, release } = problem
  const minutes = Int32Array.from({ length: n }, (_, i) => leastMinutes(problem, i))
  const order = new Int32Array(n)
  const waitsFor = Int32Array.from({ length: n }, (_, i) => before.first[i + 1]! - before.first[i]!)
  let [read, written] = [0, 0]
  for (let i = 0; i < n; i++) if (waitsFor[i] === 0) order[written++] = i
  const head = release.slice()
  while (read < written) {
    const i = order[read++]!
    for (let k = after.first[i]!; k < after.first[i + 1]!; k++) {
      const next = after.item[k]!
      head[next] = Math.max(head[next]!, head[i]! + minutes[i]! + after.minutes[k]!)
      if (--waitsFor[next]! === 0) order[written++] = next
    }
  }
  if (written < n) return null
  const tail = minutes.slice()
  for (let o = n - 1; o >= 0; o--) {
    const i = order[o]!
    for (let k = after.first[i]!; k < after.first[i + 1]!; k++) {
      tail[i] = Math.max(tail[i]!, minutes[i]! + after.minutes[k]! + tail[after.item[k]!]!)
    }
  }
  return { order, head, tail, minutes }
}
