import { describe, expect, it } from 'vitest'
import { contains, signedArea, type Path } from '../geometry/path.ts'
import { commonArea, remainders } from '../geometry/polygonClip.ts'
import { HideFields } from '../model/hide.ts'
import { leftOver } from './leftOver.ts'

const box = (x0: number, y0: number, x1: number, y1: number): [number, number][] => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
]
const sheet = HideFields.parse({
  name: 'Sheet',
  form: 'sheet',
  outline: box(0, 0, 1000, 500),
  flaws: [{ kind: 'scar', outline: box(100, 100, 120, 110) }],
  zones: [{ grade: 'lesser', outline: box(700, 0, 1000, 100) }],
  samples: [
    { at: [50, 50], thickness: 1.4 },
    { at: [900, 400], thickness: 1.6 },
  ],
})
const net = (part: { outline: Path; flaws: readonly { kind: string; outline: Path }[] }) =>
  signedArea(part.outline) -
  part.flaws.filter((f) => f.kind === 'hole').reduce((sum, f) => sum + signedArea(f.outline), 0)

describe('what closed paths leave of one', () => {
  it('is all of its parts with their holes, the largest first, without what is too narrow', () => {
    const parts = remainders(box(0, 0, 100, 100), [box(60, -5, 65, 105), box(20, 20, 40, 40), box(95, -5, 99, 105)], 1)
    // 60, 30 wide, and a strip of 1 mm that goes.
    expect(parts.map((p) => [Math.round(signedArea(p.outline)), p.holes.length])).toEqual([
      [5999, 1],
      [2999, 0],
    ])
    expect(signedArea(parts[0]!.holes[0]!)).toBeCloseTo(400, 0)
  })
})

describe('what is left of a hide', () => {
  it('has holes where pieces lay within it, as much smaller as they are', () => {
    const [left, ...more] = leftOver(sheet, [box(300, 100, 500, 300)])
    expect(more).toEqual([])
    // Corners are rounded by the finger that finds no leather in them: 4 - pi squared of 8 mm, and at the hole by half a millimetre.
    expect(Math.abs(net(left!) - (500_000 - 201 * 201 - (4 - Math.PI) * 64))).toBeLessThan(100)
    expect(left!.flaws.map((f) => f.kind)).toEqual(['scar', 'hole'])
    expect(HideFields.safeParse({ ...sheet, ...left }).success).toBe(true)
  })
  it('falls into offcuts where it is cut through; marks go with the part that they are on, scraps are not kept', () => {
    const parts = leftOver(sheet, [box(600, -1, 640, 501), box(920, -1, 940, 501)])
    expect(parts).toHaveLength(3)
    expect(parts.map((p) => [p.flaws.length, p.zones.length, p.samples.length])).toEqual([
      [1, 0, 1],
      [0, 1, 1],
      [0, 1, 0],
    ])
    expect(contains(parts[1]!.outline, [900, 400])).toBe(true)
    // 15 by 500 mm is no offcut.
    expect(leftOver(sheet, [box(600, -1, 640, 501), box(985, -1, 990, 501)])).toHaveLength(2)
    for (const p of parts) expect(commonArea(p.outline, box(600, 0, 640, 500))).toBe(0)
  })
  it('counts the holes that were there: a web between two is none of it, and what was marked in a hole is gone', () => {
    const holed = { ...sheet, flaws: [...sheet.flaws, { kind: 'hole' as const, outline: box(300, 100, 500, 300) }] }
    // 10 mm stand between the old hole and the new one; the scar and a sample go with the piece.
    const [left] = leftOver(holed, [box(510, 100, 700, 300), box(40, 40, 140, 140)])
    expect(left!.flaws.map((f) => f.kind)).toEqual(['hole', 'hole'])
    expect(left!.samples.map((s) => s.at)).toEqual([[900, 400]])
    const gone = 400.5 * 200 + 0.5 * 190 + 101 * 101
    expect(Math.abs(net(left!) - (500_000 - gone))).toBeLessThan(250)
    // Cut again elsewhere, its holes are still the same two and no more.
    const [again] = leftOver({ ...sheet, ...left }, [box(800, 250, 900, 350)])
    expect(again!.flaws).toHaveLength(3)
  })
  it('is nothing where all is used', () => {
    expect(leftOver(sheet, [box(10, 10, 990, 490)])).toEqual([])
  })
})
