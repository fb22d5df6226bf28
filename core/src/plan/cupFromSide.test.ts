import { describe, expect, it } from 'vitest'
import { signedArea, type Path } from '../geometry/path.ts'
import { cupFromSide } from './cupFromSide.ts'

/** A box of 200 by 60 on a level bottom of 8. */
const back: Path = [
  [0, 8],
  [0, 30],
  [0, 68],
]
const front: Path = [
  [200, 68],
  [200, 40],
  [200, 8],
]
const floor: Path = [
  [0, 8],
  [200, 8],
]
const lower: Path = [
  [0, 0],
  [200, 0],
]

describe('a cup from the side', () => {
  it('is its bottom and a wall of one height, and stands out by the wall at heel and toe', () => {
    const cup = cupFromSide({ back, front, floor, lower }, 22)
    const [xs, zs] = [cup.map((p) => p[0]), cup.map((p) => p[1])]
    expect([Math.min(...xs), Math.max(...xs)]).toEqual([-3, 203])
    expect([Math.min(...zs), Math.max(...zs)]).toEqual([0, 30])
    expect(Math.abs(signedArea(cup))).toBeCloseTo(206 * 30, 6)
  })
  it('follows a toe that leans back: its edge ends where the toe is at that height', () => {
    const leaning: Path = [
      [160, 68],
      [200, 8],
    ]
    const cup = cupFromSide({ back, front: leaning, floor, lower }, 30)
    const high = cup.filter((p) => p[1] > 38 - 1e-9)
    // At half the height the toe lies half way back.
    expect(Math.max(...high.map((p) => p[0]))).toBeCloseTo(183, 9)
  })
  it('reaches no higher than the last does', () => {
    expect(Math.max(...cupFromSide({ back, front, floor, lower }, 22).map((p) => p[1]))).toBe(30)
    const low: Path = [
      [0, 8],
      [0, 20],
    ]
    expect(cupFromSide({ back: low, front, floor, lower }, 22).some(([x, z]) => x === -3 && z === 20)).toBe(true)
  })
})
