import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { pathLength, type Path, type Point } from './path.ts'
import { arcBetween } from './subpath.ts'

const square: Path = [
  [0, 0],
  [10, 0],
  [10, 10],
  [0, 10],
]

describe('the stretch of a closed path between two places', () => {
  it('goes on in its direction, over its beginning where it must', () => {
    expect(arcBetween(square, [2, 0], [10, 4])).toEqual([
      [2, 0],
      [10, 0],
      [10, 4],
    ])
    expect(arcBetween(square, [0, 4], [3, 0])).toEqual([
      [0, 4],
      [0, 0],
      [3, 0],
    ])
  })
  it('takes the nearest places, and the whole way round from a place to itself', () => {
    expect(arcBetween(square, [5, -3], [5, 13])).toEqual([
      [5, 0],
      [10, 0],
      [10, 10],
      [5, 10],
    ])
    expect(pathLength(arcBetween(square, [5, 0], [5, 0]))).toBeCloseTo(40, 9)
  })
  it('and the stretch back make the whole path', () => {
    const round: Path = Array.from({ length: 60 }, (_, i): Point => {
      const a = (2 * Math.PI * i) / 60
      return [30 * Math.cos(a), 20 * Math.sin(a)]
    })
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6.2, noNaN: true }),
        fc.double({ min: 0.05, max: 6, noNaN: true }),
        (a, by) => {
          const at = (t: number): Point => [30 * Math.cos(t), 20 * Math.sin(t)]
          const [p, q] = [at(a), at(a + by)]
          const both = pathLength(arcBetween(round, p, q)) + pathLength(arcBetween(round, q, p))
          expect(both).toBeCloseTo(pathLength(round, true), 6)
        },
      ),
    )
  })
})
