import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nearest } from '../geometry/polyline.ts'
import { distance, signedArea, type Path, type Point } from '../geometry/path.ts'
import { pulled } from './pulled.ts'

const square: Path = [
  [0, 0],
  [100, 0],
  [100, 100],
  [0, 100],
]

describe('a line pulled at a place', () => {
  it('goes there with that place, and stays where it is beyond its reach', () => {
    const out = pulled(square, [50, 0], [0, -4], 20)
    expect(Math.min(...out.map((p) => distance(p, [50, -4])))).toBeLessThan(1e-9)
    for (const corner of square) expect(out.some((p) => distance(p, corner) < 1e-9)).toBe(true)
    // The bump's area: 4 times the whole of (1 - (s / 20)^2)^2 from -20 to 20, 2 * 20 * 8 / 15.
    expect(signedArea(out) - signedArea(square)).toBeCloseTo((4 * 2 * 20 * 8) / 15, 0)
  })
  it('takes a corner along', () => {
    const out = pulled(square, [100, 100], [3, 3], 15)
    expect(Math.min(...out.map((p) => distance(p, [103, 103])))).toBeLessThan(1e-9)
  })
  it('moved and moved back is as it was', () => {
    const near = fc.double({ min: -3, max: 3, noNaN: true })
    fc.assert(
      fc.property(fc.double({ min: 5, max: 95, noNaN: true }), near, (x, y) => {
        const there = pulled(square, [x, 0], [0, y], 12)
        const back = pulled(there, [x, y], [0, -y], 12)
        const off = back.map((p) => nearest(square, p, true).away)
        // The line is longer there, so that the reach ends a little sooner.
        expect(Math.max(...off)).toBeLessThan(0.05 + 0.25 * Math.abs(y))
        expect(Math.min(...back.map((p: Point) => distance(p, [x, 0])))).toBeLessThan(1e-6)
      }),
      { numRuns: 50 },
    )
  })
  it('of two points is none', () => {
    expect(() =>
      pulled(
        [
          [0, 0],
          [1, 0],
        ],
        [0, 0],
        [1, 1],
        5,
      ),
    ).toThrow('at least three points')
  })
})
