import fc from 'fast-check'
import { expect, it } from 'vitest'
import { convexHull } from './convexHull.ts'
import { orientation } from './orientation.ts'
import { signedArea, type Point } from './path.ts'

/** A double as a whole number of 2^-53: exact for those used here. */
const whole = (v: number): bigint => BigInt(v * 2 ** 53)
/** The sign by exact arithmetic on whole numbers. */
const exactSign = ([ax, ay]: Point, [bx, by]: Point, [cx, cy]: Point): number => {
  const [x1, y1] = [whole(bx) - whole(ax), whole(by) - whole(ay)]
  const [x2, y2] = [whole(cx) - whole(ax), whole(cy) - whole(ay)]
  const area = x1 * y2 - y1 * x2
  return area > 0n ? 1 : area < 0n ? -1 : 0
}
const STEP = 2 ** -53

it('turns the way that a drawing does: counter-clockwise is positive', () => {
  expect(orientation([0, 0], [1, 0], [0, 1])).toBe(1)
  expect(orientation([0, 0], [0, 1], [1, 0])).toBe(-1)
  expect(orientation([0, 0], [2, 2], [5, 5])).toBe(0)
})

it('has the sign of exact arithmetic where plain floating point is wrong: points a rounding away from one line', () => {
  const [b, c]: [Point, Point] = [
    [12, 12],
    [24, 24],
  ]
  let plainWrong = 0
  for (let i = 0; i < 40; i++) {
    for (let j = 0; j < 40; j++) {
      const a: Point = [0.5 + i * STEP, 0.5 + j * STEP]
      const exact = exactSign(a, b, c)
      expect(Math.sign(orientation(a, b, c)), `${i}, ${j}`).toBe(exact)
      const plain = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])
      if (Math.sign(plain) !== exact) plainWrong++
    }
  }
  // Or the test would prove nothing.
  expect(plainWrong).toBeGreaterThan(100)
})

it('is turned by any exchange, and so is never of two minds about one triangle', () => {
  const coordinate = fc.double({ min: -500, max: 500, noNaN: true })
  const point = fc.tuple(coordinate, coordinate)
  fc.assert(
    fc.property(point, point, point, (a, b, c) => {
      const s = Math.sign(orientation(a, b, c))
      expect(Math.sign(orientation(b, c, a))).toBe(s)
      expect(Math.sign(orientation(b, a, c))).toBe(s === 0 ? 0 : -s)
    }),
  )
})

it('a hull of points that all but lie on a line is convex by exact arithmetic', () => {
  const near = fc.integer({ min: 0, max: 60 }).map((k) => 0.5 + k * STEP)
  fc.assert(
    fc.property(fc.array(fc.tuple(near, near), { minLength: 4, maxLength: 20 }), (points) => {
      const hull = convexHull([...points, [12, 12], [24, 24]])
      for (let i = 0; i < hull.length && hull.length > 2; i++) {
        const [a, b, c] = [hull[i]!, hull[(i + 1) % hull.length]!, hull[(i + 2) % hull.length]!]
        expect(exactSign(a, b, c)).toBe(1)
      }
      expect(hull.length < 3 || signedArea(hull) >= 0).toBe(true)
    }),
  )
})
