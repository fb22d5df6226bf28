import { usualWeek, type WorkshopDays } from '../model/workshopDays.ts'
import { workGroups } from '../model/work.ts'
import { daysProblem, type PaceOf } from './daysProblem.ts'
import type { OpenPair } from './openPairs.ts'
import { layOut, type LayOutHow, type PairOutlook, type Timetable } from './timetable.ts'
import { dateAt } from './wallClock.ts'

/** What could be changed so that an order is ready sooner. */
export const shortenings = ['first', 'maker', 'lasts', 'saturday', 'hour'] as const
export type Shortening = (typeof shortenings)[number]

/** The earliest that a new order can be ready beside all that is open, and what would make it earlier. */
export interface PromisedDay extends Pick<PairOutlook, 'ready' | 'chain'> {
  /** The day on which it is ready, by the workshop's calendar. */
  day: string
  /** Steps that nobody can do, or greatest waits that clash, in it. */
  nobody: Timetable['nobody']
  lost: Timetable['lost']
  /** Each with the minutes that it saves, the greatest first, and by how much other pairs would be later, minutes. */
  shorten: { what: Shortening; saves: number; delays: number }[]
}

export interface PromiseOrder {
  open: readonly OpenPair[]
  order: OpenPair
  days: WorkshopDays
  pace: PaceOf
  now: number
  known: Pick<Timetable, 'entries'> | null
}

/** An order that is not accepted yet yields to all that are: a day of its own weighs so much of theirs. */
const YIELDS = 0.01
/** Less than an hour is no shortening. */
const LEAST = 60

/**
 * Lays a new order out beside all that is open, which go on as they are, and then again with one thing changed at a time.
 * `how` makes a search of its own for each. Null where a last is never given back.
 */
export function promiseOf(
  { open, order, days, pace, now, known }: PromiseOrder,
  how: () => Pick<LayOutHow, 'seed' | 'progress'>,
): PromisedDay | null {
  const wanted = { ...order, due: dateAt(days.zone, now), weight: YIELDS }
  const lay = (pairs: readonly OpenPair[], on: WorkshopDays) =>
    layOut(daysProblem(pairs, { ...on, aim: 'punctual' }, pace, now), { ...how(), known })
  const table = lay([...open, wanted], days)
  const mine = table?.pairs.find((p) => p.pair === order.id)
  if (!table || !mine) return null
  const late = (t: Timetable) => t.pairs.reduce((sum, p) => sum + (p.pair === order.id ? 0 : p.late), 0)
  const tries: Record<Shortening, () => Timetable | null> = {
    first: () => lay([...open, { ...wanted, weight: 1000 }], days),
    maker: () =>
      lay([...open, wanted], {
        ...days,
        makers: [...days.makers, { ...days.makers[0]!, id: 'another', skills: [...workGroups], pace: 1, off: [] }],
      }),
    lasts: () => lay([...open, { ...wanted, lasts: wanted.lasts.map((id) => `${id} again`) }], days),
    saturday: () =>
      lay(
        [...open, wanted],
        withHours(days, (hours) =>
          hours.map((shifts, i) => (i === 5 && shifts.length === 0 ? usualWeek()[0]! : shifts)),
        ),
      ),
    hour: () =>
      lay(
        [...open, wanted],
        withHours(days, (hours) =>
          hours.map((shifts) =>
            shifts.map(([a, b], i) => (i === shifts.length - 1 ? [a, Math.min(1440, b + 60)] : [a, b])),
          ),
        ),
      ),
  }
  const shorten = shortenings.flatMap((what) => {
    const other = tries[what]()
    const ready = other?.pairs.find((p) => p.pair === order.id)?.ready
    if (!other || ready === undefined) return []
    const saves = Math.round((mine.ready - ready) / 60_000)
    const delays = Math.max(0, Math.round(late(other) - late(table)))
    return saves >= LEAST ? [{ what, saves, delays }] : []
  })
  return {
    ready: mine.ready,
    chain: mine.chain,
    day: dateAt(days.zone, mine.ready),
    nobody: table.nobody.filter((n) => n.pair === order.id),
    lost: table.lost.filter((l) => l.pair === order.id),
    shorten: shorten.sort((a, b) => b.saves - a.saves),
  }
}

type Hours = WorkshopDays['makers'][number]['hours']
const withHours = (days: WorkshopDays, change: (hours: Hours) => Hours): WorkshopDays => ({
  ...days,
  makers: days.makers.map((m) => ({ ...m, hours: change(m.hours) })),
})
