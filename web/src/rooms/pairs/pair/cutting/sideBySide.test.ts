import { boxOf, sheetGround } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { movedGround, sideBySide } from './sideBySide.ts'

describe('hides on one drawing', () => {
  it('lie side by side, level, the first where it is', () => {
    const one = sheetGround({ length: 400, width: 300 })
    const other = movedGround(sheetGround({ length: 200, width: 500 }), [-90, -250])
    const shifts = sideBySide([one, other, one])
    const boxes = [one, other, one].map((g, k) => boxOf(movedGround(g, shifts[k]!).outline))
    expect(shifts[0]).toEqual([0, 0])
    expect(boxes.map((b) => [b.minX, b.maxX])).toEqual([
      [0, 400],
      [480, 680],
      [760, 1160],
    ])
    expect(boxes.map((b) => b.minY)).toEqual([0, 0, 0])
  })
  it('take flaws and parts with them', () => {
    const flaw = {
      kind: 'scar' as const,
      outline: [
        [1, 1],
        [2, 1],
        [2, 2],
      ] as [number, number][],
    }
    const g = {
      ...sheetGround({ length: 9, width: 9 }),
      flaws: [flaw],
      zones: [{ grade: 'good' as const, outline: flaw.outline }],
    }
    const to = movedGround(g, [10, -5])
    expect(to.flaws[0]!.outline[0]).toEqual([11, -4])
    expect(to.zones[0]!.outline[2]).toEqual([12, -3])
  })
})
