import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cubicSpline } from './interpolate.ts'
import type { Point } from './path.ts'
import { smoothLine } from './smoothLine.ts'

const slopeAt = (f: (x: number) => number, x: number, h: number) => (f(x + h) - f(x)) / h

describe('a cubic spline with named slopes at its ends', () => {
  it('is the cubic itself when its knots and slopes come from one', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 4, maxLength: 4 }),
        fc.array(fc.double({ min: 0.3, max: 4, noNaN: true }), { minLength: 1, maxLength: 6 }),
        ([a, b, c, d], steps) => {
          const cubic = (x: number) => a! + x * (b! + x * (c! + x * d!))
          const slope = (x: number) => b! + x * (2 * c! + x * 3 * d!)
          const xs = steps.reduce((all, s) => [...all, all[all.length - 1]! + s], [-1])
          const end = xs[xs.length - 1]!
          const f = cubicSpline(
            xs.map((x) => [x, cubic(x)] as const),
            { start: slope(-1), end: slope(end) },
          )
          for (let k = 0; k <= 20; k++) {
            const x = -1 + ((end + 1) * k) / 20
            expect(Math.abs(f(x) - cubic(x))).toBeLessThan(1e-6 * (1 + Math.abs(cubic(x))))
          }
        },
      ),
    )
  })
  it('is not bent at an end without one', () => {
    const f = cubicSpline(
      [
        [0, 0],
        [2, 3],
        [5, 1],
        [6, 4],
      ],
      { start: 0.5 },
    )
    const h = 1e-4
    expect(slopeAt(f, 0, h)).toBeCloseTo(0.5, 3)
    expect((f(6) - 2 * f(6 - h) + f(6 - 2 * h)) / (h * h)).toBeCloseTo(0, 1)
  })
})

it('a drawn line leaves and ends just in the directions asked for, and passes every point', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -25, max: 25, noNaN: true }), { minLength: 3, maxLength: 6 }),
      fc.double({ min: -60, max: 60, noNaN: true }),
      fc.double({ min: -60, max: 60, noNaN: true }),
      (heights, first, last) => {
        const points = heights.map((y, i): Point => [30 * i, y])
        const way = (degrees: number): Point => [
          Math.cos((degrees * Math.PI) / 180),
          Math.sin((degrees * Math.PI) / 180),
        ]
        const line = smoothLine(points, { start: way(first), end: way(last) })
        for (const p of points)
          expect(Math.min(...line.map((q) => Math.hypot(q[0] - p[0], q[1] - p[1])))).toBeLessThan(1e-9)
        // The first chord of an arc of a cubic deviates from its tangent by its own length times half the curvature.
        const turn = (a: Point, b: Point) => (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI
        expect(Math.abs(turn(line[0]!, line[1]!) - first)).toBeLessThan(9)
        expect(Math.abs(turn(line[line.length - 2]!, line[line.length - 1]!) - last)).toBeLessThan(9)
      },
    ),
  )
})
