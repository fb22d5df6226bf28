import fc from 'fast-check'
import { expect, it } from 'vitest'
import { segmentMeetsBox } from './segmentMeetsBox.ts'

it('a stretch touches a box just where points of it lie in it', () => {
  const coordinate = fc.integer({ min: -20, max: 20 })
  const box = { minX: -5, minY: -3, maxX: 7, maxY: 9 }
  fc.assert(
    fc.property(coordinate, coordinate, coordinate, coordinate, (x0, y0, x1, y1) => {
      const inside = (air: number) =>
        Array.from({ length: 4001 }, (_, k) => k / 4000).some((t) => {
          const [x, y] = [x0 + (x1 - x0) * t, y0 + (y1 - y0) * t]
          return x >= box.minX - air && x <= box.maxX + air && y >= box.minY - air && y <= box.maxY + air
        })
      const answer = segmentMeetsBox([x0, y0], [x1, y1], box)
      if (inside(0)) expect(answer).toBe(true)
      if (!inside(0.05)) expect(answer).toBe(false)
    }),
  )
})

it('a single point touches where it lies in the box or on its edge', () => {
  const box = { minX: 0, minY: 0, maxX: 2, maxY: 1 }
  expect(segmentMeetsBox([1, 0.5], [1, 0.5], box)).toBe(true)
  expect(segmentMeetsBox([2, 1], [2, 1], box)).toBe(true)
  expect(segmentMeetsBox([2.1, 1], [2.1, 1], box)).toBe(false)
})
