import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { copyOf, nameOf, outOfDate, type Copy } from './keepByAge.ts'

const DAY = 86_400_000
const now = Date.UTC(2026, 10, 27, 12)
const at = (time: number, label = ''): Copy => ({ name: nameOf(time, label), at: time, label })
const kept = (copies: Copy[]) => {
  const gone = new Set(outOfDate(copies, now))
  return copies.filter((c) => !gone.has(c))
}

describe('copies by age', () => {
  it('names are read as they are written, and no other file is taken for a copy', () => {
    expect(copyOf(nameOf(now))).toEqual(at(now))
    expect(copyOf(nameOf(now, 'before-migration'))).toEqual(at(now, 'before-migration'))
    for (const name of [
      'by hand.sqlite',
      'gentle-awl-2026-11-27T120000.sqlite.part',
      'gentle-awl-2026-99-27T120000.sqlite',
    ]) {
      expect(copyOf(name), name).toBeNull()
    }
  })
  it('fourteen starts in one day push out no older day', () => {
    const days = Array.from({ length: 13 }, (_, k) => at(now - (k + 1) * DAY))
    const starts = Array.from({ length: 14 }, (_, k) => at(now - k * 60_000))
    const left = kept([...days, ...starts])
    for (const day of days) expect(left).toContain(day)
    expect(left.length).toBeLessThan(days.length + 5)
  })
  it('after a year of daily copies: one of each of 14 days, 8 weeks and 12 months is left', () => {
    const left = kept(Array.from({ length: 500 }, (_, k) => at(now - k * DAY)))
    const ages = left.map((c) => Math.round((now - c.at) / DAY))
    expect(ages.filter((a) => a < 14)).toHaveLength(14)
    expect(ages.filter((a) => a >= 14 && a < 56).length).toBeGreaterThanOrEqual(6)
    expect(left.length).toBeLessThanOrEqual(14 + 8 + 12)
    expect(Math.max(...ages)).toBeGreaterThan(330)
  })
  it('a copy dated in the future is left alone and counts for nothing', () => {
    const future = [1, 2, 3, 400].map((k) => at(now + k * DAY))
    const past = [at(now - DAY), at(now - 2 * DAY)]
    expect(kept([...future, ...past])).toEqual([...future, ...past])
  })
  it('whatever there is: the newest stays, a second round takes nothing more, and what goes is always the older of two of one span', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 900 * 24 }), { minLength: 1, maxLength: 80 }), (hours) => {
        const copies = [...new Set(hours)].map((h) => at(now - h * 3_600_000))
        const left = kept(copies)
        const newest = copies.reduce((a, b) => (b.at > a.at ? b : a))
        expect(left).toContain(newest)
        expect(outOfDate(left, now)).toEqual([])
        for (const gone of copies.filter((c) => !left.includes(c))) {
          expect(left.filter((c) => c.at > gone.at).length).toBeGreaterThanOrEqual(3)
        }
      }),
    )
  })
})
