import { describe, expect, it } from 'vitest'
import type { Path } from '../geometry/path.ts'
import { lossOf, paddingAt } from './paddingLoss.ts'

describe('girth lost to padding', () => {
  it('in a box it is twice the rise', () => {
    const box: Path = [
      [-40, 0],
      [40, 0],
      [40, 50],
      [-40, 50],
    ]
    expect(lossOf(box, 3)).toBeCloseTo(6, 6)
    expect(lossOf(box, 0)).toBe(0)
  })
  it('in a circle it is what is left of the lens', () => {
    const r = 40
    const circle: Path = Array.from({ length: 1440 }, (_, i) => [
      r * Math.cos((i * Math.PI) / 720),
      r * Math.sin((i * Math.PI) / 720),
    ])
    const rise = 8
    // Two arcs of half-angle acos(rise / 2r) each.
    expect(lossOf(circle, rise)).toBeCloseTo(2 * Math.PI * r - 4 * r * Math.acos(rise / (2 * r)), 1)
  })
  it('fades over the skive and ends at the front edge', () => {
    expect(paddingAt(3, 100, 130, 13)).toBe(3)
    expect(paddingAt(3, 123.5, 130, 13)).toBeCloseTo(1.5, 9)
    expect(paddingAt(3, 130, 130, 13)).toBe(0)
  })
})
