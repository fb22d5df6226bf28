import type { Path } from '@gentle-awl/core'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { onRow, stripRows } from './stripRows.ts'

const lengths = fc.double({ min: 5, max: 2400, noNaN: true })
const widths = fc.double({ min: 60, max: 400, noNaN: true })

describe('rows of a strip', () => {
  it('follow each other without a gap from end to end, none wider than the paper', () => {
    fc.assert(
      fc.property(lengths, widths, (length, width) => {
        const rows = stripRows(length, width)
        expect(rows[0]!.from).toBe(0)
        expect(rows[rows.length - 1]!.to).toBe(length)
        rows.slice(1).forEach((r, i) => expect(r.from).toBe(rows[i]!.to))
        for (const r of rows) {
          expect(r.to - r.from).toBeGreaterThan(0)
          expect(r.to - r.from).toBeLessThanOrEqual(width)
        }
        for (const r of rows.slice(0, -1)) expect((r.to - r.from) % 10).toBe(0)
      }),
      { seed: 3 },
    )
  })
  it('have every kerf once, on the join of two as well, and of a long line each its share', () => {
    fc.assert(
      fc.property(lengths, widths, fc.double({ min: 0, max: 1, noNaN: true }), (length, width, share) => {
        const rows = stripRows(length, width)
        const places = [share * length, 0, length, ...rows.map((r) => r.from)]
        for (const at of places) {
          const kerf: Path = [
            [at, 0],
            [at, 9],
          ]
          expect(rows.filter((r, i) => onRow(kerf, r, i === rows.length - 1))).toHaveLength(1)
        }
        const fold: Path = [
          [0, 12],
          [length, 12],
        ]
        const laid = rows.flatMap((r, i) => onRow(fold, r, i === rows.length - 1) ?? [])
        expect(laid).toHaveLength(2 * rows.length)
        const sum = laid.reduce((total, [x], i) => total + (i % 2 === 0 ? -x : x), 0)
        expect(sum).toBeCloseTo(length, 6)
      }),
      { seed: 4 },
    )
  })
  it('of 190 mm hold 1.5 of 285 mm', () => {
    expect(stripRows(285, 190)).toEqual([
      { from: 0, to: 190 },
      { from: 190, to: 285 },
    ])
    expect(stripRows(190, 195)).toEqual([{ from: 0, to: 190 }])
  })
})
