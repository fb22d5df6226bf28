import fc from 'fast-check'
import { expect, it } from 'vitest'
import { middle, quantile } from './quantile.ts'

it('is the middle, or half-way between the two in the middle', () => {
  expect(middle([3, 1, 2])).toBe(2)
  expect(middle([4, 1, 3, 2])).toBe(2.5)
  expect(quantile([0, 10, 20, 30, 40], 0.25)).toBe(10)
  expect(quantile([0, 1], 0.1)).toBeCloseTo(0.1, 12)
  expect(() => middle([])).toThrow(RangeError)
})
it('property: as many lie above the middle as below it', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: -1e6, max: 1e6, noNaN: true }), { minLength: 1 }), (list) => {
      const m = middle(list)
      expect(list.filter((v) => v < m).length).toBeLessThanOrEqual(list.length / 2)
      expect(list.filter((v) => v > m).length).toBeLessThanOrEqual(list.length / 2)
    }),
  )
})
