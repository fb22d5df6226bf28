import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { layoutFaults } from '../../test/layoutFaults.ts'
import type { Point } from '../geometry/path.ts'
import { seeded } from '../geometry/random.ts'
import { bringTogether } from './bringTogether.ts'
import { Contacts } from './contacts.ts'
import { NestInstance } from './instance.ts'
import { copyOf, Layout } from './layout.ts'
import { placementsOf } from './nest.ts'
import { stockOf } from './shapes.ts'
import { alikeIn, swapAlike } from './swapAlike.ts'

const rectangle = (w: number, h: number): Point[] => [
  [0, 0],
  [w, 0],
  [w, h],
  [0, h],
]
const sheet = { outline: rectangle(1200, 400), holes: [], marks: [] }
describe('mates on a sheet', () => {
  it('that lie at its two ends come together, nothing overlaps, and it takes hardly more', () => {
    const random = seeded(12)
    const asked = Array.from({ length: 8 }, (_, k) => {
      const [w, h] = [60 + 40 * random(), 60 + 30 * random()]
      const outline = (s: number): Point[] => [
        [0, 0],
        [w, 0],
        [0.7 * w, s * h],
        [0, 0.8 * s * h],
      ]
      return [
        { id: `right ${k}`, outline: outline(1), count: 1, rotations: [0, 180], mate: `left ${k}` },
        { id: `left ${k}`, outline: outline(-1), count: 1, rotations: [0, 180] },
      ]
    }).flat()
    const instance = NestInstance.parse({ bin: sheet, gap: 1, pieces: asked })
    const stock = stockOf(instance.pieces, 1)
    const layout = new Layout(new Contacts(stock, sheet))
    // Rights in four columns, lefts in four more behind them.
    stock.items.forEach(({ turns }, i) => {
      const k = i >> 1
      layout.lay(i, turns[0]!, 110 * (k >> 1) + (i % 2) * 440, 200 * (k % 2) + (i % 2) * 100)
    })
    const start = {
      places: copyOf(layout.places),
      area: 1,
      reach: layout.reach(),
      apart: layout.apart(),
    }
    expect(layoutFaults(instance, placementsOf(stock, start.places, 0))).toEqual([])
    expect(start.apart).toBeGreaterThan(8 * 430)
    let [n, best] = [0, start]
    const search = bringTogether({
      layout,
      random: seeded(3),
      progress: () => n / 1200,
      tell: () => (best = { ...start, places: copyOf(layout.places), reach: layout.reach(), apart: layout.apart() }),
      other: () => start,
    })
    for (const _ of search) n++
    expect(layoutFaults(instance, placementsOf(stock, best.places, 0))).toEqual([])
    expect(best.places.laid.every((l) => l === 1)).toBe(true)
    expect(best.apart).toBeLessThan(0.45 * start.apart)
    expect(best.reach).toBeLessThan(1.031 * start.reach)
  })
  it('of pairs that are alike change places until no exchange of two brings them nearer, and nothing moves', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 5 }), fc.nat(), (count, seed) => {
        const random = seeded(seed)
        const one = { outline: rectangle(30, 20), rotations: [0, 180] }
        const asked = [
          { ...one, id: 'right', count, mate: 'left' },
          { ...one, outline: rectangle(31, 20), id: 'left', count },
        ]
        const stock = stockOf(NestInstance.parse({ bin: sheet, pieces: asked }).pieces, 0)
        const layout = new Layout(new Contacts(stock, sheet))
        stock.items.forEach((item, i) =>
          layout.lay(i, item.turns[i % 2]!, Math.floor(1000 * random()), Math.floor(300 * random())),
        )
        const where = () =>
          stock.items.map(({ id }, i) => {
            const { rotation } = stock.turned[layout.places.turn[i]!]!
            return `${id} ${rotation} ${layout.places.x[i]} ${layout.places.y[i]}`
          })
        const [before, apart] = [where(), layout.apart()]
        const groups = alikeIn(stock)
        expect(groups.map((g) => g.length)).toEqual([count, count])
        swapAlike(layout, groups)
        expect(where().sort()).toEqual(before.sort())
        expect(layout.apart()).toBeLessThanOrEqual(apart + 1e-6)
        // By hand: distances of middles, every exchange of two lefts tried.
        const middle = (i: number): Point => {
          const b = stock.turned[layout.places.turn[i]!]!.bareBox
          return [layout.places.x[i]! + (b.minX + b.maxX) / 2, layout.places.y[i]! + (b.minY + b.maxY) / 2]
        }
        const between = (i: number, k: number) => Math.hypot(middle(i)[0] - middle(k)[0], middle(i)[1] - middle(k)[1])
        for (let a = 0; a < count; a++) {
          for (let b = 0; b < a; b++) {
            const now = between(a, count + a) + between(b, count + b)
            expect(between(a, count + b) + between(b, count + a)).toBeGreaterThanOrEqual(now - 1e-6)
          }
        }
      }),
      { numRuns: 30 },
    )
  })
})
