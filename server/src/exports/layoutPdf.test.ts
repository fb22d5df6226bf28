import { describe, expect, it } from 'vitest'
import { OVERLAP, windowOf } from './sheets.ts'
import { layoutPdf, tiles } from './layoutPdf.ts'
import type { LayoutDrawing } from './layoutDrawing.ts'
import { layoutDxf } from './layoutDxf.ts'
import DxfParser, { type ILwpolylineEntity } from 'dxf-parser'

const box = (x0: number, y0: number, x1: number, y1: number): [number, number][] => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
]
const layout: LayoutDrawing = {
  title: 'Calf on Calf 7',
  outline: box(-20, -300, 1100, 500),
  flaws: [box(200, 100, 230, 130)],
  pieces: [
    { name: 'Vamp', foot: 'left', path: box(0, -280, 210, -100) },
    { name: 'Quarter', foot: 'right', path: box(600, 0, 800, 120) },
  ],
}
const pagesIn = (pdf: Uint8Array) =>
  Buffer.from(pdf)
    .toString('latin1')
    .match(/\/Type \/Page\b/g)?.length ?? 0

describe('a layout on sheets of paper', () => {
  it('is covered by them without a gap, each overlapping the next by as much as crosses need', () => {
    for (const [width, height] of [
      [50, 50],
      [190, 261],
      [191, 262],
      [1120, 800],
    ] as const) {
      const window = windowOf('a4')
      const { tiles: all, rows, columns } = tiles(width, height, 'a4')
      expect(all).toHaveLength(rows * columns)
      const xs = [...new Set(all.map((t) => t.at[0]))]
      const ys = [...new Set(all.map((t) => t.at[1]))]
      xs.slice(1).forEach((x, k) => expect(xs[k]! + window.width - x).toBeCloseTo(OVERLAP, 9))
      ys.slice(1).forEach((y, k) => expect(ys[k]! + window.height - y).toBeCloseTo(OVERLAP, 9))
      expect(xs.at(-1)! + window.width).toBeGreaterThanOrEqual(width)
      expect(ys.at(-1)! + window.height).toBeGreaterThanOrEqual(height)
      // One fewer would not do.
      if (columns > 1) expect(xs.at(-2)! + window.width).toBeLessThan(width)
    }
  })
  it('has those sheets on which a piece lies, and no others', async () => {
    // The vamp spans two columns of the lowest row; the quarter two columns of the second.
    expect(pagesIn(await layoutPdf(layout, 'a4'))).toBe(4)
    expect(pagesIn(await layoutPdf({ ...layout, pieces: layout.pieces.slice(0, 1) }, 'a3'))).toBe(1)
  })
})

describe('a layout for drawing programs', () => {
  it('as DXF has pieces, sheet and flaws on layers of their own, in mm', () => {
    const read = new DxfParser().parseSync(layoutDxf(layout))!
    const lines = read.entities as ILwpolylineEntity[]
    expect(lines.map((l) => l.layer).sort()).toEqual(['CUT', 'CUT', 'FLAW', 'SHEET'])
    expect(lines.every((l) => l.shape)).toBe(true)
    const cut = lines.filter((l) => l.layer === 'CUT')
    expect(cut.map((l) => l.vertices.map((v) => [v.x, v.y]))).toEqual(layout.pieces.map((p) => p.path))
    // Millimetres.
    expect(read.header.$INSUNITS).toBe(4)
  })
})
