import { describe, expect, it } from 'vitest'
import { plainStep } from '../../test/plainStep.ts'
import type { CardStep } from '../model/pairCard.ts'
import { usualWeek, WorkshopDays } from '../model/workshopDays.ts'
import type { OpenPair } from './openPairs.ts'
import { promiseOf } from './promise.ts'

// A Monday, eight in the morning.
const now = Date.parse('2026-05-04T08:00:00Z')
const step = (id: string, key: string, group: CardStep['group'], minutes: number, after: string[] = []): CardStep =>
  plainStep(id, { key, group, minutes, after })
/** Two hours of cutting, then so many days of four hours on the last. */
const steps = (hours: number): CardStep[] => [
  step('cut', 'cut', 'cut', 120),
  step('block', 'block-insole', 'last', 60 * hours, ['cut']),
  step('out', 'last-out', 'finish', 30, ['block']),
]
const pair = (id: string, hours: number, last = 'harbour'): OpenPair => ({
  id,
  order: id,
  name: id,
  due: '2026-05-30',
  weight: 1,
  lasts: [last],
  steps: steps(hours),
  log: [],
})
const days = (makers = 1) =>
  WorkshopDays.parse({
    zone: 'UTC',
    turning: 0,
    makers: Array.from({ length: makers }, (_, k) => ({ id: `m${k}`, name: `m${k}`, hours: usualWeek() })),
  })
const promise = (open: OpenPair[], order: OpenPair, workshop = days()) => {
  const how = () => {
    let round = 0
    return { seed: 1, progress: () => round++ / 30 }
  }
  return promiseOf({ open, order, days: workshop, pace: () => 1, now, known: null }, how)!
}

describe('the promise of a new order', () => {
  it('is what hands and hours come to: ten and a half hours are Tuesday, half past ten', () => {
    const { ready, day, chain, nobody, lost } = promise([], pair('new', 8))
    expect(new Date(ready).toISOString()).toBe('2026-05-05T10:30:00.000Z')
    expect(day).toBe('2026-05-05')
    // Eight hours are done in parts of two, half a shift each.
    expect(chain.map((l) => l.step)).toEqual(['out', 'block', 'block', 'block', 'block', 'cut'])
    expect([nobody, lost]).toEqual([[], []])
  })
  it('leaves what is open in time, and says that a second pair of lasts would do more than another hand', () => {
    // With two makers the only pair of lasts is what is waited for.
    const { ready, shorten } = promise([{ ...pair('old', 12), due: '2026-05-05' }], pair('new', 8), days(2))
    // The other gives them back on Tuesday at half past three, too late that day for two hours: Wednesday, eight to five.
    expect(new Date(ready).toISOString()).toBe('2026-05-07T08:30:00.000Z')
    expect(shorten[0]?.what === 'lasts' || shorten[0]?.what === 'first').toBe(true)
    expect(shorten.find((s) => s.what === 'lasts')!.saves).toBeGreaterThan(
      shorten.find((s) => s.what === 'maker')?.saves ?? 0,
    )
  })
  it('says by how much others would be late if it came first', () => {
    const old = { ...pair('old', 12), due: '2026-05-05' }
    const first = promise([old], pair('new', 8)).shorten.find((s) => s.what === 'first')!
    expect(first.saves).toBeGreaterThan(12 * 60)
    expect(first.delays).toBeGreaterThan(12 * 60)
  })
})
