import {
  boxOf,
  distance,
  pathLength,
  readHpgl,
  sheetGround,
  signedArea,
  toLay,
  type CuttingGroup,
  type LaidPlace,
  type Point,
} from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { laidOutlines, layoutHpgl, layoutSvg } from './layoutFile.ts'

const triangle: Point[] = [
  [0, 0],
  [60, 0],
  [0, 30],
]
const group: CuttingGroup = {
  material: 'Calf',
  face: 'grain up',
  area: 900,
  pieces: [
    {
      id: 'vamp',
      name: 'Vamp <toe>',
      record: 'upper.vamp',
      thickness: 1.4,
      mirrored: true,
      strip: false,
      count: 1,
      area: 900,
      cuts: [
        { foot: 'right', outline: triangle, seen: null, arrow: { from: [0, 0], to: [60, 0] }, tight: 0, count: 2 },
      ],
    },
  ],
}
const PAIR = '01900000-0000-7000-8000-0000000000a1'
const at = (copy: number, x: number, y: number, rotation: number, on = 0): LaidPlace => ({
  pair: PAIR,
  record: 'upper.vamp',
  foot: 'right',
  copy,
  on,
  x,
  y,
  rotation,
  pinned: false,
})
const ground = { ...sheetGround({ length: 400, width: 300 }), tight: 0 }
const pieces = toLay(PAIR, group)
const places = [at(0, 200, 150, 90), at(1, 20, 10, 0)]
const laid = laidOutlines(pieces, places)

describe('a layout as a file', () => {
  it('has its pieces from left to right, where they lie', () => {
    expect(laid.map((l) => boxOf(l.path).minX)).toEqual([20, 170])
    // Turned by a quarter: 60 up, 30 to the left.
    expect(laid[1]!.path[1]![0]).toBeCloseTo(200, 9)
    expect(laid[1]!.path[1]![1]).toBeCloseTo(210, 9)
  })
  it('is of one hide at a time, without what is not cut any more', () => {
    const on = [...places, at(0, 30, 30, 0, 1), { ...at(1, 5, 5, 0, 1), record: 'upper.wing' }, at(2, 90, 90, 0, 1)]
    expect(laidOutlines(pieces, on, 1).map((l) => boxOf(l.path).minX)).toEqual([30])
  })
  it('goes so far outside the line for a tool that takes something away that the piece keeps its size', () => {
    const [line] = readHpgl(layoutHpgl(ground, laid.slice(0, 1), { takes: 0.4 }))
    const [small, large] = [boxOf(laid[0]!.path), boxOf(line!.path)]
    expect(small.minX - large.minX).toBeCloseTo(0.2, 1.5)
    expect(large.maxY - small.maxY).toBeGreaterThan(0.17)
    // A straight side is a tool's half width farther out, all along: area grows by the girth times it, and round corners.
    const girth = pathLength(laid[0]!.path, true)
    expect(Math.abs(signedArea(line!.path)) - 900).toBeCloseTo(0.2 * girth + Math.PI * 0.04, 0)
  })
  it('for a cutting table is read back within a unit, counted from the corner of what it lies on', () => {
    const moved = { ...ground, outline: ground.outline.map(([x, y]): [number, number] => [x - 50, y - 20]) }
    const plot = readHpgl(layoutHpgl(moved, laid))
    expect(plot).toHaveLength(2)
    plot.forEach((line, i) => {
      expect(line.closed).toBe(true)
      expect(Math.abs(signedArea(line.path))).toBeCloseTo(900, 0)
      line.path.forEach((p, k) => {
        const [x, y] = laid[i]!.path[k]!
        expect(distance(p, [x + 50, y + 20])).toBeLessThan(0.025)
      })
    })
  })
  it('has its pen draw first, within each piece: an arrow and the foot, and the knife cut what it cut without', () => {
    const drawn = readHpgl(layoutHpgl(ground, laid, { pen: true }))
    expect(drawn.filter((l) => l.tool === 1)).toEqual(readHpgl(layoutHpgl(ground, laid)))
    expect(drawn.map((l) => l.tool)).toEqual([2, 2, 2, 2, 2, 2, 1, 1])
    // Shaft of 60 mm along the way of the piece: turned by a quarter, upwards.
    const shafts = drawn.filter((_, k) => k === 0 || k === 3).map((l) => l.path)
    expect(shafts.map((s) => Math.abs(s[1]![0] - s[0]![0]))).toEqual([60, 0])
    expect(shafts.map((s) => Math.abs(s[1]![1] - s[0]![1]))).toEqual([0, 60])
    for (const letter of [drawn[2]!, drawn[5]!]) {
      const b = boxOf(letter.path)
      expect(b.maxY - b.minY).toBeCloseTo(6, 1)
    }
  })
  it('as a drawing is at true size, with names that cannot break it', () => {
    const svg = layoutSvg(
      {
        ...ground,
        flaws: [
          {
            kind: 'hole',
            outline: [
              [5, 5],
              [9, 5],
              [9, 9],
            ],
          },
        ],
      },
      laid,
    )
    const read = new DOMParser().parseFromString(svg, 'image/svg+xml')
    expect(read.documentElement.getAttribute('width')).toBe('400mm')
    expect(read.documentElement.getAttribute('viewBox')).toBe('0 -300 400 300')
    expect([...read.querySelectorAll('title')].map((t) => t.textContent)).toEqual([
      'Edge',
      'Flaw: hole',
      'Vamp <toe>, right',
      'Vamp <toe>, right',
    ])
  })
})
