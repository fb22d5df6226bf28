import { format, isSameYear, parseISO } from 'date-fns'

/** Today as a calendar day of this place: 2026-11-25. */
export const today = (now = new Date()): string => format(now, 'yyyy-MM-dd')

/** A day as it is said: 25 November, with the year when it is another one. */
export function sayDay(day: string, now = new Date()): string {
  const date = parseISO(day)
  return format(date, isSameYear(date, now) ? 'd MMMM' : 'd MMMM yyyy')
}
