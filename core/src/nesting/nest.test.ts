import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { jagged } from '../../test/jagged.ts'
import { layoutFaults } from '../../test/layoutFaults.ts'
import type { Point } from '../geometry/path.ts'
import { seeded } from '../geometry/random.ts'
import { exchangeInPlace, isBetter, type Candidate } from './candidate.ts'
import { NestInstance } from './instance.ts'
import { placementsOf, searchWhole } from './nest.ts'
import { Contacts } from './contacts.ts'
import { Layout } from './layout.ts'
import { separate } from './separate.ts'
import { sharedExchange, sharedMemory } from './sharedExchange.ts'
import { stockOf } from './shapes.ts'

type Asked = Parameters<typeof NestInstance.parse>[0] & object
const rectangle = (w: number, h: number): Point[] => [
  [0, 0],
  [w, 0],
  [w, h],
  [0, h],
]
/** What a search comes to after so many rounds: the same on any machine. */
function nested(asked: Asked, rounds: number, seed = 1) {
  const instance = NestInstance.parse(asked)
  const stock = stockOf(instance.pieces, instance.gap)
  const found: Candidate[] = []
  const exchange = exchangeInPlace((c) => found.push(c))
  let n = 0
  const search = searchWhole(stock, instance.bin, { seed, progress: () => n / rounds, exchange })
  for (const _ of search) if (++n >= rounds) break
  const best = exchange.best()!
  return { instance, stock, best, found, placements: placementsOf(stock, best.places, 0) }
}
const ragged = (random: () => number, size: number) => jagged(random, 5 + Math.floor(8 * random()), size, 0.4)

describe('pieces laid on a sheet', () => {
  it('lie apart by the gap, on the sheet, on no flaw, in turns that they may lie in, whatever they are', () => {
    fc.assert(
      fc.property(fc.nat(), fc.constantFrom(0, 1, 3), fc.boolean(), (seed, gap, roomy) => {
        const random = seeded(seed)
        const barredThere = rectangle(700, 120)
        const pieces = Array.from({ length: 6 }, (_, k) => ({
          id: `p${k}`,
          outline: ragged(random, 20 + 40 * random()),
          count: 1 + Math.floor(3 * random()),
          rotations: k % 3 === 0 ? ('any' as const) : [0, 90, 205].slice(0, 1 + Math.floor(3 * random())),
          mirror: k % 2 === 0,
          // Marks lie anywhere; of some pieces only the middle keeps off them.
          ...(k % 2 === 1 ? { seen: rectangle(12, 9).map(([x, y]): Point => [x - 6, y - 4]) } : {}),
          turned_off: k % 3 === 2 && roomy ? [{ rotation: 0, areas: [barredThere] }] : [],
          avoid: k % 3 === 1 && roomy ? [ragged(random, 60).map(([x, y]): Point => [x + 200, y + 150])] : [],
        }))
        const hole = ragged(random, 25).map(([x, y]): Point => [x + 90, y + 80])
        const marks = [300, 420, 540].map((at) => ragged(random, 18).map(([x, y]): Point => [x + at, y + 150]))
        const bin = {
          outline: roomy ? rectangle(1500, 300) : ragged(random, 190),
          holes: roomy ? [hole] : [],
          marks: roomy ? marks : [],
        }
        const { instance, stock, best, found, placements } = nested({ bin, gap, pieces }, 80, seed)
        expect(layoutFaults(instance, placements)).toEqual([])
        if (roomy) expect(placements).toHaveLength(stock.items.length)
        // Nothing that was told on the way overlaps either, and each is better than the one before.
        for (const [n, c] of found.entries()) {
          if (n > 0) expect(isBetter(c, found[n - 1]!)).toBe(true)
          if (n % 5 === 0) expect(layoutFaults(instance, placementsOf(stock, c.places, 0))).toEqual([])
        }
        expect(best).toBe(found.at(-1))
      }),
      { numRuns: 4 },
    )
  })
  it('closes up what fits: triangles back to back', () => {
    const triangle: Point[] = [
      [0, 0],
      [100, 0],
      [0, 100],
    ]
    const strip = { outline: rectangle(2000, 100.5), holes: [] }
    const triangles = { id: 't', outline: triangle, count: 8, rotations: [0, 180], mirror: false }
    // Four squares of two each, or a little less by sliding along each other: never less than their area takes.
    const { best } = nested({ bin: strip, gap: 0, pieces: [triangles] }, 1500)
    expect(best.reach).toBeGreaterThan((8 * 5000) / 100.5)
    expect(best.reach).toBeLessThan(415)
  })
  it('finds the same layout again by the same seed', () => {
    const asked = () => ({
      bin: { outline: rectangle(900, 200), holes: [] },
      gap: 1,
      pieces: [{ id: 'a', outline: ragged(seeded(4), 50), count: 9, rotations: [0, 90, 180, 270], mirror: true }],
    })
    const [a, b] = [nested(asked(), 120, 5), nested(asked(), 120, 5)]
    expect(a.placements).toEqual(b.placements)
    expect(nested(asked(), 120, 6).placements).not.toEqual(a.placements)
  })
  it('fills a sheet that cannot hold all, well past what the first try laid', () => {
    const random = seeded(9)
    const pieces = Array.from({ length: 10 }, (_, k) => ({
      id: `p${k}`,
      outline: ragged(random, 30 + 30 * random()),
      count: 6,
      rotations: [0, 90, 180, 270],
      mirror: false,
    }))
    const bin = { outline: rectangle(420, 420), holes: [] }
    const { best, found, stock } = nested({ bin, gap: 0, pieces }, 500)
    expect(best.places.laid.includes(0)).toBe(true)
    expect(best.area).toBeGreaterThan(found[0]!.area)
    expect(best.area / 420 ** 2).toBeGreaterThan(0.68)
    expect(best.area).toBeCloseTo(
      stock.items.reduce((sum, item, i) => sum + (best.places.laid[i] ? item.area : 0), 0),
      6,
    )
  })
  it('leaves out what is larger than the sheet, and a piece just as large as it has its place', () => {
    const piece = (id: string, w: number, h: number) => ({ id, outline: rectangle(w, h), count: 1, rotations: [0, 90] })
    const bin = { outline: rectangle(100, 60), holes: [] }
    expect(nested({ bin, pieces: [piece('large', 61, 101)] }, 40).placements).toEqual([])
    expect(nested({ bin, pieces: [piece('same', 60, 100)] }, 40).placements).toHaveLength(1)
  })
})

