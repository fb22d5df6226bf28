import { describe, expect, it } from 'vitest'
import type { Path } from '../../geometry/path.ts'
import { lossOf, paddingAt } from './paddingLoss.ts'

describe('girth lost to padding', () => {
  it('in a box it is twice the rise', () => {
    const box: Path = [
      [-40, 0],
      [40, 0],
      [40, 50],
      [-40, 50],
    ]
    expect(lossOf(box, box.slice(0, 2), 3)).toBeCloseTo(6, 6)
    expect(lossOf(box, box.slice(0, 2), 0)).toBe(0)
  })
  it('between walls that lean outwards it is less, by what the floor gains in width', () => {
    const lean = 0.4
    const tub: Path = [
      [-30, 0],
      [30, 0],
      [30 + lean * 50, 50],
      [-30 - lean * 50, 50],
    ]
    expect(lossOf(tub, tub.slice(0, 2), 3)).toBeCloseTo(2 * 3 * (Math.sqrt(1 + lean * lean) - lean), 3)
  })
  it('in a circle it is the arc less its chord', () => {
    const r = 40
    const circle: Path = Array.from({ length: 2880 }, (_, i) => [
      r * Math.cos((i * Math.PI) / 1440),
      r * Math.sin((i * Math.PI) / 1440),
    ])
    const rise = 8
    const half = Math.acos(1 - rise / r)
    expect(lossOf(circle, [[0, -r]], rise)).toBeCloseTo(2 * r * half - 2 * r * Math.sin(half), 2)
  })
  it('fades over the skive and ends at the front edge', () => {
    expect(paddingAt(3, 100, 130, 13)).toBe(3)
    expect(paddingAt(3, 123.5, 130, 13)).toBeCloseTo(1.5, 9)
    expect(paddingAt(3, 130, 130, 13)).toBe(0)
  })
})
