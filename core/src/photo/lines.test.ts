import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { gaussian, seeded } from '../geometry/random.ts'
import { distance, rotate, signedArea, type Path, type Point } from '../geometry/path.ts'
import { nearest } from '../geometry/polyline.ts'
import { bestWay } from './bestWay.ts'
import { bridged } from './bridged.ts'
import { cornersOf } from './corners.ts'
import { fairOutline } from './fairOutline.ts'
import { lineWidth } from './lineWidth.ts'
import { railAlong, STEP } from './rail.ts'
import { gapsOf } from './readRim.ts'
import { withoutLoners, withoutStrays } from './strays.ts'
import { parting } from './things.ts'

const circle = (r: number, n = Math.round((2 * Math.PI * r) / STEP)): Path =>
  Array.from({ length: n }, (_, i): Point => [r * Math.cos((2 * Math.PI * i) / n), r * Math.sin((2 * Math.PI * i) / n)])
/** The sides of an outline with a point every half millimetre. */
const walked = (corners: Path): Path =>
  corners.flatMap((a, i) => {
    const b = corners[(i + 1) % corners.length]!
    const parts = Math.round(distance(a, b) / STEP)
    return Array.from({ length: parts }, (_, k): Point => [
      a[0] + ((b[0] - a[0]) * k) / parts,
      a[1] + ((b[1] - a[1]) * k) / parts,
    ])
  })

describe('the width of a blurred line', () => {
  /** What a box blurred by a normal distribution reads: summed, not by the formula that is tried. */
  const profile = (width: number, sigma: number, contrast: number, paper: number): Float64Array =>
    Float64Array.from({ length: 25 }, (_, k) => {
      const t = (k - 12) * 0.1
      let [sum, all] = [0, 0]
      for (let u = -4 * sigma; u <= 4 * sigma; u += sigma / 200) {
        const weight = Math.exp(-0.5 * (u / sigma) ** 2)
        all += weight
        if (Math.abs(t - u) <= width / 2) sum += weight
      }
      return paper + (contrast * sum) / all
    })
  it.each([
    [0.3, 0.15],
    [0.5, 0.2],
    [0.5, 0.36],
    [0.9, 0.36],
    [1.4, 0.1],
  ])('%s mm behind a blur of %s mm is told, dark or faint', (width, sigma) => {
    expect(lineWidth(profile(width, sigma, 0.6, 0), 0.1, sigma)).toBeCloseTo(width, 1.6)
    expect(lineWidth(profile(width, sigma, 0.2, 0.03), 0.1, sigma)).toBeCloseTo(width, 1.6)
  })
  it('without blur is the box that is seen', () => {
    expect(
      lineWidth(
        Float64Array.from({ length: 25 }, (_, k) => (Math.abs(k - 12) <= 4 ? 0.5 : 0)),
        0.1,
        0,
      ),
    ).toBeCloseTo(0.9, 1)
  })
})

describe('the best way round a band', () => {
  it('follows a ridge that winds, over a gap in it, and closes', () => {
    const [n, m] = [200, 41]
    const ridge = (i: number) => Math.round(20 + 9 * Math.sin((2 * Math.PI * i) / n))
    const gain = new Float32Array(n * m)
    for (let i = 0; i < n; i++) if (i < 90 || i > 100) gain[i * m + ridge(i)] = 1
    const way = bestWay(n, m, gain, 0.02)
    for (let i = 0; i < n; i++) expect(Math.abs(way[i]! - ridge(i))).toBeLessThanOrEqual(i < 88 || i > 102 ? 0 : 2)
  })
  it('is not drawn to a darker line that only crosses', () => {
    const [n, m] = [120, 31]
    const gain = new Float32Array(n * m)
    for (let i = 0; i < n; i++) gain[i * m + 15] = 0.5
    for (let s = 0; s < m; s++) for (const i of [60, 61]) gain[i * m + s] = 1
    expect([...bestWay(n, m, gain, 0.02)].every((s) => s === 15)).toBe(true)
  })
})

describe('a bridge over what was not seen', () => {
  it('goes on as a circle bends', () => {
    const rail = railAlong(circle(40), 0.6)
    const at = new Float64Array(rail.points.length)
    for (let i = 30; i < 50; i++) at[i] = NaN
    const out = bridged(rail, at)!
    for (const p of out) expect(Math.abs(Math.hypot(...p) - 40)).toBeLessThan(0.1)
  })
  it('is straight between straight sides, whatever the rail did there', () => {
    const bumped = walked([
      [0, 0],
      [100, 0],
      [100, 60],
      [0, 60],
    ]).map(([x, y]): Point => (y === 0 && Math.abs(x - 50) < 3 ? [x, y - 2 * (1 - Math.abs(x - 50) / 3)] : [x, y]))
    const rail = railAlong(bumped, 0.6)
    const at = Float64Array.from(rail.points, ([x, y]) => (y < 5 && Math.abs(x - 50) < 5.5 ? NaN : 0))
    const low = bridged(rail, at)!.filter(([x, y]) => y < 5 && x > 20 && x < 80)
    expect(low.length).toBeGreaterThan(100)
    for (const p of low) expect(Math.abs(p[1])).toBeLessThan(0.05)
  })
  it('is none where nothing was seen, and its gaps are told with where they are', () => {
    const rail = railAlong(circle(30), 0.6)
    expect(bridged(rail, new Float64Array(rail.points.length).fill(NaN))).toBeNull()
    const seen = rail.points.map((_, i) => i < 40 || i > 51)
    const gaps = gapsOf(rail.points, [...seen.slice(45), ...seen.slice(0, 45)])
    expect(gaps).toHaveLength(1)
    expect(gaps[0]!.length).toBe(6)
    // One place alone is the grain of the paper.
    expect(
      gapsOf(
        rail.points,
        seen.map((_, i) => i !== 7),
      ),
    ).toEqual([])
  })
})