describe('pulling pieces apart', () => {
  it('weights stay numbers, however long two pieces contend for one place', () => {
    const stock = stockOf([{ id: 'a', outline: rectangle(50, 50), count: 2, rotations: [0], mirror: false }], 0)
    const layout = new Layout(new Contacts(stock, { outline: rectangle(52, 52), holes: [] }))
    layout.lay(0, 0, 0, 0)
    layout.lay(1, 0, 1, 1)
    const search = separate(layout, seeded(1), 400)
    let rest = search.next()
    while (!rest.done) rest = search.next()
    expect(rest.value).toBeGreaterThan(0)
    expect(Math.max(...layout.weights)).toBeGreaterThan(1e20)
    expect([...layout.weights].every(Number.isFinite)).toBe(true)
  })
})

describe('threads that search beside each other', () => {
  const candidate = (area: number, reach: number): Candidate => ({
    area,
    reach,
    apart: 0,
    places: {
      turn: Int32Array.of(1, 2),
      x: Float64Array.of(area, 0.1),
      y: Float64Array.of(reach, -3),
      laid: Uint8Array.of(1, 0),
    },
  })
  it('see the best that any of them told, and only what is better', () => {
    const memory = sharedMemory(2)
    const [a, b] = [sharedExchange(memory), sharedExchange(memory)]
    expect(b.best()).toBeNull()
    a.tell(candidate(100, 50))
    expect(b.best()).toEqual(candidate(100, 50))
    b.tell(candidate(100, 60))
    expect(a.best()).toEqual(candidate(100, 50))
    b.tell(candidate(100, 40))
    expect(a.best()).toEqual(candidate(100, 40))
    a.tell(candidate(101, 90))
    expect(b.best()).toEqual(candidate(101, 90))
  })
})
