import { Decoder } from '../scheduling/decoder.ts'
import { graphOf } from '../scheduling/graph.ts'
import { packed, type Problem } from '../scheduling/problem.ts'
import type { Schedule } from '../scheduling/search.ts'

/** How an operation stands in a timetable that people know: with whom, as a resource, and from when, in minutes. */
export interface KnownPlace {
  resource: number
  start: number
}

/**
 * The schedule of these keys that changes as little as it must: what is known stays with whom it was and begins no sooner than
 * it did, so that only what cannot keep its place moves, and what waits for it. Null where that comes to no schedule. Modes
 * are numbered as in the problem that was given.
 */
export function keptTo(
  problem: Problem,
  keys: Float64Array,
  known: readonly (KnownPlace | undefined)[],
): Schedule | null {
  const { modes, begun } = problem
  const release = problem.release.slice()
  /** Numbers of the modes that are left, in the problem that was given. */
  const numbers: number[] = []
  const lists = Array.from({ length: problem.operations }, (_, i) => {
    const all = Array.from({ length: modes.first[i + 1]! - modes.first[i]! }, (_mode, k) => modes.first[i]! + k)
    const place = begun && begun.start[i]! >= 0 ? undefined : known[i]
    if (place) release[i] = Math.max(release[i]!, place.start)
    const same = place ? all.filter((m) => modes.item[m] === place.resource) : []
    const left = same.length > 0 ? same : all
    numbers.push(...left)
    return left.map((m) => [modes.item[m]!, modes.minutes[m]!] as const)
  })
  const kept: Problem = { ...problem, modes: packed(lists), release }
  const graph = graphOf(kept)
  if (!graph) return null
  const decoder = new Decoder(kept, graph)
  if (!decoder.decode(keys, false) && !decoder.decode(keys, true)) return null
  const { start, tardiness, makespan, cost } = decoder
  return { start, mode: decoder.mode.map((m) => numbers[m]!), tardiness, makespan, cost }
}
