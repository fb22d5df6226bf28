import { expect, it } from 'vitest'
import { disc } from './disc.ts'
import { distance, signedArea } from './path.ts'

it('a disc has its corners on the round, counter-clockwise, and the area of a regular polygon', () => {
  for (const n of [3, 6, 40]) {
    const path = disc([7, -2], 5, n)
    expect(path).toHaveLength(n)
    for (const p of path) expect(distance(p, [7, -2])).toBeCloseTo(5, 9)
    expect(signedArea(path)).toBeCloseTo((n / 2) * 25 * Math.sin((2 * Math.PI) / n), 9)
  }
})
