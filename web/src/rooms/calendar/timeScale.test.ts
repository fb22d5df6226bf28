import { usualWeek, WorkshopDays } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { closedBetween, timeScale } from './timeScale.ts'

const HOUR = 3_600_000
const from = Date.parse('2026-05-04T06:00:00Z')
const maker = (id: string, change: [number, number][] | null = null) => ({
  id,
  name: id,
  hours: usualWeek().map((shifts, day) => (day === 0 && change ? change : shifts)),
})
const days = WorkshopDays.parse({ zone: 'UTC', makers: [maker('a'), maker('b', [[720, 900]])] })

describe('the scale of the timeline', () => {
  it('knows when one does not work, and when nobody does', () => {
    const to = from + 12 * HOUR
    const hours = (maker: string | null) =>
      closedBetween(days, maker, from, to).map(([a, b]) => [(a - from) / HOUR, (b - from) / HOUR])
    // From six in the morning on: a works eight to noon and one to five, b noon to three.
    expect(hours('a')).toEqual([
      [0, 2],
      [6, 7],
      [11, 12],
    ])
    expect(hours('b')).toEqual([
      [0, 6],
      [9, 12],
    ])
    expect(hours(null)).toEqual([
      [0, 2],
      [11, 12],
    ])
  })
  it('goes from edge to edge, always forward, and gives an open hour the same room everywhere', () => {
    const to = from + 7 * 24 * HOUR
    const x = timeScale(from, to, closedBetween(days, 'a', from, to), [150, 900])
    expect([x(from), x(to)]).toEqual([150, expect.closeTo(900, 6)])
    for (let t = from; t < to; t += HOUR / 4) expect(x(t + HOUR / 4)).toBeGreaterThan(x(t))
    const hour = (h: number) => x(from + (h + 1) * HOUR) - x(from + h * HOUR)
    // Nine on Monday and two on Thursday; three at night is an eighth of it.
    expect(hour(3)).toBeCloseTo(hour(3 * 24 + 8), 6)
    expect(hour(21) / hour(3)).toBeCloseTo(0.12, 6)
  })
})
