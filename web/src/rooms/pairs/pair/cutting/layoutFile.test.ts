import {
  boxOf,
  distance,
  readHpgl,
  sheetGround,
  signedArea,
  type CuttingGroup,
  type Placement,
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
      cuts: [{ foot: 'right', outline: triangle, arrow: { from: [0, 0], to: [60, 0] }, tight: 0, count: 2 }],
    },
  ],
}
const at = (copy: number, x: number, y: number, rotation: number): Placement => ({
  id: 'upper.vamp right',
  copy,
  bin: 0,
  x,
  y,
  rotation,
  mirrored: false,
})
const ground = { ...sheetGround({ length: 400, width: 300 }), tight: 0 }
const laid = laidOutlines(group, [at(0, 200, 150, 90), at(1, 20, 10, 0)])

describe('a layout as a file', () => {
  it('has its pieces from left to right, where they lie', () => {
    expect(laid.map((l) => boxOf(l.path).minX)).toEqual([20, 170])
    // Turned by a quarter: 60 up, 30 to the left.
    expect(laid[1]!.path[1]![0]).toBeCloseTo(200, 9)
    expect(laid[1]!.path[1]![1]).toBeCloseTo(210, 9)
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
