import type { WorkshopDays } from '../src/model/workshopDays.ts'
import { onLasts, type OpenPair } from '../src/schedule/openPairs.ts'
import type { Timetable } from '../src/schedule/timetable.ts'

/** What is wrong with a timetable, in sentences: read off its entries and the clock on the wall alone. */
export function timetableFaults(
  table: Timetable,
  pairs: readonly OpenPair[],
  days: WorkshopDays,
  now: number,
): string[] {
  const faults: string[] = []
  const clock = new Intl.DateTimeFormat('sv-SE', {
    timeZone: days.zone,
    dateStyle: 'short',
    timeStyle: 'short',
  })
  const wall = (instant: number) => {
    const [date, time] = clock.format(instant).split(' ') as [string, string]
    const [h, m] = time.split(':').map(Number)
    return { date, minutes: h! * 60 + m!, weekday: (new Date(date).getUTCDay() + 6) % 7 }
  }
  const isOff = (date: string, off: { from: string; to: string }[]) => off.some((o) => o.from <= date && date <= o.to)
  for (const e of table.entries) {
    const maker = days.makers.find((m) => m.id === e.maker)!
    const name = `${e.pair} ${e.step}`
    if (e.begun) continue
    if (e.start < now) faults.push(`${name} begins before now`)
    const [from, to] = [wall(e.start), wall(e.end - 1)]
    const open = maker.hours[from.weekday]!.some(([a, b]) => a <= from.minutes && to.minutes < b)
    if (!open || from.date !== to.date)
      faults.push(`${name} is outside of the hours of ${maker.name}: ${clock.format(e.start)}`)
    if (isOff(from.date, days.closed) || isOff(from.date, maker.off)) faults.push(`${name} is on a day off`)
    const step = pairs.find((p) => p.id === e.pair)!.steps.find((s) => s.id === e.step)!
    if (!maker.skills.includes(step.group)) faults.push(`${maker.name} cannot do ${name}`)
  }
  const overlapping = (list: readonly { start: number; end: number }[], most: number) =>
    list.some((a) => list.filter((b) => b.start <= a.start && a.start < b.end).length > most)
  for (const maker of days.makers) {
    if (
      overlapping(
        table.entries.filter((e) => e.maker === maker.id),
        1,
      )
    )
      faults.push(`${maker.name} does two things at once`)
  }
  const of = (pair: string, step: string) => table.entries.filter((e) => e.pair === pair && e.step === step)
  for (const pair of pairs) {
    for (const step of pair.steps) {
      const first = of(pair.id, step.id)[0]
      if (!first) continue
      for (const id of step.after) {
        const before = pair.steps.find((s) => s.id === id)
        const last = of(pair.id, id).at(-1)
        if (!before || !last) continue
        const wait = (first.start - last.end) / 60_000
        if (wait < Math.round(before.wait?.min ?? 0)) faults.push(`${pair.id} ${step.id} comes ${wait} after ${id}`)
      }
    }
    for (const before of pair.steps) {
      // Whatever comes first after it ends its wait.
      const last = of(pair.id, before.id).at(-1)
      if (!last || (before.wait?.max ?? null) === null) continue
      const next = pair.steps.filter((s) => s.after.includes(before.id)).flatMap((s) => of(pair.id, s.id).slice(0, 1))
      const soonest = Math.min(...next.map((e) => e.start))
      const lost = table.lost.some((l) => l.pair === pair.id && l.from === before.id)
      if (next.length > 0 && !lost && soonest - last.end > (before.wait?.max ?? 0) * 60_000)
        faults.push(`${pair.id} ${before.id} waits too long`)
    }
  }
  for (const machine of Object.keys(days.machines) as (keyof WorkshopDays['machines'])[]) {
    const on = table.entries.filter((e) =>
      pairs
        .find((p) => p.id === e.pair)!
        .steps.find((s) => s.id === e.step)!
        .machines.includes(machine),
    )
    if (overlapping(on, days.machines[machine])) faults.push(`${machine} is wanted too often at once`)
  }
  for (const last of new Set(pairs.flatMap((p) => p.lasts))) {
    const had = pairs.flatMap((p) => {
      const range = p.lasts.includes(last) ? onLasts(p.steps) : null
      if (!range) return []
      const took = range.takes.flatMap((s) => of(p.id, s.id)).map((e) => e.start)
      const gave = range.gives.flatMap((s) => of(p.id, s.id)).map((e) => e.end)
      return took.length && gave.length ? [{ start: Math.min(...took), end: Math.max(...gave) }] : []
    })
    if (overlapping(had, 1)) faults.push(`two pairs stand on ${last}`)
  }
  return [...new Set(faults)]
}
