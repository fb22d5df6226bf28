import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nearest } from './polyline.ts'
import type { Path, Point } from './path.ts'
import { simplify } from './simplify.ts'

const circle = (r: number, n: number): Path =>
  Array.from({ length: n + 1 }, (_, i): Point => [
    r * Math.cos((2 * Math.PI * i) / n),
    r * Math.sin((2 * Math.PI * i) / n),
  ])

describe('a line with fewer points', () => {
  it('keeps every point it leaves out within the tolerance, and both ends', () => {
    const walk = fc.array(
      fc.tuple(fc.double({ min: -3, max: 5, noNaN: true }), fc.double({ min: -2, max: 2, noNaN: true })),
      {
        minLength: 2,
        maxLength: 120,
      },
    )
    fc.assert(
      fc.property(walk, fc.double({ min: 0.05, max: 4, noNaN: true }), (steps, tolerance) => {
        let [x, y] = [0, 0]
        const line = steps.map(([dx, dy]): Point => [(x += dx), (y += dy)])
        const few = simplify(line, tolerance)
        expect([few[0], few[few.length - 1]]).toEqual([line[0], line[line.length - 1]])
        for (const p of line) expect(nearest(few, p).away).toBeLessThanOrEqual(tolerance + 1e-9)
      }),
    )
  })
  it('of a circle leaves about as many as the sagitta asks for', () => {
    // A chord that spans 2 a lies r (1 - cos a) inside: with 0.4 mm on 50 mm every 14.5 degrees a point at the best.
    const count = simplify(circle(50, 720), 0.4).length
    expect(count).toBeGreaterThan(24)
    expect(count).toBeLessThan(50)
  })
  it('a straight line is its two ends', () => {
    const line = Array.from({ length: 50 }, (_, i): Point => [i, 2 * i])
    expect(simplify(line, 0.01)).toEqual([line[0], line[49]])
  })
})
