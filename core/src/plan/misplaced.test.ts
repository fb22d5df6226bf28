import { describe, expect, it } from 'vitest'
import { gaussian, seeded } from '../geometry/random.ts'
import { layoutFaults } from '../../test/layoutFaults.ts'
import type { Path } from '../geometry/path.ts'
import type { LaidPlace } from '../model/layout.ts'
import { cuttingLayout, layId, sheetGround, type LayGround, type ToLay } from './cuttingLayout.ts'
import type { CutPiece } from './cuttingList.ts'
import { misplaced } from './misplaced.ts'

const PAIR = '01900000-0000-7000-8000-0000000000a1'
const box = (width: number, height: number): Path => [
  [0, 0],
  [width, 0],
  [width, height],
  [0, height],
]
const piece = (id: string, outline: Path, record = `upper.${id}`): ToLay => {
  const cut = { foot: 'right', outline, seen: null, arrow: { from: [0, 0], to: [1, 0] }, tight: 0, count: 9 } as const
  const whole: CutPiece = {
    id,
    name: id,
    record,
    thickness: 1.4,
    mirrored: true,
    strip: false,
    count: 9,
    area: 1,
    cuts: [cut],
  }
  return { pair: PAIR, piece: whole, cut }
}
const square = piece('quarter', box(40, 40))
const vamp = piece('vamp', box(40, 40))
const lining = piece('insole', box(40, 40), 'insole')
const pieces = [square, vamp, lining]
let copies = 0
const at = (of: ToLay, x: number, y: number, rotation = 0, on = 0): LaidPlace => ({
  pair: PAIR,
  record: of.piece.record,
  foot: 'right',
  copy: copies++ % 9,
  on,
  x,
  y,
  rotation,
  pinned: false,
})
const sheet = sheetGround({ length: 400, width: 200 })
const knife = { gap: 2, turn: 'along', hidesFlaws: false } as const
const wrong = (places: LaidPlace[], ground: LayGround = sheet, how: Parameters<typeof misplaced>[3] = knife) =>
  misplaced(pieces, [ground, sheet], places, how)

