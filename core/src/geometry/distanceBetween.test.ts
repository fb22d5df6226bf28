import { describe, expect, it } from 'vitest'
import { distanceBetween } from './distanceBetween.ts'
import { rotate, translate, type Path, type Point } from './path.ts'
import { resample } from './polyline.ts'

const square: Path = [
  [0, 0],
  [10, 0],
  [10, 10],
  [0, 10],
]
const round = (r: number, x: number, y: number): Path =>
  Array.from({ length: 720 }, (_, k): Point => {
    const a = (k * Math.PI) / 360
    return [x + r * Math.cos(a), y + r * Math.sin(a)]
  })

describe('two outlines that lie apart', () => {
  it('are as far from each other as their nearest places, whichever has the corner', () => {
    expect(distanceBetween(square, translate(square, 13, 4))).toBeCloseTo(3, 10)
    // Corner against side, either way round.
    const turned = translate(rotate(square, 45), 20, 0)
    const gap = 20 - Math.SQRT1_2 * 10 - 10
    expect(distanceBetween(square, turned)).toBeCloseTo(gap, 10)
    expect(distanceBetween(turned, square)).toBeCloseTo(gap, 10)
    expect(distanceBetween(round(5, 0, 0), round(8, 20, 15))).toBeCloseTo(25 - 13, 3)
  })
  it('also where one lies within the hollow of the other', () => {
    const hollow: Path = [
      [0, 0],
      [40, 0],
      [40, 30],
      [30, 30],
      [30, 10],
      [10, 10],
      [10, 30],
      [0, 30],
    ]
    expect(distanceBetween(hollow, translate(square, 15, 14))).toBeCloseTo(4, 10)
    expect(distanceBetween(resample(hollow, 300, true), translate(square, 15, 16))).toBeCloseTo(5, 1)
  })
})
