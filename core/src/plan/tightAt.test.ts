import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { windingIsOdd } from '../../test/windingIsOdd.ts'
import { signedArea, type Path, type Point } from '../geometry/path.ts'
import { betweenWays, shareOf, tightAt, tightRaster, whereOff, type TightField } from './tightAt.ts'

const mark = (x: number, y: number, tight: number) => ({ at: [x, y] as [number, number], tight })
const outline: Path = [
  [0, 0],
  [600, 0],
  [600, 400],
  [0, 400],
]
const anyField = fc.record({
  tight: fc.integer({ min: -90, max: 90 }),
  directions: fc.array(
    fc.record({
      at: fc.tuple(fc.integer({ min: 0, max: 600 }), fc.integer({ min: 0, max: 400 })),
      tight: fc.integer({ min: -180, max: 180 }),
    }),
    { maxLength: 5 },
  ),
})

describe('which way a hide gives least', () => {
  it('is everywhere the same where nothing was marked', () => {
    expect(tightAt({ tight: 30, directions: [] }, [500, -20])).toBeCloseTo(30, 9)
    expect(tightAt({ tight: -90, directions: [] }, [0, 0])).toBeCloseTo(90, 9)
  })
  it('is the mark at a mark, half way between mark and hide 200 mm off, the hide far away', () => {
    const field: TightField = { tight: 0, directions: [mark(100, 100, 40)] }
    expect(tightAt(field, [100, 100])).toBeCloseTo(40, 6)
    expect(tightAt(field, [300, 100])).toBeCloseTo(20, 9)
    // 10 times as far: weights 1 and 100, tan(2 a) = sin 80 / (100 + cos 80).
    const far = (Math.atan2(Math.sin((80 * Math.PI) / 180), 100 + Math.cos((80 * Math.PI) / 180)) * 90) / Math.PI
    expect(tightAt(field, [2100, 100])).toBeCloseTo(far, 9)
  })
  it('does not care which end of an arrow is its tip, and turns with the hide', () => {
    fc.assert(
      fc.property(anyField, fc.integer({ min: -80, max: 80 }), (field, turn) => {
        const at: Point = [210.5, 133.3]
        const back = { ...field, directions: field.directions.map((m) => ({ ...m, tight: m.tight - 180 })) }
        const way = tightAt(field, at)
        expect(betweenWays(tightAt(back, at), way)).toBeLessThan(1e-6)
        const turned = {
          tight: field.tight + turn,
          directions: field.directions.map((m) => ({ ...m, tight: m.tight + turn })),
        }
        expect(betweenWays(tightAt(turned, at), way + turn)).toBeLessThan(1e-6)
      }),
      { numRuns: 60 },
    )
  })
})

describe('where a hide gives too far off a way', () => {
  it('holds every place that is off by more than is allowed, and none that is well within', () => {
    fc.assert(
      fc.property(anyField, fc.integer({ min: -90, max: 90 }), fc.nat(), (field, way, seed) => {
        const rings = whereOff(tightRaster(field, outline), way, 10)
        for (const ring of rings) expect(ring.length).toBeGreaterThanOrEqual(4)
        for (let k = 0; k < 40; k++) {
          const p: Point = [(((seed + k) * 97.31) % 599) + 0.5, (((seed + k) * 57.17) % 399) + 0.5]
          // Next to a mark a square of 12 mm sees all ways at once.
          if (field.directions.some((m) => Math.hypot(m.at[0] - p[0], m.at[1] - p[1]) < 40)) continue
          const off = betweenWays(tightAt(field, p), way)
          const isBarred = windingIsOdd(rings, p)
          if (off > 14) expect(isBarred).toBe(true)
          // Where directions cancel each other out they turn at once.
          if (off < 2 && isBarred) expect(turnsFast(field, p)).toBe(true)
        }
      }),
      { numRuns: 60 },
    )
  })
  it('is all of it or nothing where there is one way', () => {
    const raster = tightRaster({ tight: 20, directions: [] }, outline)
    expect(whereOff(raster, 25, 10)).toEqual([])
    expect([25, 60].map((way) => shareOf(raster, way, 10))).toEqual([1, 0])
    // One half turned: by symmetry half of it gives that way.
    const halves = tightRaster({ tight: 45, directions: [mark(150, 200, 0), mark(450, 200, 90)] }, outline)
    expect(shareOf(halves, 0, 45)).toBeCloseTo(0.5, 1)
    const all = whereOff(raster, 60, 10)
    expect(all).toHaveLength(1)
    expect(all[0]).toHaveLength(4)
    // Whole squares of 12 mm: 600 by 408.
    expect(signedArea(all[0]!)).toBeCloseTo(600 * 408, 6)
  })
})

/** Whether it turns by more than 8 degrees within a square. */
function turnsFast(field: TightField, [x, y]: Point): boolean {
  const ways = [-12, 0, 12].flatMap((dx) => [-12, 0, 12].map((dy) => tightAt(field, [x + dx, y + dy])))
  return ways.some((a) => betweenWays(a, ways[4]!) > 7.9)
}
