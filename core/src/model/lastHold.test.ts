import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { heldAtOnce, holdOn, LastHoldFields } from './lastHold.ts'

describe('who has a last', () => {
  const hold = (from: string, until: string | null) => ({ from, until })
  it('counts the most at once within the days asked for', () => {
    const others = [hold('2026-11-01', '2026-11-10'), hold('2026-11-08', null), hold('2026-11-20', '2026-11-25')]
    expect(heldAtOnce(others, hold('2026-11-01', '2026-11-30')).most).toBe(2)
    expect(heldAtOnce(others, hold('2026-11-01', '2026-11-30')).day).toBe('2026-11-08')
    expect(heldAtOnce(others, hold('2026-11-11', '2026-11-15')).most).toBe(1)
    expect(heldAtOnce(others, hold('2026-10-01', '2026-10-15')).most).toBe(0)
  })
  it('is the count of every day, whatever the uses', () => {
    const day = (n: number) => new Date(Date.UTC(2026, 0, n)).toISOString().slice(0, 10)
    const use = fc
      .tuple(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 0, max: 15 }), fc.boolean())
      .map(([from, long, open]) => hold(day(from), open ? null : day(from + long)))
    fc.assert(
      fc.property(fc.array(use, { maxLength: 8 }), use, (holds, span) => {
        let most = 0
        for (let n = 1; n <= 80; n++) {
          const d = day(n)
          if (d < span.from || (span.until !== null && d > span.until)) continue
          most = Math.max(most, holds.filter((h) => h.from <= d && (h.until === null || d <= h.until)).length)
        }
        expect(heldAtOnce(holds, span).most).toBe(most)
      }),
    )
  })
  it('says whose it is today, and refuses days that run backwards', () => {
    const holds = [hold('2026-11-01', '2026-11-10'), hold('2026-11-05', '2026-11-20')]
    expect(holdOn(holds, '2026-11-06')?.until).toBe('2026-11-20')
    expect(holdOn(holds, '2026-12-01')).toBeNull()
    const lastId = '01930000-0001-7000-8000-000000000001'
    expect(LastHoldFields.safeParse({ lastId, from: '2026-11-10', until: '2026-11-09' }).success).toBe(false)
    expect(LastHoldFields.safeParse({ lastId, from: '2026-02-30' }).success).toBe(false)
  })
})
