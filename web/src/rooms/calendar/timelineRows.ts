import { onLasts, type TimetableEntry, type WorkshopDays } from '@gentle-awl/core'
import type { Schedule } from '../../api/client.ts'

export const timelineWays = ['maker', 'pair', 'last'] as const
export type TimelineWay = (typeof timelineWays)[number]

/** One stretch of time in a row. Instants are ms since the epoch. */
export interface TimelineBar {
  id: string
  kind: 'work' | 'wait' | 'hold'
  start: number
  end: number
  /** The pair that it is about, by its place among all, for its colour. */
  tint: number
  label: string
  /** Said in full. */
  title: string
  entry: TimetableEntry | null
  /** Somebody put it there. */
  put: boolean
}
export interface TimelineRow {
  id: string
  name: string
  bars: TimelineBar[]
}

interface Names {
  lastName: (id: string) => string
  makerName: (id: string) => string
}

/** The timetable in rows: one a maker, one a pair with its waits, or one a last with whose shoes stand on it. */
export function timelineRows(
  { timetable, open }: Schedule,
  makers: WorkshopDays['makers'],
  way: TimelineWay,
  { lastName, makerName }: Names,
): TimelineRow[] {
  const tint = new Map(open.map((p, i) => [p.id, i]))
  const pairOf = new Map(open.map((p) => [p.id, p]))
  const stepOf = (e: TimetableEntry) => pairOf.get(e.pair)?.steps.find((s) => s.id === e.step)
  const work = (e: TimetableEntry, label: string): TimelineBar => {
    const pair = pairOf.get(e.pair)
    const name = stepOf(e)?.name ?? e.step
    const part = e.parts > 1 ? `, part ${e.part} of ${e.parts}` : ''
    return {
      id: `${e.pair} ${e.step} ${e.part}`,
      kind: 'work',
      start: e.start,
      end: e.end,
      tint: tint.get(e.pair) ?? 0,
      label,
      title: `${pair?.order ?? ''} ${name}${part}, ${makerName(e.maker)}`,
      entry: e,
      put: pair?.wishes?.some((w) => w.step === e.step) ?? false,
    }
  }
  if (way === 'maker') {
    return makers.map(({ id, name }) => ({
      id,
      name,
      bars: timetable.entries.filter((e) => e.maker === id).map((e) => work(e, pairOf.get(e.pair)?.order ?? '')),
    }))
  }
  if (way === 'pair') {
    return open.map((pair) => {
      const mine = timetable.entries.filter((e) => e.pair === pair.id)
      const waits = mine.flatMap((e): TimelineBar[] => {
        const step = stepOf(e)
        if (!step?.wait || step.wait.min === 0 || e.part < e.parts) return []
        const end = e.end + step.wait.min * 60_000
        return [
          { ...work(e, ''), id: `${e.step} waits`, kind: 'wait', start: e.end, end, title: `Wait after: ${step.name}` },
        ]
      })
      return {
        id: pair.id,
        name: `${pair.order} ${pair.name}`,
        bars: [...waits, ...mine.map((e) => work(e, stepOf(e)?.name ?? ''))],
      }
    })
  }
  const lasts = [...new Set(open.flatMap((p) => p.lasts))]
  return lasts.map((last) => ({
    id: last,
    name: lastName(last),
    bars: open.flatMap((pair): TimelineBar[] => {
      const on = pair.lasts.includes(last) ? onLasts(pair.steps) : null
      if (!on) return []
      const of = (ids: readonly { id: string }[]) =>
        timetable.entries.filter((e) => e.pair === pair.id && ids.some((s) => s.id === e.step))
      const given = of(on.gives)
      if (given.length === 0) return []
      const taken = of(on.takes)
      // Taken already: it stands there now.
      const start = taken.length === on.takes.length ? Math.min(...taken.map((e) => e.start)) : timetable.madeAt
      return [
        {
          id: `${pair.id} ${last}`,
          kind: 'hold',
          start,
          end: Math.max(...given.map((e) => e.end)),
          tint: tint.get(pair.id) ?? 0,
          label: `${pair.order} ${pair.name}`,
          title: `${pair.order} ${pair.name} stands on ${lastName(last)}`,
          entry: given[0]!,
          put: false,
        },
      ]
    }),
  }))
}

/** Hours of work a week and maker: the Mondays from the first entry on, and the hours by maker. */
export function workload(
  entries: readonly TimetableEntry[],
  makers: readonly { id: string }[],
  mondayOf: (instant: number) => string,
): { weeks: string[]; hours: Map<string, number[]> } {
  const weeks = [...new Set(entries.map((e) => mondayOf(e.start)))].sort()
  const hours = new Map(makers.map((m) => [m.id, weeks.map(() => 0)]))
  for (const e of entries) {
    const row = hours.get(e.maker)
    const week = weeks.indexOf(mondayOf(e.start))
    if (row) row[week]! += (e.end - e.start) / 3_600_000
  }
  return { weeks, hours }
}
