import { describe, expect, it } from 'vitest'
import { boxOf, type Path, type Point } from '../geometry/path.ts'
import { seeded } from '../geometry/random.ts'
import { convexHull } from '../geometry/convexHull.ts'
import { laidPiece, layId, sheetGround, whereLaid, type LayGround, type ToLay } from './cuttingLayout.ts'
import type { CutPiece } from './cuttingList.ts'
import { isLaidBetter, layOnGrounds, type LaidSoFar, type LayOrder } from './layOnGrounds.ts'
import { misplaced } from './misplaced.ts'

const PAIR = '01900000-0000-7000-8000-0000000000a1'
const random = seeded(11)
/** Pieces that nobody has drawn, each cut for one foot so many times. */
const pieces = Array.from({ length: 8 }, (_, k): ToLay => {
  const outline: Path = convexHull(Array.from({ length: 9 }, (): Point => [60 * random() - 30, 90 * random() - 45]))
  const cut = {
    foot: 'right',
    outline,
    seen: null,
    arrow: { from: [0, 0], to: [1, 0] },
    tight: 0,
    count: 1 + (k % 2),
  } as const
  const piece: CutPiece = {
    id: `piece-${k}`,
    name: `Piece ${k}`,
    record: `upper.piece-${k}`,
    thickness: 1.4,
    mirrored: true,
    strip: false,
    count: cut.count,
    area: 1,
    cuts: [cut],
  }
  return { pair: PAIR, piece, cut }
})
const all = pieces.reduce((sum, p) => sum + p.cut.count, 0)
const order = (grounds: LayGround[], there: LayOrder['there'] = []): LayOrder => ({
  pieces,
  grounds,
  gap: 2,
  turn: 'along',
  hidesFlaws: false,
  there,
})

/** Looks for so many rounds; every layout on the way is sound, and none is worse than the one before. */
function lay(given: LayOrder, rounds: number): LaidSoFar {
  let n = 0
  const search = layOnGrounds(given, 3, () => n / rounds)
  let last = Infinity
  for (;;) {
    const { value, done } = search.next()
    n++
    expect(value.left).toBeLessThanOrEqual(last)
    last = value.left
    expect(value.places.length + value.left).toBe(all)
    if (done || n % 20 === 0) expect(misplaced(pieces, given.grounds, value.places, given)).toEqual([])
    if (done) return value
  }
}

describe('pieces laid on several hides', () => {
  it('go on the next when the first is full, each once', () => {
    const small = sheetGround({ length: 150, width: 130 })
    const { places, left, on, reach } = lay(order([small, small, sheetGround({ length: 600, width: 200 })]), 150)
    expect(left).toBe(0)
    expect(on).toBe(Math.max(...places.map((p) => p.on)))
    const ends = places
      .filter((p) => p.on === on)
      .map((p) => boxOf(whereLaid(laidPiece(pieces, p)!.cut.outline, p)).maxX)
    expect(reach).toBeCloseTo(Math.max(...ends), 1)
    expect(new Set(places.map((p) => p.on)).size).toBeGreaterThan(1)
    expect(new Set(places.map((p) => `${layId(p)} ${p.copy}`)).size).toBe(all)
  })
  it('are better laid the more of them lie, on the fewer hides, the further to the left', () => {
    const of = (left: number, on: number, reach: number, apart = 0): LaidSoFar => ({
      places: [],
      left,
      on,
      reach,
      apart,
    })
    // Fifty millimetres nearer to the mate are worth one of length.
    const inOrder = [
      of(0, 0, 300),
      of(0, 0, 301, 50),
      of(0, 0, 302.5, 0),
      of(0, 0, 310),
      of(0, 1, 20),
      of(1, 0, 100),
      of(1, 1, 50),
      of(2, 0, 1),
    ]
    inOrder.forEach((a, i) => inOrder.forEach((b, j) => expect(isLaidBetter(a, b)).toBe(i < j)))
  })
  it('leave out what finds no place, and say how many', () => {
    const { left, places } = lay(order([sheetGround({ length: 100, width: 100 })]), 60)
    expect(left).toBeGreaterThan(0)
    expect(places).toHaveLength(all - left)
  })
  it('are seen one after the other as they are laid for the first time', () => {
    const search = layOnGrounds(order([sheetGround({ length: 900, width: 400 })]), 3, () => 0)
    const laid = Array.from({ length: all }, () => search.next().value.places.length)
    expect(laid).toEqual(Array.from({ length: all }, (_, k) => k + 1))
  })
  it('leave a second hide alone where one is enough', () => {
    const large = sheetGround({ length: 900, width: 400 })
    const { places } = lay(order([large, large]), 60)
    expect(new Set(places.map((p) => p.on))).toEqual(new Set([0]))
  })
  it('are laid round those that were put where they are, on whichever hide', () => {
    const sheet = sheetGround({ length: 300, width: 220 })
    const pin = (k: number, on: number, x: number, y: number) =>
      ({
        pair: PAIR,
        record: pieces[k]!.piece.record,
        foot: 'right',
        copy: 0,
        on,
        x,
        y,
        rotation: 180,
        pinned: true,
      }) as const
    const there = [pin(1, 0, 90, 100), pin(2, 1, 70, 90)]
    const { places, left } = lay(order([sheet, sheet], there), 120)
    expect(left).toBe(0)
    expect(places.slice(0, 2)).toEqual(there)
    // Piece 1 is cut twice: the other copy is counted on.
    expect(
      places
        .filter((p) => p.record === 'upper.piece-1')
        .map((p) => p.copy)
        .sort(),
    ).toEqual([0, 1])
  })
})
