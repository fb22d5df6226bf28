import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { samplePair } from '../../test/samplePair.ts'
import { pairOfEachStyle } from '../../test/warmAndCold.ts'
import { layoutFaults } from '../../test/layoutFaults.ts'
import { boxOf, signedArea, type Path, type Point } from '../geometry/path.ts'
import { LeftShoe, type PlanInput } from '../model/pair.ts'
import { exchangeInPlace } from '../nesting/candidate.ts'
import { NestInstance } from '../nesting/instance.ts'
import { placementsOf, searchWhole } from '../nesting/nest.ts'
import { stockOf, turnPath } from '../nesting/shapes.ts'
import { cuttingLayout, gradeNeeded, laidPiece, sheetGround, type LayGround } from './cuttingLayout.ts'
import { cuttingList } from './cuttingList.ts'
import { planPair } from './planPair.ts'

const cache = keptCache(24)
const list = (input: PlanInput) => {
  const plan = planPair(input, cache)
  return { plan, groups: cuttingList(input, plan) }
}
/** Bought, or laid in as a paste. */
const NOT_CUT = ['shank', 'cup', 'filler']
const area = (path: Path) => Math.abs(signedArea(path))

describe('a cutting list', () => {
  it.each(Object.entries(pairOfEachStyle))('has every piece and part once, for both feet: %s', (_, input) => {
    const { plan, groups } = list(input)
    const lines = groups.flatMap((g) => g.pieces)
    expect(new Set(lines.map((l) => l.record)).size).toBe(lines.length)
    const cut = plan.parts.filter((p) => !NOT_CUT.includes(p.id))
    expect(lines.map((l) => l.record).sort()).toEqual(
      [...plan.upper.pieces.map((p) => `upper.${p.id}`), ...cut.map((p) => p.id)].sort(),
    )
    // Both feet of all of it: what the plan says to cut for the pair, half of it for either foot.
    let [count, whole] = [0, 0]
    for (const foot of [plan, plan.left ?? plan]) {
      for (const p of foot.parts) {
        if (NOT_CUT.includes(p.id)) continue
        count += p.count / 2
        whole += (p.count / 2) * area(p.outline)
      }
      count += foot.upper.pieces.length
      for (const p of foot.upper.pieces) whole += area(p.outline)
    }
    expect(lines.reduce((sum, l) => sum + l.count, 0)).toBe(count)
    expect(groups.reduce((sum, g) => sum + g.area, 0)).toBeCloseTo(whole, 3)
  })
  it('goes by what each piece is cut from, the upper first', () => {
    const derby = samplePair()
    const other = { ...derby.materials[0]!, id: '01900000-0000-7000-8000-000000000295', name: 'Red calf' }
    const { groups } = list({
      ...derby,
      materials: [...derby.materials, other],
      decisions: { ...derby.decisions, pieceMaterials: { tongue: other.id } },
    })
    expect(groups[0]!.material).toBe('Brown calf')
    expect(groups[0]!.pieces.map((p) => p.id)).not.toContain('tongue')
    expect(groups.find((g) => g.material === 'Red calf')!.pieces.map((p) => p.id)).toEqual(['tongue'])
  })
  it('flips what is cut for the left foot, its tight direction with it', () => {
    const { groups } = list(samplePair())
    for (const piece of groups.flatMap((g) => g.pieces)) {
      const [left, right] = [piece.cuts.find((c) => c.foot === 'left')!, piece.cuts.find((c) => c.foot === 'right')!]
      expect(piece.mirrored).toBe(true)
      expect(Math.sin(((left.tight + right.tight) * Math.PI) / 180)).toBeCloseTo(0, 9)
      expect(left.arrow.to[0]).toBe(right.arrow.to[0])
      expect(left.arrow.to[1]).toBeCloseTo(-right.arrow.to[1], 12)
      const [l, r] = [boxOf(left.outline), boxOf(right.outline)]
      expect([l.minX, l.maxX, l.minY, l.maxY]).toEqual([r.minX, r.maxX, -r.maxY, -r.minY])
    }
  })
  it('says where the feet are cut each by its own outline, and what one foot has alone', () => {
    const derby = samplePair()
    const left = LeftShoe.parse({ figures: { 'stiffener.backHeight': 62 } })
    const { groups } = list({ ...derby, decisions: { ...derby.decisions, left } })
    const stiffener = groups.flatMap((g) => g.pieces).find((p) => p.id === 'stiffener')!
    expect(stiffener.mirrored).toBe(false)
    expect(area(stiffener.cuts[0]!.outline)).not.toBeCloseTo(area(stiffener.cuts[1]!.outline), 0)
  })
})

