import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Point } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import { simulateGap } from './gapSimulation.ts'
import { tackPlan, type Anchor, type StripPlace } from './tackPlan.ts'
import { agreesAt, elasticSpacing, tackSpacing } from './tackSpacing.ts'

const figures = { takes: 1, closest: 5, farthest: 30 }
const STEP = 0.25
/** A ring of so many millimetres, heel at its beginning, toe at its middle, lateral side first. */
function ring(
  length: number,
  of: (run: number) => { curvature: number; thickness: number; depth?: number },
): StripPlace[] {
  const n = Math.round(length / STEP)
  return Array.from({ length: n }, (_, i): StripPlace => {
    const a = (2 * Math.PI * i) / n
    const side: Side = i < n / 2 ? 'lateral' : 'medial'
    const on: Point = [-Math.cos(a), -Math.sin(a)]
    return { on, at: on, side, depth: 6, ...of(i * STEP) }
  })
}
const anchorsAt = (places: readonly StripPlace[]): Anchor[] => {
  const n = places.length
  const at = (share: number) => Math.round(share * n) % n
  return [
    { place: 'seat', at: 0 },
    { place: 'waist', at: at(0.2) },
    { place: 'joint', at: at(0.32) },
    { place: 'toe side', at: at(0.45) },
    { place: 'toe', at: at(0.5) },
    { place: 'toe side', at: at(0.55) },
    { place: 'joint', at: at(0.68) },
    { place: 'waist', at: at(0.8) },
  ]
}

describe('how far apart tacks stand', () => {
  it('is the thickness over depth times curvature, within its limits', () => {
    expect(tackSpacing({ thickness: 1.5, curvature: 1 / 30, depth: 6 }, figures)).toBeCloseTo(7.5, 12)
    expect(tackSpacing({ thickness: 1.2, curvature: 1 / 60, depth: 3 }, figures)).toBeCloseTo(24, 12)
    expect(tackSpacing({ thickness: 1.2, curvature: 1 / 12, depth: 6 }, figures)).toBe(5)
    expect(tackSpacing({ thickness: 1.5, curvature: 1 / 900, depth: 6 }, figures)).toBe(30)
    expect(tackSpacing({ thickness: 1.5, curvature: -1 / 50, depth: 6 }, figures)).toBe(30)
    expect(tackSpacing({ thickness: 1.5, curvature: 1 / 30, depth: 6 }, { ...figures, takes: 2 })).toBeCloseTo(15, 12)
  })
})

describe('by an elastic strip', () => {
  it('tacks stand so far apart that the fold between them is as high as the leather is thick', () => {
    for (const thickness of [0.9, 1.5, 2.4]) {
      for (const radius of [20, 34.54, 60]) {
        const strip = { thickness, curvature: 1 / radius, depth: 6 }
        const length = elasticSpacing(strip, { closest: 0, farthest: 1000 })
        const gap = simulateGap({ length, thickness: [thickness], surplus: [6 / radius] })
        expect(gap.rises / thickness).toBeCloseTo(1, 1)
      }
    }
  })
  it('agree with the trade where the radius is 5.76 times the depth, closer on gentler bends, farther on sharper ones', () => {
    const both = (radius: number) => {
      const strip = { thickness: 1.5, curvature: 1 / radius, depth: 6 }
      const free = { takes: 1, closest: 0, farthest: 1000 }
      return elasticSpacing(strip, free) / tackSpacing(strip, free)
    }
    expect(agreesAt(6)).toBeCloseTo(34.54, 1)
    expect(both(agreesAt(6))).toBeCloseTo(1, 9)
    expect(both(80)).toBeLessThan(1)
    expect(both(15)).toBeGreaterThan(1)
    expect(elasticSpacing({ thickness: 1.5, curvature: 0, depth: 6 }, figures)).toBe(30)
    expect(elasticSpacing({ thickness: 1.5, curvature: 1 / 5, depth: 6 }, figures)).toBe(5)
  })
  it('between the tacks of a plan what it closes up and what it folds is all that is too long there', () => {
    const places = ring(400, (run) => ({ curvature: 1 / (40 + 20 * Math.sin(run / 30)), thickness: 1.4 }))
    for (const b of tackPlan(places, STEP, anchorsAt(places), figures).between) {
      expect(b.simulated.taken + b.simulated.tuck).toBeCloseTo(b.surplus, 6)
      expect(b.simulated.taken).toBeLessThanOrEqual((1.02 * Math.PI ** 2 * 1.4 ** 2) / (3 * b.apart))
    }
  })
})