describe('what is wrong with a layout', () => {
  it('is nothing where pieces lie apart by just the knife, and touch the edge', () => {
    expect(wrong([at(square, 0, 0), at(square, 42, 0), at(vamp, 0, 42), at(vamp, 360, 160)])).toEqual([])
  })
  it('is the way of the leather at its middle, where the hide was looked at place by place', () => {
    const ground: LayGround = { ...sheet, directions: [{ at: [120, 60], tight: 40 }] }
    // The middle of the square lies on the mark, turned past it; the other lies 200 mm off, where it is half of that.
    const [c, sn] = [Math.cos((52 * Math.PI) / 180), Math.sin((52 * Math.PI) / 180)]
    const on = { ...at(square, 120 - 20 * (c - sn), 60 - 20 * (c + sn)), rotation: 52 }
    const close: unknown = expect.closeTo(12, 6)
    expect(wrong([on], ground)).toEqual([{ kind: 'turn', at: 0, off: close }])
    expect(wrong([{ ...on, rotation: 34, x: 120, y: 32 }], ground)).toEqual([])
    const [there] = wrong([at(square, 300, 40)], ground)
    expect(there).toMatchObject({ kind: 'turn' })
    expect(there!.kind === 'turn' && there!.off).toBeCloseTo(20, 1)
    expect(wrong([at(square, 300, 40)], ground, { ...knife, turn: 'free' })).toEqual([])
  })
  it('is an overlap as large as it is, a gap as narrow as it is', () => {
    const [lap] = wrong([at(square, 10, 10), at(square, 45, 40)])
    expect(lap).toMatchObject({ kind: 'overlap', at: 1, other: 0 })
    // 5 by 10 mm, of which a twentieth of a millimetre each way is not counted.
    expect((lap as { area: number }).area).toBeCloseTo(4.95 * 9.95, 1)
    expect(wrong([at(square, 10, 10), at(square, 50.6, 10)])).toEqual([
      { kind: 'near', at: 1, other: 0, apart: expect.closeTo(0.6, 6) as number },
    ])
    // One wholly within another lies over it.
    expect(
      misplaced(
        [square, piece('tag', box(5, 5))],
        [sheet],
        [at(square, 10, 10), at(piece('tag', box(5, 5)), 25, 25)],
        knife,
      ),
    ).toMatchObject([{ kind: 'overlap', at: 1, other: 0 }])
  })
  it('is on the ground that it lies on, not on another', () => {
    expect(wrong([at(square, 10, 10, 0, 0), at(square, 20, 20, 0, 1)])).toEqual([])
    expect(wrong([at(square, 385, 10)])).toEqual([
      { kind: 'edge', at: 0, area: expect.closeTo(24.95 * 39.9, 1) as number },
    ])
  })
  it('is a flaw under it, and a part of the hide that is too poor for it alone', () => {
    const hide: LayGround = {
      ...sheet,
      flaws: [
        {
          kind: 'scar',
          outline: [
            [100, 100],
            [130, 100],
            [130, 103],
          ],
        },
      ],
      zones: [
        {
          grade: 'good',
          outline: [
            [200, 0],
            [300, 0],
            [300, 200],
            [200, 200],
          ],
        },
        {
          grade: 'lesser',
          outline: [
            [300, 0],
            [400, 0],
            [400, 200],
            [300, 200],
          ],
        },
      ],
    }
    expect(wrong([at(square, 95, 80)], hide)).toEqual([{ kind: 'flaw', at: 0, flaw: 'scar' }])
    expect(wrong([at(square, 131, 80)], hide)).toEqual([])
    const inZones = [at(square, 210, 10), at(vamp, 210, 60), at(lining, 210, 110)]
    expect(wrong(inZones, hide)).toEqual([{ kind: 'grade', at: 1 }])
    expect(
      wrong(
        inZones.map((p) => ({ ...p, x: 320 })),
        hide,
      ),
    ).toEqual([
      { kind: 'grade', at: 0 },
      { kind: 'grade', at: 1 },
    ])
  })
  it('is no scar or stain where it is not seen, if that may be; holes and thin places always', () => {
    const seen = piece('cap', box(40, 40))
    const cap: ToLay = {
      ...seen,
      cut: {
        ...seen.cut,
        seen: [
          [10, 10],
          [30, 10],
          [30, 30],
          [10, 30],
        ],
      },
    }
    const under = (kind: 'hole' | 'scar' | 'thin' | 'stain', x: number, hidesFlaws: boolean) =>
      misplaced(
        [cap],
        [
          {
            ...sheet,
            flaws: [
              {
                kind,
                outline: [
                  [x, 112],
                  [x + 5, 112],
                  [x + 5, 118],
                ],
              },
            ],
          },
        ],
        [at(cap, 100, 100)],
        { ...knife, hidesFlaws },
      )
    for (const kind of ['hole', 'scar', 'thin', 'stain'] as const) {
      // Under the edge, and under what is seen.
      expect(under(kind, 102, false)).toHaveLength(1)
      expect(under(kind, 102, true)).toHaveLength(kind === 'hole' || kind === 'thin' ? 1 : 0)
      expect(under(kind, 112, true)).toHaveLength(1)
    }
  })
  it('is a turn off the tight direction, either way round, as far as it is allowed', () => {
    const turned = (rotation: number, turn: 'along' | 'near' | 'free') =>
      wrong([at(square, 200, 80, rotation)], { ...sheet, tight: 30 }, { ...knife, turn })
    for (const r of [30, 210, -150]) expect(turned(r, 'along')).toEqual([])
    expect(turned(37, 'along')).toEqual([{ kind: 'turn', at: 0, off: expect.closeTo(7, 9) as number }])
    expect(turned(37, 'near')).toEqual([])
    expect(turned(300, 'near')).toEqual([{ kind: 'turn', at: 0, off: expect.closeTo(90, 9) as number }])
    expect(turned(77, 'free')).toEqual([])
  })
  it('of one place alone is what concerns it in the whole', () => {
    const places = [at(square, 10, 10), at(square, 45, 40), at(vamp, 60, 70), at(vamp, 390, 190)]
    const all = wrong(places)
    expect(all).toHaveLength(3)
    for (const [k] of places.entries()) {
      const concerns = all.filter((w) => w.at === k || ('other' in w && w.other === k))
      expect(misplaced(pieces, [sheet, sheet], places, knife, k)).toEqual(concerns)
    }
  })
  it('agrees with an independent checker on random layouts', () => {
    const random = seeded(4)
    const many = [box(40, 40), box(70, 12)].map((s, k) => piece(`piece ${k}`, s))
    const laid = cuttingLayout(many, sheet, knife)
    const instance = { ...laid, pieces: laid.pieces.map((p) => ({ ...p, rotations: 'any' as const })) }
    let [sound, faulty] = [0, 0]
    for (let round = 0; round < 60; round++) {
      copies = 0
      const places = many.flatMap((p, k) =>
        [0, 1].map((n) =>
          at(p, 20 + 84 * n + 180 * k + 6 * gaussian(random), 60 + 8 * gaussian(random), random() < 0.5 ? 0 : 180),
        ),
      )
      const faults = layoutFaults(
        instance,
        places.map((p) => ({
          id: layId(p),
          copy: p.copy,
          bin: 0,
          x: p.x,
          y: p.y,
          rotation: p.rotation,
          mirrored: false,
        })),
      )
      const found = misplaced(many, [sheet], places, knife).filter((w) => w.kind !== 'turn')
      expect(found.length > 0).toBe(faults.length > 0)
      if (faults.length > 0) faulty++
      else sound++
    }
    expect(Math.min(sound, faulty)).toBeGreaterThan(8)
  })
})
