import type { ScheduleInstance } from '../src/scheduling/instance.ts'
import { measured, scheduleFaults } from './scheduleFaults.ts'

/** The best of all schedules of a tiny instance, found by trying every minute for every operation; null when there is none. */
export function bestOfAll(instance: ScheduleInstance, horizon: number) {
  let best: { tardiness: number; makespan: number } | null = null
  const starts: Record<string, number> = {}
  const { ops, lags } = instance
  const fits = (k: number) => {
    const known = new Set(ops.slice(0, k + 1).map((o) => o.id))
    const part = {
      ...instance,
      ops: ops.filter((o) => known.has(o.id)),
      lags: lags.filter((l) => known.has(l.from) && known.has(l.to)),
      holds: instance.holds.filter((h) => known.has(h.from) && known.has(h.to)),
    }
    return scheduleFaults(part, starts).length === 0
  }
  const key = (m: { tardiness: number; makespan: number }) =>
    instance.objective === 'tardiness' ? m.tardiness * 1e6 + m.makespan : m.makespan * 1e6 + m.tardiness
  const place = (k: number) => {
    const op = ops[k]
    if (!op) {
      const m = measured(instance, starts)
      if (!best || key(m) < key(best)) best = m
      return
    }
    for (let t = 0; t + op.duration <= horizon; t++) {
      starts[op.id] = t
      if (fits(k)) place(k + 1)
    }
    delete starts[op.id]
  }
  place(0)
  return best as { tardiness: number; makespan: number } | null
}