describe('a tack plan', () => {
  it('on a circle keeps the closed formula between all of its anchors', () => {
    const radius = 45
    const places = ring(2 * Math.PI * radius, () => ({ curvature: 1 / radius, thickness: 1.4 }))
    const { tacks, between } = tackPlan(places, STEP, anchorsAt(places), figures)
    const s = (1.4 * radius) / 6
    for (const b of between) {
      expect(b.apart).toBeLessThanOrEqual(s + STEP)
      expect(b.surplus).toBeCloseTo((6 * b.apart) / radius, 9)
      expect(b.tuck).toBe(0)
    }
    // As few as that: in each gap one less would be too far apart.
    const gaps = [0.2, 0.12, 0.13, 0.05].map((share) => Math.ceil((share * 2 * Math.PI * radius) / s - 0.02))
    expect(tacks).toHaveLength(2 * gaps.reduce((sum, g) => sum + g, 0))
  })
  it('on straights has tacks 30 mm apart at most, and where it bends too sharply says what tuck stays', () => {
    const straight = ring(600, () => ({ curvature: 0, thickness: 1.4 }))
    for (const b of tackPlan(straight, STEP, anchorsAt(straight), figures).between) {
      expect(b.apart).toBeLessThanOrEqual(30 + STEP)
      expect(b.surplus).toBe(0)
    }
    const sharp = ring(600, () => ({ curvature: 1 / 10, thickness: 1 }))
    for (const b of tackPlan(sharp, STEP, anchorsAt(sharp), figures).between) {
      expect(b.apart).toBeGreaterThanOrEqual(5 - STEP)
      expect(b.tuck).toBeCloseTo(0.6 * b.apart - 1, 9)
    }
  })
  it('drives anchors first, from the toe to the seat, then fills on both sides in turn, the toe last', () => {
    const places = ring(640, (run) => ({
      curvature: run > 240 && run < 400 ? 1 / 25 : 1 / 200,
      thickness: 1.4,
    }))
    const { tacks } = tackPlan(places, STEP, anchorsAt(places), figures)
    expect(tacks.map((t) => t.number)).toEqual(tacks.map((_, i) => i + 1))
    expect(tacks.slice(0, 8).map((t) => t.anchor)).toEqual([
      'toe',
      'toe side',
      'toe side',
      'joint',
      'joint',
      'waist',
      'waist',
      'seat',
    ])
    const fill = tacks.slice(8)
    expect(fill.every((t) => t.anchor === null)).toBe(true)
    // Both sides are alike here: never twice the same side in turn.
    fill.forEach((t, i) => expect(t.side).toBe(i % 2 === 0 ? 'medial' : 'lateral'))
    const foremost = fill.filter((t) => t.at[0] > Math.cos(0.1 * Math.PI))
    expect(foremost.map((t) => t.number)).toEqual(tacks.slice(-foremost.length).map((t) => t.number))
  })
  it('goes round whole, whatever the strip: all of it lies between tacks, none too far apart or too close', () => {
    const wave = fc.record({
      base: fc.double({ min: 0, max: 0.03, noNaN: true }),
      swing: fc.double({ min: 0, max: 0.05, noNaN: true }),
      times: fc.integer({ min: 1, max: 4 }),
      thickness: fc.double({ min: 0.5, max: 4, noNaN: true }),
      length: fc.integer({ min: 400, max: 800 }),
    })
    fc.assert(
      fc.property(wave, ({ base, swing, times, thickness, length }) => {
        const places = ring(length, (run) => ({
          curvature: base + swing * Math.sin((2 * Math.PI * times * run) / length),
          thickness,
        }))
        const { tacks, between } = tackPlan(places, STEP, anchorsAt(places), figures)
        expect(between).toHaveLength(tacks.length)
        expect(new Set(tacks.map((t) => t.place)).size).toBe(tacks.length)
        expect(between.reduce((sum, b) => sum + b.apart, 0)).toBeCloseTo(places.length * STEP, 6)
        const whole = places.reduce((sum, p) => sum + 6 * STEP * Math.max(0, p.curvature), 0)
        expect(between.reduce((sum, b) => sum + b.surplus, 0)).toBeCloseTo(whole, 6)
        for (const b of between) {
          expect(b.apart).toBeLessThanOrEqual(30 + STEP)
          expect(b.apart).toBeGreaterThanOrEqual(5 - 2 * STEP)
        }
      }),
      { numRuns: 60 },
    )
  })
  it('of a strip that covers the toe alone is held at its ends', () => {
    const places = ring(600, (run) => ({ curvature: 1 / 60, thickness: run > 220 && run < 380 ? 1.2 : 0 }))
    const n = places.length
    const anchors: Anchor[] = [
      { place: 'toe', at: n / 2 },
      { place: 'end', at: places.findIndex((p) => p.thickness > 0) },
      { place: 'end', at: n - 1 - [...places].reverse().findIndex((p) => p.thickness > 0) },
    ]
    const { tacks, between } = tackPlan(places, STEP, anchors, figures)
    expect(tacks.slice(0, 3).map((t) => t.anchor)).toEqual(['toe', 'end', 'end'])
    expect(between).toHaveLength(tacks.length - 1)
    for (const t of tacks) expect(places[t.place]!.thickness).toBeGreaterThan(0)
  })
})