describe('one stuff laid on a straight sheet', () => {
  const { groups } = list(samplePair())
  const calf = groups[0]!
  it('lies apart by the knife, face up, its tight direction along the sheet', () => {
    const instance = cuttingLayout(calf, sheetGround({ length: 1500, width: 450 }), 2, 'along')
    const parsed = NestInstance.parse(instance)
    const stock = stockOf(parsed.pieces, parsed.gap)
    const exchange = exchangeInPlace()
    let n = 0
    const search = searchWhole(stock, parsed.bin, { seed: 1, progress: () => n / 60, exchange })
    for (const _ of search) if (++n >= 60) break
    const placements = placementsOf(stock, exchange.best()!.places, 0)
    expect(layoutFaults(parsed, placements)).toEqual([])
    expect(placements).toHaveLength(calf.pieces.reduce((sum, p) => sum + p.count, 0))
    for (const p of placements) {
      const { cut } = laidPiece(calf, p)!
      expect(Math.abs(Math.sin(((cut.tight + p.rotation) * Math.PI) / 180))).toBeLessThan(1e-9)
      expect(p.mirrored).toBe(false)
    }
    // Much less than a sheet on which each has a strip of its own.
    expect(exchange.best()!.reach).toBeLessThan(1000)
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
    }
    const instance = NestInstance.parse(cuttingLayout(calf, hide, 2, 'near'))
    const stock = stockOf(instance.pieces, instance.gap)
    const exchange = exchangeInPlace()
    let n = 0
    const search = searchWhole(stock, instance.bin, { seed: 2, progress: () => n / 60, exchange })
    for (const _ of search) if (++n >= 60) break
    const placements = placementsOf(stock, exchange.best()!.places, 0)
    expect(layoutFaults(instance, placements)).toEqual([])
    expect(placements).toHaveLength(calf.pieces.reduce((sum, p) => sum + p.count, 0))
    const grades = new Set(calf.pieces.map(gradeNeeded))
    expect([...grades].sort()).toEqual(['best', 'good'])
    for (const p of placements) {
      const { piece, cut } = laidPiece(calf, p)!
      const off = ((((cut.tight + p.rotation - hide.tight) % 180) + 270) % 180) - 90
      expect(Math.abs(off)).toBeLessThan(10.001)
      // Counted by the piece's own middle: no vamp in the neck.
      const place = turnPath(cut.outline, p.rotation).map(([x, y]): Point => [x + p.x, y + p.y])
      const least = Math.min(...place.map((q) => q[0]))
      if (gradeNeeded(piece) === 'best') expect(least).toBeGreaterThan(449.9)
    }
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
  it('as they fit they may lie in more turns; strips are not laid', () => {
    const free = cuttingLayout(calf, sheetGround({ length: 900, width: 450 }), 2, 'free')
    for (const p of free.pieces) expect(p.rotations).toHaveLength(8)
    const welt = groups.find((g) => g.pieces.some((p) => p.strip))!
    const laid = cuttingLayout(welt, sheetGround({ length: 900, width: 450 }), 2, 'along').pieces
    expect(laid).toHaveLength(welt.pieces.filter((p) => !p.strip).reduce((sum, p) => sum + p.cuts.length, 0))
  })
})
