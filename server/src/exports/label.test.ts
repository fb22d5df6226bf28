import { boxOf, intersect, type Path, type Point } from '@gentle-awl/core'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { labelPlace, leading } from './label.ts'
import { CELL, Raster, shapeOf } from './raster.ts'

const oval = (w: number, h: number): Path =>
  Array.from({ length: 96 }, (_, k): Point => {
    const a = (k * Math.PI) / 48
    return [(w / 2) * (1 + Math.cos(a)), (h / 2) * (1 + Math.sin(a))]
  })
/** Words as wide as their size asks for. */
const wide = (size: number) => 4 * size
const covered = ({ at, size }: { at: Point; size: number }, rows: number) => ({
  minX: at[0] - wide(size) / 2,
  maxX: at[0] + wide(size) / 2,
  minY: at[1] - (rows - 1) * leading(size),
  maxY: at[1] + 0.7 * leading(size),
})

describe('words in a piece', () => {
  it('stand inside it and clear of a line that crosses it, whatever its size', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 12, max: 220, noNaN: true }),
        fc.double({ min: 12, max: 220, noNaN: true }),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        (w, h, share) => {
          const outline = oval(w, h)
          const line: Path = [
            [share * w, -5],
            [share * w, h + 5],
          ]
          const place = labelPlace(outline, [{ path: line, closed: false }], 2, wide, null)
          if (place === null) return
          const r = covered(place, 2)
          for (const p of [
            [r.minX, r.minY],
            [r.maxX, r.minY],
            [r.maxX, r.maxY],
            [r.minX, r.maxY],
          ]) {
            expect((2 * (p[0]! - w / 2)) ** 2 / w ** 2 + (2 * (p[1]! - h / 2)) ** 2 / h ** 2).toBeLessThan(1)
          }
          expect(r.minX > line[0]![0] || r.maxX < line[0]![0]).toBe(true)
        },
      ),
    )
  })
  it('are as large as goes, and stand nowhere in a strip too narrow for them', () => {
    expect(labelPlace(oval(150, 150), [], 2, wide, null)?.size).toBe(9)
    const small = labelPlace(oval(38, 26), [], 2, wide, null)
    expect(small?.size).toBeLessThan(9)
    expect(labelPlace(oval(120, 5), [], 2, wide, null)).toBeNull()
  })
  it('keep to what is on the page of a piece in stretches', () => {
    const window = { minX: 0, maxX: 200, minY: 150, maxY: 200 }
    const place = labelPlace(oval(200, 200), [], 2, wide, window)
    expect(place?.at[1]).toBeGreaterThan(150)
  })
})

describe('a page filled by cells', () => {
  it('lays rectangles side by side, none on another, until it is full', () => {
    const page = new Raster(20 * CELL, 10 * CELL)
    const box = shapeOf(
      [
        [1, 1],
        [4 * CELL - 1, 1],
        [4 * CELL - 1, 4 * CELL - 1],
        [1, 4 * CELL - 1],
      ],
      4 * CELL,
      4 * CELL,
    )
    expect(box.cells).toBe(16)
    const places: Point[] = []
    for (let at = page.room(box); at; at = page.room(box)) {
      page.take(box, at)
      places.push(at)
    }
    // Five in a row, two rows; what stands above them is too low for a third.
    expect(places).toHaveLength(10)
    places.forEach(([c, r], i) => {
      expect(c + 4).toBeLessThanOrEqual(20)
      expect(r + 4).toBeLessThanOrEqual(10)
      for (const [d, s] of places.slice(i + 1)) expect(Math.abs(c - d) >= 4 || Math.abs(r - s) >= 4).toBe(true)
    })
  })
  it('takes at least the area of a shape, and nests one into the hollow of another', () => {
    const horseshoe: Path = [
      [0, 0],
      [60, 0],
      [60, 60],
      [40, 60],
      [40, 20],
      [20, 20],
      [20, 60],
      [0, 60],
    ]
    const shape = shapeOf(horseshoe, 60, 60)
    expect(shape.cells * CELL * CELL).toBeGreaterThan(60 * 60 - 20 * 40)
    const page = new Raster(60 + CELL, 60 + CELL)
    const at = page.room(shape)
    expect(at).toEqual([0, 0])
    page.take(shape, at as Point)
    const peg = shapeOf(oval(9, 9), 9, 9)
    const inside = page.room(peg) as Point
    const peak = boxOf(oval(9, 9).map(([x, y]): Point => [x + inside[0] * CELL, y + inside[1] * CELL]))
    expect(peak.minX).toBeGreaterThan(20)
    expect(peak.maxX).toBeLessThan(40)
    expect(() =>
      intersect(
        oval(9, 9).map(([x, y]): Point => [x + inside[0] * CELL, y + inside[1] * CELL]),
        horseshoe,
        'the peg',
      ),
    ).toThrow()
    expect(page.room(shapeOf(oval(40, 40), 40, 40))).toBeNull()
  })
})
