import fc from 'fast-check'
import { expect, it } from 'vitest'
import { extentOf } from './extent.ts'
import { rotate, type Path } from './path.ts'

const rectangle: Path = [
  [0, 0],
  [40, 0],
  [40, 30],
  [0, 30],
]

it('an outline is as long as its farthest places are apart, and as wide as it is across that, however it lies', () => {
  fc.assert(
    fc.property(fc.double({ min: -180, max: 180, noNaN: true }), (degrees) => {
      const { length, width } = extentOf(rotate(rectangle, degrees))
      expect(length).toBeCloseTo(50, 9)
      // Twice the height of the triangle over the diagonal: 2 * 40 * 30 / 50.
      expect(width).toBeCloseTo(48, 9)
    }),
  )
  expect(extentOf([])).toEqual({ length: 0, width: 0 })
})
