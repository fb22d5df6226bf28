import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { layoutFaults } from '../../test/layoutFaults.ts'
import { samplePair } from '../../test/samplePair.ts'
import { pairOfEachStyle } from '../../test/warmAndCold.ts'
import { boxOf, contains } from '../geometry/path.ts'
import { offset } from '../geometry/polygonClip.ts'
import { comesNearer } from '../geometry/polyline.ts'
import type { LaidPlace } from '../model/layout.ts'
import type { PlanInput } from '../model/pair.ts'
import { exchangeInPlace } from '../nesting/candidate.ts'
import { NestInstance } from '../nesting/instance.ts'
import { placementsOf, searchWhole } from '../nesting/nest.ts'
import { stockOf } from '../nesting/shapes.ts'
import { turnPath } from '../nesting/turnPath.ts'
import {
  cuttingLayout,
  gradeNeeded,
  laidPiece,
  outlinesLaid,
  placesOf,
  sheetGround,
  stillToLay,
  toLay,
  turnedInPlace,
  whereLaid,
  type LayGround,
  type ToLay,
} from './cuttingLayout.ts'
import { cuttingList } from './cuttingList.ts'
import { misplaced } from './misplaced.ts'
import { planPair } from './planPair.ts'

const cache = keptCache(24)
const list = (input: PlanInput) => {
  const plan = planPair(input, cache)
  return { plan, groups: cuttingList(input, plan) }
}
const PAIR = '01900000-0000-7000-8000-0000000000a1'
const along = { gap: 2, turn: 'along', hidesFlaws: false } as const
/** Looks for so many rounds, and holds what it finds against the independent checker. */
function search(given: NestInstance, rounds: number, seed = 1) {
  const instance = NestInstance.parse(given)
  const stock = stockOf(instance.pieces, instance.gap)
  const exchange = exchangeInPlace()
  let n = 0
  const how = { seed, progress: () => n / rounds, exchange }
  for (const _ of searchWhole(stock, instance.bin, how)) if (++n >= rounds) break
  const best = exchange.best()!
  const placements = placementsOf(stock, best.places, 0)
  expect(layoutFaults(instance, placements)).toEqual([])
  return { placements, reach: best.reach }
}
const countOf = (pieces: readonly ToLay[]) => pieces.reduce((sum, p) => sum + p.cut.count, 0)

