import { describe, expect, it } from 'vitest'
import { matKinds, matSheet, matSheets, placeOfMark } from './mat.ts'
import { CODE_COUNT } from './markCodes.ts'

/** Papers that a kind is printed on, mm, and the rim that no printer reaches. */
const papers = {
  small: [
    [210, 297],
    [215.9, 279.4],
  ],
  wide: [[297, 420]],
  floor: [
    [210, 297],
    [215.9, 279.4],
  ],
} as const
const UNPRINTABLE = 6

describe('sheets of the mat', () => {
  it.each(matKinds)('%s: marks fit the paper with its white rim, and none touches another', (kind) => {
    const { marks, side, width, height } = matSheet(kind, 1)
    for (const [w, h] of papers[kind]) {
      expect(width).toBeLessThanOrEqual(w - 2 * UNPRINTABLE)
      expect(height).toBeLessThanOrEqual(h - 2 * UNPRINTABLE)
    }
    for (const a of marks) {
      for (const b of marks) {
        if (a === b) continue
        const gap =
          Math.max(Math.abs(a.corners[0][0] - b.corners[0][0]), Math.abs(a.corners[0][1] - b.corners[0][1])) - side
        // White as wide as a cell is needed to read a mark.
        expect(gap).toBeGreaterThan(side / 7)
      }
      expect(Math.max(...a.corners.map((c) => c[0]))).toBeLessThanOrEqual(width + 1e-9)
      expect(Math.max(...a.corners.map((c) => c[1]))).toBeLessThanOrEqual(height + 1e-9)
    }
  })
  it('bear every mark once, and each mark tells its sheet and place', () => {
    const seen = new Set<number>()
    for (const kind of matKinds) {
      for (let n = 1; n <= matSheets(kind); n++) {
        for (const { mark, corners } of matSheet(kind, n).marks) {
          expect(seen.has(mark)).toBe(false)
          seen.add(mark)
          expect(placeOfMark(mark)).toMatchObject({ sheet: { kind, number: n }, corners })
        }
      }
    }
    expect(seen.size).toBeLessThanOrEqual(CODE_COUNT)
    expect(placeOfMark(seen.size)).toBeUndefined()
  })
  it('beyond the last are none', () => {
    expect(() => matSheet('wide', 5)).toThrow('There are 4 sheets of this kind, from 1; 5 is none.')
    expect(() => matSheet('wide', 0)).toThrow(RangeError)
  })
})
