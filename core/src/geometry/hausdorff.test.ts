import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hausdorffDistance } from './hausdorff.ts'
import { translate, type Path, type Point } from './path.ts'
import { nearest } from './polyline.ts'

const square: Path = [
  [0, 0],
  [100, 0],
  [100, 50],
  [0, 50],
]

describe('how far two outlines lie apart', () => {
  it('not at all from itself, by the step from its moved self', () => {
    expect(hausdorffDistance(square, square)).toBe(0)
    expect(hausdorffDistance(square, translate(square, 3, 4))).toBeCloseTo(5, 9)
  })
  it('is seen from both: a tongue that only one of them has counts', () => {
    const tongue: Path = [
      [0, 0],
      [45, 0],
      [50, -20],
      [55, 0],
      [100, 0],
      [100, 50],
      [0, 50],
    ]
    expect(hausdorffDistance(square, tongue)).toBeCloseTo(20, 9)
    expect(hausdorffDistance(tongue, square)).toBeCloseTo(20, 9)
  })
  it('is that of the point furthest from the other, whatever they are', () => {
    const outline = fc
      .array(fc.tuple(fc.double({ min: 0, max: 9, noNaN: true }), fc.integer({ min: 0, max: 9 })), {
        minLength: 3,
        maxLength: 12,
      })
      .map((points): Path => points.map(([x, y]): Point => [x, y]))
    const away = (from: Path, to: Path) => Math.max(...from.map((p) => nearest(to, p, true).away))
    fc.assert(
      fc.property(outline, outline, (a, b) => {
        expect(hausdorffDistance(a, b)).toBeCloseTo(Math.max(away(a, b), away(b, a)), 9)
      }),
    )
  })
})
