/** How the clock and the calendar of the workshop show an instant (ms since the epoch). */
export interface WallTime {
  /** 07:30. */
  time: (instant: number) => string
  /** Tue 6 Jan. */
  day: (instant: number) => string
  /** Tue 6 Jan, 07:30. */
  both: (instant: number) => string
}

/** By a zone of the IANA list. */
export function wallTime(zone: string): WallTime {
  const clock = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  })
  const calendar = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    weekday: 'short',
    day: 'numeric',
    month: 'short',
  })
  const day = (instant: number) => calendar.format(instant).replace(',', '')
  return {
    time: (instant) => clock.format(instant),
    day,
    both: (instant) => `${day(instant)}, ${clock.format(instant)}`,
  }
}
