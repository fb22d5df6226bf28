import type { OpenPair, Timetable, TimetableEntry, WorkshopDays } from '@gentle-awl/core'
import ical, { ICalCalendarMethod } from 'ical-generator'

/** Work on one pair by one maker goes on over a break of so many minutes. */
const BREAK = 20

interface Stretch {
  maker: string
  pair: string
  entries: TimetableEntry[]
}

/** The timetable as a calendar (RFC 5545): what a maker does on a pair without a break is one entry; due days are whole days. */
export function scheduleIcs(
  { entries, madeAt }: Timetable,
  open: readonly Pick<OpenPair, 'id' | 'order' | 'name' | 'due' | 'steps'>[],
  { makers }: Pick<WorkshopDays, 'makers'>,
): string {
  const calendar = ical({ name: 'Gentle Awl', method: ICalCalendarMethod.PUBLISH })
  const pairOf = (id: string) => open.find((p) => p.id === id)
  const stamp = new Date(madeAt)
  for (const { maker, pair: pairId, entries: list } of stretches(entries)) {
    const pair = pairOf(pairId)
    const names = list.map((e) => pair?.steps.find((s) => s.id === e.step)?.name ?? e.step)
    calendar.createEvent({
      id: `${pairId}.${list[0]!.step}.${list[0]!.part}`,
      stamp,
      start: new Date(list[0]!.start),
      end: new Date(list.at(-1)!.end),
      summary: `${pair?.order ?? ''} ${pair?.name ?? ''}: ${names[0]}${names.length > 1 ? ` and ${names.length - 1} more` : ''}`,
      description: names.join('\n'),
      location: makers.find((m) => m.id === maker)?.name ?? maker,
    })
  }
  for (const { id, order, name, due } of open) {
    if (due === null) continue
    calendar.createEvent({
      id: `${id}.due`,
      stamp,
      start: new Date(`${due}T00:00:00Z`),
      allDay: true,
      summary: `${order} ${name} is due`,
    })
  }
  return calendar.toString()
}

function stretches(entries: readonly TimetableEntry[]): Stretch[] {
  const all: Stretch[] = []
  const going = new Map<string, Stretch>()
  for (const entry of [...entries].sort((a, b) => a.start - b.start)) {
    const last = going.get(entry.maker)
    const end = last?.entries.at(-1)?.end ?? -Infinity
    if (last && last.pair === entry.pair && entry.start - end <= BREAK * 60_000) last.entries.push(entry)
    else {
      const next: Stretch = { maker: entry.maker, pair: entry.pair, entries: [entry] }
      going.set(entry.maker, next)
      all.push(next)
    }
  }
  return all
}
