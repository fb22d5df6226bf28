import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nextOrder } from './nextOrder.ts'

describe('the next order number', () => {
  it.each([
    [['1041', '1039', '1040'], '1042'],
    [['B-017', 'B-009', '1041'], 'B-018'],
    [['2026/7', 'B-9'], '2026/8'],
    [['099'], '100'],
    [['choir, bass', '12'], '13'],
    [['choir, bass'], ''],
    [[], ''],
  ])('after %j comes %s', (orders, next) => expect(nextOrder(orders)).toBe(next))

  it('is never one that is in use', () => {
    const order = fc.oneof(
      fc.string({ maxLength: 8 }),
      fc.nat(99_999).map(String),
      fc.nat(999).map((n) => `K${n}`),
    )
    fc.assert(
      fc.property(fc.array(order, { maxLength: 30 }), (orders) => {
        const next = nextOrder(orders)
        if (next !== '') expect(orders.map((o) => o.trim())).not.toContain(next)
      }),
      { numRuns: 300 },
    )
  })
})
