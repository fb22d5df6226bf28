import { describe, expect, it } from 'vitest'
import type { Path, Point } from '../geometry/path.ts'
import { featherArc } from './featherArc.ts'

const oval = (a: number, b: number, n = 720): Path =>
  Array.from({ length: n }, (_, i): Point => {
    const u = (2 * Math.PI * i) / n
    return [a * Math.cos(u), b * Math.sin(u)]
  })

describe('the bend of the feather line', () => {
  it.each([12, 40, 150])('is one over the radius all round a circle of %d mm', (radius) => {
    const { curvature, length, points } = featherArc(oval(radius, radius))
    expect(length).toBeCloseTo(2 * Math.PI * radius, 1)
    expect(Math.abs(length / points.length - 0.5)).toBeLessThan(0.005)
    for (const k of curvature) expect(k * radius).toBeCloseTo(1, 2)
  })
  it('of an ellipse is the formula’s, and turns once round in all', () => {
    const [a, b] = [140, 45]
    const { curvature, points, length } = featherArc(oval(a, b, 4000))
    points.forEach(([x, y], i) => {
      // k = a b / (a^2 sin^2 + b^2 cos^2)^(3/2), but near the tips it is the mean over 10 mm.
      if (Math.abs(x) > 0.8 * a) return
      const exact = (a * b) / ((a * a * y * y) / (b * b) + (b * b * x * x) / (a * a)) ** 1.5
      expect(curvature[i]! / exact).toBeGreaterThan(0.97)
      expect(curvature[i]! / exact).toBeLessThan(1.03)
    })
    expect(curvature.reduce((sum, k) => sum + k, 0) * (length / points.length)).toBeCloseTo(2 * Math.PI, 3)
  })
})
