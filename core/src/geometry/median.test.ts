import { expect, it } from 'vitest'
import { median } from './median.ts'

it('the middle one of some figures, which stay as they were', () => {
  const list = [10, 9, 2]
  expect(median(list)).toBe(9)
  expect(list).toEqual([10, 9, 2])
  expect(median([4, 1, 3, 2])).toBe(3)
  expect(median([])).toBe(0)
})
