import { describe, expect, it } from 'vitest'
import { hausdorffDistance } from './hausdorff.ts'
import { translate, type Path } from './path.ts'

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
})
