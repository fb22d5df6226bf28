import { describe, expect, it } from 'vitest'
import { usualWeek } from '../model/workshopDays.ts'
import { closedTimes } from './openHours.ts'
import { dateAt, instantAt } from './wallClock.ts'

const at = (iso: string) => Date.parse(iso)

describe('the clock on the wall', () => {
  it.each([
    ['Europe/Berlin', '2026-07-01', 480, '2026-07-01T06:00:00Z'],
    ['Europe/Berlin', '2026-01-01', 480, '2026-01-01T07:00:00Z'],
    ['America/New_York', '2026-11-01', 480, '2026-11-01T13:00:00Z'],
    // Clocks go forward at two: half past two is shown by none.
    ['Europe/Berlin', '2026-03-29', 150, '2026-03-29T01:30:00Z'],
    ['Asia/Kolkata', '2026-05-02', 0, '2026-05-01T18:30:00Z'],
  ])('in %s shows %s and %i minutes at %s', (zone, date, minutes, instant) => {
    expect(instantAt(zone, date, minutes)).toBe(at(instant))
  })
  it('has its own date', () => {
    expect(dateAt('Asia/Kolkata', at('2026-05-01T18:29:00Z'))).toBe('2026-05-01')
    expect(dateAt('Asia/Kolkata', at('2026-05-01T18:30:00Z'))).toBe('2026-05-02')
  })
})

describe('when a maker does not work', () => {
  const maker = { hours: usualWeek(), off: [{ from: '2026-05-05', to: '2026-05-05', why: '' }] }
  const workshop = { zone: 'Europe/Berlin', closed: [{ from: '2026-05-06', to: '2026-05-06', why: 'harbour day' }] }

  it('is every minute that no shift covers: nights, noon, the weekend, days off', () => {
    // A Monday, ten in the morning.
    const origin = at('2026-05-04T08:00:00Z')
    const closed = closedTimes(workshop, maker, origin)
    const open = (iso: string) => {
      const minute = (at(iso) - origin) / 60_000
      return !closed.some(([from, to]) => from <= minute && minute < to)
    }
    expect(closed.slice(0, 3)).toEqual([
      [120, 180],
      // Tuesday and Wednesday are off: until Thursday at eight.
      [420, 3 * 1440 - 120],
      [3 * 1440 + 120, 3 * 1440 + 180],
    ])
    expect(open('2026-05-04T08:00:00Z')).toBe(true)
    expect(open('2026-05-04T10:00:00Z')).toBe(false)
    expect(open('2026-05-07T06:00:00Z')).toBe(true)
    expect(open('2026-05-09T09:00:00Z')).toBe(false)
  })
  it('follows the clocks when they change: eight is an hour earlier in UTC', () => {
    const origin = at('2026-03-27T12:00:00Z')
    const closed = closedTimes({ zone: 'Europe/Berlin', closed: [] }, { hours: usualWeek(), off: [] }, origin)
    // Friday five in the afternoon to Monday eight, an hour less than it looks.
    expect(closed.find(([from]) => from === 240)).toEqual([240, 240 + 63 * 60 - 60])
  })
})
