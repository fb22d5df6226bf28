import { z } from 'zod'
import { problemOf, type Lag, type Problem } from './problem.ts'

/** So much at most: a year of work of a small factory. */
const MOST_OPERATIONS = 20_000
const Minute = z.number().int().min(0).max(100_000_000)
const Id = z.string().min(1).max(200)

/** Work to be scheduled, as a file: whole minutes. */
export const ScheduleInstance = z.object({
  /** Whoever works: each operation takes one of them for all its duration. */
  hands: z.number().int().min(1).max(1000),
  resources: z
    .array(z.object({ id: Id, capacity: z.number().int().min(0).max(100_000) }))
    .max(10_000)
    .default([]),
  ops: z
    .array(z.object({ id: Id, pair: Id, duration: Minute, uses: z.array(Id).max(100).default([]) }))
    .max(MOST_OPERATIONS, `At most ${MOST_OPERATIONS} operations are scheduled at a time.`),
  /** min <= start(to) - end(from) <= max. */
  lags: z
    .array(z.object({ from: Id, to: Id, min: Minute.default(0), max: Minute.nullable().default(null) }))
    .max(100_000)
    .default([]),
  /** One unit from start(from) to end(to), waits included. */
  holds: z
    .array(z.object({ resource: Id, from: Id, to: Id }))
    .max(20_000)
    .default([]),
  due: z.record(Id, Minute).default({}),
  weights: z.record(Id, z.number().min(0)).default({}),
  objective: z.enum(['tardiness', 'makespan']).default('tardiness'),
  /** When nobody works, [from, to): nights and closed days. Waits and holds run through. */
  closed: z
    .array(z.tuple([Minute, Minute]))
    .max(10_000)
    .default([]),
})
export type ScheduleInstance = z.infer<typeof ScheduleInstance>

/** An instance that names what it has not, or asks for what cannot be. */
export class InstanceError extends Error {}

/** An instance packed for the search, with its lags by number. Throws InstanceError with a sentence. */
export function problemOfInstance(instance: ScheduleInstance): { problem: Problem; lags: Lag[] } {
  const numbers = (what: string, ids: readonly string[]) => {
    const by = new Map<string, number>()
    for (const id of ids) {
      if (by.has(id)) throw new InstanceError(`Two ${what} are called ${id}: give each a name of its own.`)
      by.set(id, by.size)
    }
    return (id: string, where: string): number => {
      const number = by.get(id)
      if (number === undefined) throw new InstanceError(`${where} names ${id}, which is none of the ${what}.`)
      return number
    }
  }
  const { ops, hands } = instance
  const op = numbers(
    'operations',
    ops.map((o) => o.id),
  )
  const resource = numbers(
    'resources',
    instance.resources.map((r) => r.id),
  )
  const pairs = [...new Set(ops.map((o) => o.pair))]
  const pair = numbers('pairs', pairs)
  for (const id of [...Object.keys(instance.due), ...Object.keys(instance.weights)]) pair(id, 'A due date or weight')
  const lags = instance.lags.map((l): Lag => {
    const [from, to] = [op(l.from, 'A lag'), op(l.to, 'A lag')]
    if (from === to) throw new InstanceError(`A lag goes from ${l.from} to itself.`)
    return { from, to, min: l.min, max: l.max }
  })
  // Hands are the resource after all others.
  const capacity = [...instance.resources.map((r) => r.capacity), hands]
  const HANDS = capacity.length - 1
  const needs = (id: string, where: string): number => {
    const r = resource(id, where)
    if (capacity[r] === 0) throw new InstanceError(`${where} asks for ${id}, of which there is none.`)
    return r
  }
  const problem = problemOf({
    objective: instance.objective,
    operations: ops.map((o) => ({
      pair: pair(o.pair, 'An operation'),
      modes: [{ resource: HANDS, minutes: o.duration }],
      uses: [...new Set(o.uses)].map((id) => needs(id, `Operation ${o.id}`)),
    })),
    capacity,
    closed: capacity.map((_, r) => (r === HANDS ? joined(instance.closed) : [])),
    lags,
    holds: instance.holds.map((h) => ({
      resource: needs(h.resource, 'A hold'),
      from: op(h.from, 'A hold'),
      to: op(h.to, 'A hold'),
    })),
    pairs: pairs.map((id) => ({ due: instance.due[id] ?? null, weight: instance.weights[id] ?? 1 })),
  })
  return { problem, lags }
}

/** Closed times in their order, those that touch as one. */
function joined(closed: readonly (readonly [number, number])[]): [number, number][] {
  const out: [number, number][] = []
  for (const [from, to] of [...closed].sort((a, b) => a[0] - b[0])) {
    const last = out.at(-1)
    if (to <= from) continue
    if (last && from <= last[1]) last[1] = Math.max(last[1], to)
    else out.push([from, to])
  }
  return out
}
