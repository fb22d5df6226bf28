import { sheetGround, type CutPiece, type LaidPlace, type Path, type ToLay } from '@gentle-awl/core'
import { afterEach, describe, expect, it } from 'vitest'
import { lengthUnit } from '../../../../app/settings.ts'
import { layoutVerdict, matesSentence, reachOf, wrongSentence, type Standing } from './layoutVerdict.ts'

afterEach(() => (lengthUnit.value = 'mm'))
const PAIR = '01900000-0000-7000-8000-0000000000a1'
const box = (w: number, h: number): Path => [
  [0, 0],
  [w, 0],
  [w, h],
  [0, h],
]
function piece(outline: Path): ToLay {
  const cut = { foot: 'left', outline, seen: null, arrow: { from: [0, 0], to: [1, 0] }, tight: 0, count: 2 } as const
  const whole: CutPiece = {
    id: 'vamp',
    name: 'Vamp',
    record: 'upper.vamp',
    thickness: 1.4,
    mirrored: true,
    strip: false,
    count: 2,
    area: 1,
    cuts: [cut],
  }
  return { pair: PAIR, piece: whole, cut }
}
const at = (copy: number, x: number, on = 0): LaidPlace => ({
  pair: PAIR,
  record: 'upper.vamp',
  foot: 'left',
  copy,
  on,
  x,
  y: 0,
  rotation: 0,
  pinned: false,
})
const pieces = [piece(box(150, 450))]
const standing: Standing = {
  pieces,
  places: [at(0, 0), at(1, 191)],
  left: 0,
  grounds: [sheetGround({ length: 1200, width: 600 })],
  straight: true,
  busy: false,
}

describe('what a layout comes to', () => {
  it('is how much of the sheet is used, and what of it the pieces cover', () => {
    // 341 x 600 mm are 20.46 dm2; 13.5 of them are 65.98 %.
    expect(reachOf(pieces, standing.places)).toBe(341)
    expect(layoutVerdict(standing)).toBe(
      'All of it from 341 mm of the sheet: 20.5 dm², of which the pieces cover 66 %.',
    )
  })
  it('is said in inches and square feet where the screen is in inches', () => {
    lengthUnit.value = 'inch'
    // 12 x 24 inches are two square feet, half of them covered.
    const inch = 25.4
    const half = [piece(box(6 * inch, 12 * inch))]
    const grounds = [sheetGround({ length: 1200, width: 24 * inch })]
    expect(layoutVerdict({ ...standing, pieces: half, places: [at(0, 0), at(1, 6 * inch)], grounds })).toBe(
      'All of it from 12″ of the sheet: 2.00 sq ft, of which the pieces cover 50 %.',
    )
  })
  it('of hides is what it takes of those on which something lies, without their flaws', () => {
    const flawed = {
      ...sheetGround({ length: 500, width: 500 }),
      flaws: [{ kind: 'hole' as const, outline: [...box(100, 100)].map(([x, y]) => [x, y] as [number, number]) }],
    }
    const hides = { ...standing, straight: false, grounds: [flawed, flawed, flawed] }
    expect(layoutVerdict({ ...hides, places: [at(0, 110), at(1, 300)] })).toBe(
      'All of it lies on the hide: 13.5 dm² of 24.0 dm², 56 %.',
    )
    expect(layoutVerdict({ ...hides, places: [at(0, 110), at(1, 300, 2)] })).toBe(
      'All of it lies on 2 hides: 13.5 dm² of 48.0 dm², 28 %.',
    )
    expect(layoutVerdict({ ...hides, left: 1 })).toBe('For one piece no place was found on these hides.')
  })
  it('names what has no place, and while it is looked for says no more than that', () => {
    expect(layoutVerdict({ ...standing, left: 3, busy: true })).toBe('For 3 pieces no place is found yet.')
    expect(layoutVerdict({ ...standing, left: 3 })).toBe('For 3 pieces no place was found on this sheet.')
    expect(layoutVerdict({ ...standing, left: 1 })).toBe('For one piece no place was found on this sheet.')
  })
})

describe('right and left of a piece', () => {
  it('that do not lie side by side are named', () => {
    const right: ToLay = { ...pieces[0]!, cut: { ...pieces[0]!.cut, foot: 'right' } }
    const both = [...pieces, right]
    const apart = (x: number, on = 0) => matesSentence(both, [at(0, 0), { ...at(0, x, on), foot: 'right' }])
    expect(apart(160)).toBe('')
    expect(apart(412)).toBe('Right and left of “Vamp” lie 412 mm apart: side by side they match best.')
    expect(apart(0, 1)).toBe('Right and left of “Vamp” lie on two hides: side by side they match best.')
  })
})

describe('what is wrong with it', () => {
  it('is said of each kind, with the pieces it is about', () => {
    const name = (k: number) => ['Vamp, left', 'Tongue, right'][k]!
    const say = (w: Parameters<typeof wrongSentence>[0]) => wrongSentence(w, name, 2)
    expect(say({ kind: 'overlap', at: 1, other: 0, area: 49.6 })).toBe(
      'Tongue, right and Vamp, left lie over each other: 50 mm² twice.',
    )
    expect(say({ kind: 'near', at: 1, other: 0, apart: 0.61 })).toBe(
      'Tongue, right and Vamp, left lie 0.6 mm apart; the knife asks for 2.0 mm.',
    )
    expect(say({ kind: 'edge', at: 0, area: 3 })).toBe('Vamp, left lies over the edge.')
    expect(say({ kind: 'flaw', at: 0, flaw: 'scar' })).toBe('Vamp, left lies on a scar.')
    expect(say({ kind: 'grade', at: 0 })).toBe('Vamp, left lies on a part that is too poor for it.')
    expect(say({ kind: 'turn', at: 1, off: 17.3 })).toBe('Tongue, right lies 17° off the tight direction.')
  })
})
