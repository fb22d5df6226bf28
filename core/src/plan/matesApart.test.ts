import { describe, expect, it } from 'vitest'
import type { Path } from '../geometry/path.ts'
import type { LaidPlace } from '../model/layout.ts'
import type { ToLay } from './cuttingLayout.ts'
import type { CutPiece } from './cuttingList.ts'
import { matesApart } from './matesApart.ts'

const [PAIR, OTHER] = ['01900000-0000-7000-8000-0000000000a1', '01900000-0000-7000-8000-0000000000a2'] as const
const box: Path = [
  [0, 0],
  [60, 0],
  [60, 40],
  [0, 40],
]
const piece = (id: string, pair: string = PAIR, record = `upper.${id}`): ToLay[] =>
  (['right', 'left'] as const).map((foot) => {
    const cut = { foot, outline: box, seen: null, arrow: { from: [0, 0], to: [1, 0] }, tight: 0, count: 1 } as const
    const whole: CutPiece = {
      id,
      name: id,
      record,
      thickness: 1,
      mirrored: true,
      strip: false,
      count: 2,
      area: 1,
      cuts: [cut],
    }
    return { pair, piece: whole, cut }
  })
const pieces = [...piece('vamp'), ...piece('tongue'), ...piece('insole', PAIR, 'insole'), ...piece('vamp', OTHER)]
const at = (record: string, foot: 'right' | 'left', x: number, y: number, on = 0, pair: string = PAIR): LaidPlace => ({
  pair,
  record,
  foot,
  copy: 0,
  on,
  x,
  y,
  rotation: 0,
  pinned: false,
})

describe('right and left of a piece on a hide', () => {
  it('are as far apart as their middles, however they are turned; the farthest two are told', () => {
    const turned = { ...at('upper.vamp', 'left', 360, 440), rotation: 180 }
    const places = [
      at('upper.vamp', 'right', 0, 0),
      turned,
      at('upper.tongue', 'right', 0, 50),
      at('upper.tongue', 'left', 70, 50),
    ]
    // From (30, 20) to (330, 420).
    expect(matesApart(pieces, places)).toEqual({ pair: PAIR, name: 'vamp', apart: expect.closeTo(500, 9) as number })
    expect(matesApart(pieces, places.slice(2))).toEqual({ pair: PAIR, name: 'tongue', apart: 70 })
  })
  it('on two hides are farther apart than on any one', () => {
    const places = [
      at('upper.vamp', 'right', 0, 0),
      at('upper.vamp', 'left', 9000, 0),
      at('upper.tongue', 'right', 0, 50),
      at('upper.tongue', 'left', 0, 50, 1),
    ]
    expect(matesApart(pieces, places)).toEqual({ pair: PAIR, name: 'tongue', apart: null })
    expect(matesApart(pieces, [...places].reverse())).toMatchObject({ name: 'tongue', apart: null })
  })
  it('count within their own pair, and only where they are seen', () => {
    expect(matesApart(pieces, [at('upper.vamp', 'right', 0, 0), at('upper.vamp', 'left', 500, 0, 0, OTHER)])).toBeNull()
    expect(matesApart(pieces, [at('insole', 'right', 0, 0), at('insole', 'left', 500, 0)])).toBeNull()
    expect(matesApart(pieces, [])).toBeNull()
  })
})
