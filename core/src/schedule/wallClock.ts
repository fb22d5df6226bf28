/** A clock is dear to make and cheap to read. */
const clocks = new Map<string, Intl.DateTimeFormat>()
function clockOf(zone: string): Intl.DateTimeFormat {
  const known = clocks.get(zone)
  if (known) return known
  const clock = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
    second: 'numeric',
  })
  clocks.set(zone, clock)
  return clock
}

/** Minutes that a zone's clocks are ahead of UTC at an instant (ms since the epoch). */
function offsetAt(zone: string, instant: number): number {
  const parts = clockOf(zone).formatToParts(instant)
  const of = (type: string) => Number(parts.find((p) => p.type === type)?.value)
  const shown = Date.UTC(of('year'), of('month') - 1, of('day'), of('hour'), of('minute'), of('second'))
  return Math.round((shown - Math.floor(instant / 1000) * 1000) / 60_000)
}

/** The date that a zone's calendar shows at an instant, as 2026-05-02. */
export function dateAt(zone: string, instant: number): string {
  return new Date(instant + offsetAt(zone, instant) * 60_000).toISOString().slice(0, 10)
}

/** The next date. */
export const dayAfter = (date: string): string =>
  new Date(Date.parse(`${date}T00:00:00Z`) + 86_400_000).toISOString().slice(0, 10)

/** 0 for a Monday, 6 for a Sunday. */
export const weekdayOf = (date: string): number => (new Date(`${date}T00:00:00Z`).getUTCDay() + 6) % 7

/**
 * The instant at which a zone's clocks show so many minutes after midnight of a date. Where clocks are put forward over
 * it, the instant an hour later; where they are put back, the first of both.
 * instantAt('Europe/Berlin', '2026-07-01', 480) is 2026-07-01T06:00Z.
 */
export function instantAt(zone: string, date: string, minutes: number): number {
  const shown = Date.parse(`${date}T00:00:00Z`) + minutes * 60_000
  const first = shown - offsetAt(zone, shown) * 60_000
  return shown - offsetAt(zone, first) * 60_000
}
