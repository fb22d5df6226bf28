import type { ScheduleInstance } from '../src/scheduling/instance.ts'

/** What is wrong with starts as they are written down, in sentences; looks at every minute at which anything begins. */
export function scheduleFaults(instance: ScheduleInstance, starts: Readonly<Record<string, number>>): string[] {
  const faults: string[] = []
  const duration = new Map(instance.ops.map((o) => [o.id, o.duration]))
  const start = (id: string) => starts[id] ?? NaN
  const end = (id: string) => start(id) + (duration.get(id) ?? NaN)
  for (const { id } of instance.ops) {
    if (!Number.isInteger(start(id)) || start(id) < 0) faults.push(`${id} starts at ${start(id)}`)
  }
  for (const { from, to, min, max } of instance.lags) {
    const wait = start(to) - end(from)
    if (wait < min || (max !== null && wait > max)) faults.push(`${from} to ${to} waits ${wait}`)
  }
  const taken = [
    ...instance.ops.flatMap((o) => ['', ...o.uses].map((of) => ({ of, from: start(o.id), to: end(o.id) }))),
    ...instance.holds.map((h) => ({ of: h.resource, from: start(h.from), to: end(h.to) })),
  ]
  const units = new Map([['', instance.hands], ...instance.resources.map((r) => [r.id, r.capacity] as const)])
  for (const [of, most] of units) {
    const mine = taken.filter((t) => t.of === of && t.to > t.from)
    for (const { from } of mine) {
      const at = mine.filter((t) => t.from <= from && t.to > from).length
      if (at > most) faults.push(`${at} of ${of || 'the hands'} at ${from}, where there are ${most}`)
    }
  }
  for (const { id } of instance.ops) {
    for (const [from, to] of instance.closed) {
      if (start(id) < to && end(id) > from) faults.push(`${id} is worked in closed hours at ${from}`)
    }
  }
  return [...new Set(faults)]
}

/** Weighted tardiness and length of starts. */
export function measured(instance: ScheduleInstance, starts: Readonly<Record<string, number>>) {
  const ready = new Map<string, number>()
  for (const o of instance.ops) {
    ready.set(o.pair, Math.max(ready.get(o.pair) ?? 0, (starts[o.id] ?? NaN) + o.duration))
  }
  let tardiness = 0
  for (const [pair, at] of ready) {
    tardiness += (instance.weights[pair] ?? 1) * Math.max(0, at - (instance.due[pair] ?? Infinity))
  }
  return { tardiness, makespan: Math.max(0, ...ready.values()) }
}