describe('what belongs to another line', () => {
  const rail = railAlong(circle(60), 0.6)
  const n = rail.points.length
  it('is left out where it stands alone', () => {
    const at = new Float64Array(n)
    at[50] = 0.9
    const kept = withoutLoners(at, 0.4)
    expect(Number.isNaN(kept[50]!)).toBe(true)
    expect([...kept].filter(Number.isNaN)).toHaveLength(1)
  })
  it('is left out beside a crossing, on a line that bends, and nowhere else', () => {
    const at = new Float64Array(n)
    for (let i = 100; i < 110; i++) at[i] = 1.2
    at[105] = NaN
    const crossed = rail.points.map((_, i) => i === 105)
    const kept = withoutStrays(rail, at, crossed)
    for (let i = 100; i < 110; i++) expect(Number.isNaN(kept[i]!)).toBe(true)
    expect([...kept].filter(Number.isNaN)).toHaveLength(10)
    expect(
      [
        ...withoutStrays(
          rail,
          at,
          crossed.map(() => false),
        ),
      ].filter(Number.isNaN),
    ).toHaveLength(1)
  })
})

describe('corners of a line', () => {
  it('are those of a polygon, however it lies, and a circle has none', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 90, noNaN: true }), (degrees) => {
        const corners = rotate(
          [
            [0, 0],
            [70, 0],
            [70, 40],
            [20, 60],
          ],
          degrees,
        )
        const found = cornersOf(walked(corners), null)
        expect(found).toHaveLength(4)
        for (const c of corners) expect(Math.min(...found.map((f) => distance(f.point, c)))).toBeLessThan(0.05)
      }),
      { numRuns: 20 },
    )
    for (const r of [6, 12, 40]) expect(cornersOf(circle(r), null)).toEqual([])
  })
  it('that were read too round are found where the picture proves them, and only there', () => {
    const sharp: Path = [
      [0, 0],
      [90, 0],
      [0, 40],
    ]
    const round = walked(sharp).filter((p) => distance(p, [90, 0]) > 3)
    const tip = (list: readonly { point: Point }[]) => list.some((c) => distance(c.point, [90, 0]) < 0.3)
    expect(tip(cornersOf(round, null))).toBe(false)
    expect(tip(cornersOf(round, ({ point }) => distance(point, [90, 0]) < 1))).toBe(true)
  })
})

describe('a smoothed outline', () => {
  const random = seeded(5)
  const noisy = (path: Path, sigma: number): Path =>
    path.map(([x, y]): Point => [x + sigma * gaussian(random), y + sigma * gaussian(random)])
  it('moves no place by more than it may, and lies nearer to the truth than what was read', () => {
    const truth = circle(45)
    const read = noisy(truth, 0.02)
    const off = (path: Path) => Math.sqrt(path.reduce((s, p) => s + (Math.hypot(...p) - 45) ** 2, 0) / path.length)
    for (const tolerance of [0.15, 0.3]) {
      const fair = fairOutline(
        read,
        read.map(() => true),
        tolerance,
      )
      expect(fair.moved.most).toBeLessThanOrEqual(tolerance)
      expect(off(fair.path)).toBeLessThan(0.75 * off(read))
    }
    expect(
      fairOutline(
        read,
        read.map(() => true),
        0,
      ).moved.most,
    ).toBe(0)
  })
  it('keeps its corners sharp and its sides straight', () => {
    const corners: Path = [
      [0, 0],
      [80, 0],
      [80, 50],
      [0, 50],
    ]
    const read = noisy(walked(corners), 0.03)
    const { path, corners: kept } = fairOutline(
      read,
      read.map(() => true),
      0.2,
    )
    expect(kept).toHaveLength(4)
    for (const c of corners) expect(Math.min(...path.map((p) => distance(p, c)))).toBeLessThan(0.15)
    for (const p of path) expect(nearest(corners, p, true).away).toBeLessThan(0.08)
    expect(Math.abs(signedArea(path) / 4000 - 1)).toBeLessThan(0.002)
  })
})

it('the level that parts two heaps of figures lies between them', () => {
  const count = new Float64Array(256)
  for (let k = 0; k < 256; k++)
    count[k] = 900 * Math.exp(-(((k - 20) / 6) ** 2)) + 200 * Math.exp(-(((k - 120) / 15) ** 2))
  expect(parting(count)).toBeGreaterThan(35)
  expect(parting(count)).toBeLessThan(90)
})
