import type { Box } from '@gentle-awl/core'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { inRows } from './rows.ts'

const box = fc
  .tuple(
    fc.integer({ min: -90, max: 90 }),
    fc.integer({ min: -90, max: 90 }),
    fc.integer({ min: 5, max: 300 }),
    fc.integer({ min: 5, max: 200 }),
  )
  .map(([x, y, w, h]): Box => ({ minX: x, minY: y, maxX: x + w, maxY: y + h }))

describe('boxes in rows', () => {
  it('lie apart and inside what is said to be needed, in any window', () => {
    fc.assert(
      fc.property(
        fc.array(box, { minLength: 1, maxLength: 12 }),
        fc.double({ min: 0.3, max: 5, noNaN: true }),
        (boxes, aspect) => {
          const { moves, width, height } = inRows(boxes, aspect)
          const placed = boxes.map((b, i) => ({
            x0: b.minX + moves[i]!.dx,
            x1: b.maxX + moves[i]!.dx,
            y0: b.minY + moves[i]!.dy,
            y1: b.maxY + moves[i]!.dy,
          }))
          placed.forEach((a, i) => {
            expect(a.x0).toBeGreaterThan(0)
            expect(a.x1).toBeLessThan(width)
            expect(a.y1).toBeLessThan(0)
            expect(a.y0).toBeGreaterThan(-height)
            for (const b of placed.slice(i + 1))
              expect(a.x1 < b.x0 || b.x1 < a.x0 || a.y1 < b.y0 || b.y1 < a.y0).toBe(true)
          })
        },
      ),
    )
  })
  it('use the window: wide ones get one row, high ones a column', () => {
    const four = Array.from({ length: 4 }, (): Box => ({ minX: 0, minY: 0, maxX: 100, maxY: 50 }))
    expect(new Set(inRows(four, 8).moves.map((m) => m.dy)).size).toBe(1)
    expect(new Set(inRows(four, 0.4).moves.map((m) => m.dy)).size).toBe(4)
    expect(inRows([], 1).moves).toEqual([])
  })
})
