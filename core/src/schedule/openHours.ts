import type { DaysOff, Maker, WorkshopDays } from '../model/workshopDays.ts'
import { NEVER } from '../scheduling/profile.ts'
import { dateAt, dayAfter, instantAt, weekdayOf } from './wallClock.ts'

/** So many days are looked ahead: whoever is free on none of them has no hours. */
export const HORIZON_DAYS = 400

const isOff = (date: string, off: readonly DaysOff[]): boolean => off.some((o) => o.from <= date && date <= o.to)

/**
 * When a maker does not work, from an origin (ms since the epoch) on: [from, to) in whole minutes from it, in their order.
 * Nights, free days of the week, closed days of the workshop, and days off.
 */
export function closedTimes(
  { zone, closed }: Pick<WorkshopDays, 'zone' | 'closed'>,
  { hours, off }: Pick<Maker, 'hours' | 'off'>,
  origin: number,
): [number, number][] {
  const times: [number, number][] = []
  const minute = (instant: number) => Math.round((instant - origin) / 60_000)
  // From the day before: an origin after midnight lies in hours that began then in no workshop, but in a zone's past day.
  let date = dateAt(zone, origin - 86_400_000)
  let at = 0
  for (let day = 0; day < HORIZON_DAYS; day++, date = dayAfter(date)) {
    const shifts = isOff(date, closed) || isOff(date, off) ? [] : hours[weekdayOf(date)]!
    for (const [from, to] of shifts) {
      const [opens, closes] = [minute(instantAt(zone, date, from)), minute(instantAt(zone, date, to))]
      if (closes <= 0) continue
      if (opens > at) times.push([at, opens])
      at = Math.max(at, closes)
    }
  }
  // Beyond is never: what would have to wait so long cannot be done.
  times.push([at, NEVER])
  return times
}

/** The longest that a maker works without a break, minutes. */
export const longestShift = ({ hours }: Pick<Maker, 'hours'>): number =>
  Math.max(0, ...hours.flatMap((shifts) => shifts.map(([from, to]) => to - from)))