describe('one stuff laid on a straight sheet', () => {
  const { groups } = list(samplePair())
  const calf = groups[0]!
  const pieces = toLay(PAIR, calf)
  it('lies apart by the knife, face up, its tight direction along the sheet', () => {
    const { placements, reach } = search(cuttingLayout(pieces, sheetGround({ length: 1500, width: 450 }), along), 60)
    const places = placesOf(pieces, placements, 0, [])
    expect(places).toHaveLength(countOf(pieces))
    for (const p of places) {
      const { cut } = laidPiece(pieces, p)!
      expect(Math.abs(Math.sin(((cut.tight + p.rotation) * Math.PI) / 180))).toBeLessThan(1e-9)
    }
    // Much less than a sheet on which each has a strip of its own.
    expect(reach).toBeLessThan(1000)
  })
  it('on a hide lies off its flaws, vamps in the best of it, what is seen off the lesser, its tight direction along the backbone', () => {
    const box = (x0: number, y0: number, x1: number, y1: number): [number, number][] => [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
    ]
    const hide: LayGround = {
      outline: [
        [0, 60],
        [240, 0],
        [1300, 40],
        [1420, 330],
        [1290, 700],
        [300, 760],
        [30, 600],
      ],
      flaws: [{ kind: 'hole', outline: box(500, 300, 560, 380) }],
      zones: [
        { grade: 'good', outline: box(0, 0, 450, 800) },
        { grade: 'lesser', outline: box(450, 0, 1500, 160) },
      ],
      tight: 30,
      directions: [],
    }
    const near = { gap: 2, turn: 'near', hidesFlaws: false } as const
    const { placements } = search(cuttingLayout(pieces, hide, near), 60, 2)
    const places = placesOf(pieces, placements, 0, [])
    expect(places).toHaveLength(countOf(pieces))
    expect(misplaced(pieces, [hide], places, near)).toEqual([])
    const grades = new Set(calf.pieces.map(gradeNeeded))
    expect([...grades].sort()).toEqual(['best', 'good'])
    for (const p of places) {
      const { piece, cut } = laidPiece(pieces, p)!
      const off = ((((cut.tight + p.rotation - hide.tight) % 180) + 270) % 180) - 90
      expect(Math.abs(off)).toBeLessThan(10.001)
      // Counted by the piece's own middle: no vamp in the neck.
      if (gradeNeeded(piece) === 'best') expect(boxOf(whereLaid(cut.outline, p)).minX).toBeGreaterThan(449.9)
    }
  })
  it.each(['along', 'near'] as const)('follows a hide that gives another way in its belly: %s', (turn) => {
    const hide: LayGround = {
      ...sheetGround({ length: 1500, width: 700 }),
      directions: [
        { at: [300, 120], tight: 70 },
        { at: [800, 80], tight: 55 },
        { at: [600, 600], tight: -5 },
      ],
    }
    const how = { gap: 2, turn, hidesFlaws: false }
    const { placements } = search(cuttingLayout(pieces, hide, how), 60, 3)
    const places = placesOf(pieces, placements, 0, [])
    expect(places).toHaveLength(countOf(pieces))
    expect(misplaced(pieces, [hide], places, how)).toEqual([])
    // They really lie in other ways than the backbone's: by one direction for the whole hide most would be wrong.
    const byBackbone = misplaced(pieces, [{ ...hide, directions: [] }], places, how)
    expect(byBackbone.filter((w) => w.kind === 'turn').length).toBeGreaterThan(0)
  })
  it.each(Object.entries(pairOfEachStyle))(
    'has its forepart cut from the best, what is not seen from anywhere: %s',
    (_, input) => {
      const { plan, groups: all } = list(input)
      const needed = new Map(all.flatMap((g) => g.pieces).map((p) => [p.record, gradeNeeded(p)]))
      // Whatever piece covers the toe: it reaches farthest forward on the forme.
      const foremost = (p: (typeof plan.upper.pieces)[number]) =>
        Math.max(...p.places.map((at) => boxOf(at.forme).maxX))
      const toe = [...plan.upper.pieces].sort((a, b) => foremost(b) - foremost(a))[0]!
      expect(needed.get(`upper.${toe.id}`), toe.name).toBe('best')
      for (const p of plan.parts) if (needed.has(p.id)) expect(needed.get(p.id)).toBe('lesser')
      expect(gradeNeeded({ id: 'piece-1', name: 'Vamp, whole', record: 'upper.piece-1' })).toBe('best')
      expect(gradeNeeded({ id: 'piece-2', name: 'Quarter', record: 'upper.piece-2' })).toBe('good')
    },
  )
  it('may have scars and stains where they are not seen if the maker says so, holes and thin places nowhere', () => {
    const vamp = pieces.filter((p) => p.piece.id === 'vamp' && p.cut.foot === 'right')
    const { outline, seen, tight } = vamp[0]!.cut
    const lies = turnPath(outline, -tight)
    const b = boxOf(lies)
    // A sheet on which it can hardly move, with marks all along its margin.
    const inMargin = turnPath(
      offset(outline, -6).filter((p) => !contains(seen!, p) && !comesNearer(seen!, p, 4)),
      -tight,
    )
    expect(inMargin.length).toBeGreaterThan(20)
    const sheet = (kind: 'scar' | 'hole'): LayGround => ({
      ...sheetGround({ length: b.maxX - b.minX + 2, width: b.maxY - b.minY + 2 }),
      flaws: inMargin
        .map(([x, y]): [number, number] => [x - b.minX + 1, y - b.minY + 1])
        .map(([x, y]) => ({
          kind,
          outline: [
            [x, y],
            [x + 1, y],
            [x + 1, y + 1],
            [x, y + 1],
          ],
        })),
    })
    const laid = (kind: 'scar' | 'hole', hidesFlaws: boolean) => {
      const how = { ...along, hidesFlaws }
      const places = placesOf(vamp, search(cuttingLayout(vamp, sheet(kind), how), 20).placements, 0, [])
      expect(misplaced(vamp, [sheet(kind)], places, how)).toEqual([])
      return places.length
    }
    expect(laid('scar', false)).toBe(0)
    expect(laid('hole', true)).toBe(0)
    expect(laid('scar', true)).toBe(1)
  })
  it('as they fit they may lie in more turns; strips are not laid', () => {
    const sheet = sheetGround({ length: 900, width: 450 })
    const free = cuttingLayout(pieces, sheet, { ...along, turn: 'free' })
    for (const p of free.pieces) expect(p.rotations).toHaveLength(8)
    const welt = groups.find((g) => g.pieces.some((p) => p.strip))!
    expect(toLay(PAIR, welt)).toHaveLength(
      welt.pieces.filter((p) => !p.strip).reduce((sum, p) => sum + p.cuts.length, 0),
    )
  })
  it('is laid again round what was put where it is by hand, which stays there', () => {
    const sheet = sheetGround({ length: 1500, width: 450 })
    const vamp = pieces.find((p) => p.piece.id === 'vamp' && p.cut.foot === 'right')!
    const box = boxOf(vamp.cut.outline)
    // Aslant in the middle of the sheet, where no search would lay it.
    const pinned: LaidPlace[] = [
      {
        pair: PAIR,
        record: vamp.piece.record,
        foot: 'right',
        copy: 0,
        on: 0,
        x: 120 - box.minX,
        y: 200,
        rotation: 33,
        pinned: true,
      },
    ]
    const rest = stillToLay(pieces, pinned)
    expect(countOf(rest)).toBe(countOf(pieces) - 1)
    const { placements } = search(cuttingLayout(rest, sheet, along, outlinesLaid(pieces, pinned)), 60)
    const places = [...pinned, ...placesOf(rest, placements, 0, pinned)]
    expect(places).toHaveLength(countOf(pieces))
    // Nothing but its own turn is wrong with it, and nothing lies nearer to it than to anything else.
    expect(misplaced(pieces, [sheet], places, along)).toEqual([
      { kind: 'turn', at: 0, off: expect.closeTo(33, 6) as number },
    ])
  })
  it('is turned about its middle, and is back where it was after a whole turn', () => {
    const { outline } = pieces[0]!.cut
    const place = { x: 120, y: 40, rotation: 10 }
    const middle = (p: typeof place) => {
      const b = boxOf(whereLaid(outline, p))
      return [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2]
    }
    let at = place
    for (let k = 0; k < 8; k++) {
      at = turnedInPlace(at, outline, 45)
      expect(middle(at)[0]).toBeCloseTo(middle(place)[0]!, 9)
      expect(middle(at)[1]).toBeCloseTo(middle(place)[1]!, 9)
    }
    expect(at.rotation).toBe(10)
    expect([at.x, at.y].map((v) => Math.round(v * 1e6))).toEqual([120e6, 40e6])
  })
  it('of several pairs is laid together, each piece known by its pair; copies are counted on', () => {
    const OTHER = '01900000-0000-7000-8000-0000000000a2'
    const both = [...pieces, ...toLay(OTHER, calf)]
    const lying: LaidPlace[] = [
      {
        pair: OTHER,
        record: pieces[0]!.piece.record,
        foot: pieces[0]!.cut.foot,
        copy: 0,
        on: 1,
        x: 0,
        y: 0,
        rotation: 0,
        pinned: true,
      },
    ]
    const rest = stillToLay(both, lying)
    expect(countOf(rest)).toBe(2 * countOf(pieces) - 1)
    const instance = NestInstance.parse(cuttingLayout(rest, sheetGround({ length: 2000, width: 600 }), along))
    expect(new Set(instance.pieces.map((p) => p.id)).size).toBe(instance.pieces.length)
    const lots = { id: instance.pieces[0]!.id, bin: 0, x: 1, y: 2, rotation: 0, mirrored: false }
    const copies = placesOf(
      rest,
      [
        { ...lots, copy: 0 },
        { ...lots, copy: 1 },
      ],
      0,
      lying,
    ).map((p) => p.copy)
    expect(copies).toEqual([0, 1])
  })
})
