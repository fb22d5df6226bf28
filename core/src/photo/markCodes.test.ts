import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { APART, cellsApart, CODE_COUNT, markCodes, quarterTurned, readCode } from './markCodes.ts'

const turned = (code: number, quarters: number): number => {
  let out = code
  for (let k = 0; k < quarters; k++) out = quarterTurned(out)
  return out
}
const anyMark = fc.integer({ min: 0, max: CODE_COUNT - 1 })
const cells = (most: number) => fc.uniqueArray(fc.integer({ min: 0, max: 24 }), { maxLength: most })
const flipped = (code: number, which: readonly number[]) => which.reduce((c, k) => c ^ (1 << k), code)

describe('codes of the marks', () => {
  it('turn in quarters: four make the field what it was, one takes the upper left to the upper right', () => {
    expect(turned(0b1_0110_1011, 4)).toBe(0b1_0110_1011)
    expect(quarterTurned(1)).toBe(1 << 4)
    expect(quarterTurned(1 << 4)).toBe(1 << 24)
  })
  it('differ from each other in every turn, and from themselves turned', () => {
    const codes = markCodes()
    let least = 25
    codes.forEach((a, i) => {
      for (let q = 0; q < 4; q++) {
        for (let k = q === 0 ? i + 1 : i; k < codes.length; k++)
          least = Math.min(least, cellsApart(a, turned(codes[k]!, q)))
      }
    })
    expect(codes).toHaveLength(CODE_COUNT)
    expect(least).toBeGreaterThanOrEqual(APART)
  })
  it('are those of sheets that were printed before', () => {
    expect(markCodes().slice(0, 4)).toEqual([25253423, 12918568, 20052359, 9634022])
    expect(markCodes().reduce((sum, c) => (sum * 31 + c) % 1_000_003, 7)).toBe(447025)
  })
  it('are read in every turn, also with one cell misread', () => {
    fc.assert(
      fc.property(anyMark, fc.integer({ min: 0, max: 3 }), cells(1), (mark, quarters, wrong) => {
        const read = readCode(flipped(turned(markCodes()[mark]!, quarters), wrong))
        expect(read).toEqual({ mark, quarters: (4 - quarters) % 4 })
      }),
      { numRuns: 200 },
    )
  })
  it('are never taken for another with up to three cells misread', () => {
    fc.assert(
      fc.property(anyMark, cells(3), (mark, wrong) => {
        const read = readCode(flipped(markCodes()[mark]!, wrong))
        expect(read === null || read.mark === mark).toBe(true)
      }),
      { numRuns: 200 },
    )
  })
})
