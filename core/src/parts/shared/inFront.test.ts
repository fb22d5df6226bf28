import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { pathLength, type Path, type Point } from '../../geometry/path.ts'
import { inFrontOf } from './inFront.ts'

describe('the part of an outline in front of a place', () => {
  it('of a circle is the arc, from its lateral end round to its medial one', () => {
    const r = 40
    const circle: Path = Array.from({ length: 720 }, (_, k): Point => {
      const a = (k * Math.PI) / 360
      return [r * Math.cos(a), r * Math.sin(a)]
    })
    fc.assert(
      fc.property(fc.double({ min: -35, max: 35, noNaN: true }), fc.integer({ min: 0, max: 719 }), (x, begin) => {
        const turned = [...circle.slice(begin), ...circle.slice(0, begin)]
        const line = inFrontOf(turned, x)
        expect(pathLength(line)).toBeCloseTo(2 * r * Math.acos(x / r), 2)
        expect(line[0]![0]).toBeCloseTo(x, 9)
        expect(line[line.length - 1]![0]).toBeCloseTo(x, 9)
        expect(line[0]![1]).toBeLessThan(0)
        expect(line[line.length - 1]![1]).toBeGreaterThan(0)
      }),
    )
  })
  it('is empty where the outline does not reach', () => {
    expect(
      inFrontOf(
        [
          [0, 0],
          [1, 0],
          [0, 1],
        ],
        5,
      ),
    ).toEqual([])
  })
})
