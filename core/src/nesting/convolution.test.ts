import { Clipper, FillRule } from 'clipper2-ts'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { jagged } from '../../test/jagged.ts'
import { boxOf, translate, type Path } from '../geometry/path.ts'
import { seeded } from '../geometry/random.ts'
import { ContactGrid } from './contactGrid.ts'
import { convolution, type Rings } from './convolution.ts'

const SCALE = 1e5
const whole = (path: Path) => path.map(([x, y]) => ({ x: Math.round(x * SCALE), y: Math.round(y * SCALE) }))
const area = (paths: ReturnType<typeof whole>[]): number =>
  Math.abs(paths.reduce((sum, p) => sum + Clipper.area(p), 0)) / SCALE ** 2
const hook: Path = [
  [0, 0],
  [60, 0],
  [60, 10],
  [10, 10],
  [10, 50],
  [60, 50],
  [60, 60],
  [0, 60],
]
const square = (side: number): Path => [
  [-side / 2, -side / 2],
  [side / 2, -side / 2],
  [side / 2, side / 2],
  [-side / 2, side / 2],
]
function pairGrid(fixed: Path, moving: Path, cells = 3000) {
  const [f, m] = [boxOf(fixed), boxOf(moving)]
  const reach = { minX: f.minX - m.maxX, minY: f.minY - m.maxY, maxX: f.maxX - m.minX, maxY: f.maxY - m.minY }
  const side = Math.sqrt(((reach.maxX - reach.minX) * (reach.maxY - reach.minY)) / cells)
  return { grid: new ContactGrid(convolution([fixed], [moving]), reach, side, 0, 'free'), reach, side }
}

describe('whether two outlines overlap', () => {
  it('is what polygon operations say, for any two outlines anywhere', () => {
    let [apart, over] = [0, 0]
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 3, max: 20 }), fc.integer({ min: 3, max: 20 }), (seed, n, m) => {
        const random = seeded(seed)
        const fixed = seed % 4 === 0 ? hook : jagged(random, n, 30)
        const moving = seed % 3 === 0 ? hook : jagged(random, m, 40)
        const { grid, reach } = pairGrid(fixed, moving, 500)
        for (let k = 0; k < 20; k++) {
          const x = reach.minX - 5 + random() * (reach.maxX - reach.minX + 10)
          const y = reach.minY - 5 + random() * (reach.maxY - reach.minY + 10)
          const common = area(Clipper.intersect([whole(translate(moving, x, y))], [whole(fixed)], FillRule.NonZero))
          // Where they just touch, either may be said.
          if (common > 0 && common < 0.01) continue
          expect(grid.isTaken(x, y), `${seed} ${n} ${m} at ${x}, ${y}`).toBe(common > 0)
          expect(grid.depth(x, y) > 0).toBe(common > 0)
          if (common > 0) over++
          else apart++
        }
      }),
      { numRuns: 120 },
    )
    expect(Math.min(over, apart)).toBeGreaterThan(300)
  })
  it('a piece lies free in the hollow of another', () => {
    const { grid } = pairGrid(hook, square(30))
    expect(grid.depth(35, 30)).toBe(0)
    expect(grid.depth(20, 30)).toBeGreaterThan(0)
    expect(grid.depth(25.1, 30)).toBe(0)
    expect(grid.depth(24.9, 30)).toBeGreaterThan(0)
  })
  it('says how far to move: of two squares the way out of the nearer side', () => {
    const { grid, side } = pairGrid(square(60), square(20))
    for (const [x, y] of [
      [0, 0],
      [10, 3],
      [-25, 12],
      [5, 33],
    ] as const) {
      expect(Math.abs(grid.depth(x, y) - (40 - Math.max(Math.abs(x), Math.abs(y))))).toBeLessThan(1.01 * side)
    }
  })
})

describe('how far to move', () => {
  it('is at the corners of the table what the nearest of all its free corners says', () => {
    let asked = 0
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 3, max: 12 }), (seed, n) => {
        const random = seeded(seed)
        const { grid, reach, side } = pairGrid(jagged(random, n, 30), jagged(random, 7, 25), 150)
        const corners: [number, number][] = []
        for (let x = reach.minX - side; x < reach.maxX + 1.5 * side; x += side) {
          for (let y = reach.minY - side; y < reach.maxY + 1.5 * side; y += side) corners.push([x, y])
        }
        const [free, taken] = [true, false].map((is) => corners.filter(([x, y]) => (grid.depth(x, y) === 0) === is))
        for (const [x, y] of taken!) {
          const next = Math.min(...free!.map(([a, b]) => Math.hypot(a - x, b - y)))
          expect(Math.abs(grid.depth(x, y) - next), `${seed} ${n} at ${x}, ${y}`).toBeLessThan(0.05 * side)
          asked++
        }
      }),
      { numRuns: 60 },
    )
    expect(asked).toBeGreaterThan(1000)
  })
})

describe('whether an outline lies on a sheet with flaws', () => {
  it('is what polygon operations say', () => {
    let free = 0
    fc.assert(
      fc.property(fc.nat(), (seed) => {
        const random = seeded(seed)
        const sheet = jagged(random, 24, 300)
        const flaw = translate(jagged(random, 8, 20), 60, 20)
        const piece = jagged(random, 9, 40)
        const [s, p] = [boxOf(sheet), boxOf(piece)]
        const reach = { minX: s.minX - p.minX, minY: s.minY - p.minY, maxX: s.maxX - p.maxX, maxY: s.maxY - p.maxY }
        const rings: Rings = [[...sheet].reverse(), flaw]
        const grid = new ContactGrid(convolution(rings, [piece]), reach, 12, -1, 'taken')
        for (let k = 0; k < 40; k++) {
          const [x, y] = [1.2 * (random() - 0.5) * 300, 1.2 * (random() - 0.5) * 300]
          const there = [whole(translate(piece, x, y))]
          const off =
            area(Clipper.difference(there, [whole(sheet)], FillRule.NonZero)) +
            area(Clipper.intersect(there, [whole(flaw)], FillRule.NonZero))
          if (off > 0 && off < 0.01) continue
          expect(grid.isTaken(x, y), `${seed} at ${x}, ${y}`).toBe(off > 0)
          if (off === 0) free++
        }
      }),
      { numRuns: 60 },
    )
    expect(free).toBeGreaterThan(100)
  })
})
