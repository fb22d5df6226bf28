import { contains, type Path } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { labelInside } from './labelInside.ts'

const hollow: Path = [
  [0, 0],
  [100, 0],
  [100, 100],
  [80, 100],
  [80, 20],
  [20, 20],
  [20, 100],
  [0, 100],
]

describe('a name within its piece', () => {
  it('lies wholly inside, also of one with a hollow, near where it is wanted and not on it', () => {
    const size = { width: 18, height: 8 }
    const at = labelInside(hollow, size, [50, 10])!
    for (const [dx, dy] of [
      [-9, -4],
      [9, -4],
      [9, 4],
      [-9, 4],
    ] as const) {
      expect(contains(hollow, [at[0] + dx, at[1] + dy])).toBe(true)
    }
    expect(Math.abs(at[1] - 10) >= 5.6 || Math.abs(at[0] - 50) >= 18).toBe(true)
    const up = labelInside(hollow, size, [90, 60])!
    expect(up[0]).toBeGreaterThan(80)
  })
  it('is nowhere where there is no room for it', () => {
    expect(labelInside(hollow, { width: 60, height: 30 }, [50, 10])).toBeNull()
  })
})
