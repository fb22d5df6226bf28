import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { crossingOf, lineThrough, offLine, type StraightLine } from './lineThrough.ts'
import { rotate, type Point } from './path.ts'

const spot = fc.tuple(fc.double({ min: -50, max: 50, noNaN: true }), fc.double({ min: -50, max: 50, noNaN: true }))
const sum = (points: readonly Point[], line: StraightLine) => points.reduce((s, p) => s + offLine(p, line) ** 2, 0)

describe('the straight line nearest to points', () => {
  it('goes through points of one line', () => {
    const { through, direction } = lineThrough([
      [0, 1],
      [3, 5],
      [6, 9],
    ])
    expect(through).toEqual([3, 5])
    expect(Math.abs(direction[0])).toBeCloseTo(0.6, 12)
    expect(direction[1] / direction[0]).toBeCloseTo(4 / 3, 12)
  })
  it('has no turned line nearer than it, whatever the points', () => {
    fc.assert(
      fc.property(
        fc.array(spot, { minLength: 2, maxLength: 9 }),
        fc.double({ min: -90, max: 90, noNaN: true }),
        (points, by) => {
          const line = lineThrough(points)
          const [direction] = rotate([line.direction], by) as [Point]
          expect(sum(points, line)).toBeLessThanOrEqual(sum(points, { ...line, direction }) + 1e-6)
        },
      ),
    )
  })
  it('says on which side of it a place lies, and refuses to go through nothing', () => {
    const up: StraightLine = { through: [2, 0], direction: [0, 1] }
    expect(offLine([0, 7], up)).toBe(2)
    expect(offLine([5, 7], up)).toBe(-3)
    expect(() => lineThrough([])).toThrow('No line goes through no points.')
  })
})

describe('two lines', () => {
  it('cross where both pass, and not where they run alongside', () => {
    const a: StraightLine = { through: [0, 0], direction: [1, 0] }
    const b: StraightLine = { through: [4, 5], direction: [0.6, 0.8] }
    const p = crossingOf(a, b, 0.01)!
    expect(p[1]).toBeCloseTo(0, 12)
    expect(offLine(p, b)).toBeCloseTo(0, 12)
    expect(crossingOf(a, { through: [0, 3], direction: [-1, 0] }, 0.01)).toBeNull()
  })
})
