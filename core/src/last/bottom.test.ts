import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sampleMeasures } from '../../test/samplePair.ts'
import { bottomShape, type BottomMeasures } from './bottom.ts'
import { STATIONS } from './frame.ts'

const anyBottom = fc
  .record({
    length: fc.double({ min: 180, max: 320, noNaN: true }),
    heelHeight: fc.double({ min: 5, max: 85, noNaN: true }),
    toeSpring: fc.double({ min: 2, max: 20, noNaN: true }),
    seatSlope: fc.double({ min: 0.5, max: 0.75, noNaN: true }),
  })
  .map((m): BottomMeasures => ({ ...m, jointWidth: 0.3 * m.length, arch: 0.2 }))
const h = 0.5
const slope = (f: (x: number) => number, x: number) => (f(x + h) - f(x - h)) / (2 * h)
const bend = (f: (x: number) => number, x: number) => (f(x + h) - 2 * f(x) + f(x - h)) / (h * h)

describe('the bottom from the seat to the tread', () => {
  it('begins as a straight seat to a fifth of the length, at its share of the mean slope', () => {
    fc.assert(
      fc.property(anyBottom, fc.double({ min: 0.01, max: 0.19, noNaN: true }), (m, share) => {
        const { centre } = bottomShape(m)
        const wanted = (-(m.seatSlope ?? 0) * m.heelHeight) / (STATIONS.tread * m.length)
        expect(slope(centre, share * m.length)).toBeCloseTo(wanted, 9)
        expect(centre(0)).toBeCloseTo(m.heelHeight, 9)
        expect(bend(centre, share * m.length)).toBeCloseTo(0, 6)
      }),
    )
  })
  it('of the usual seat falls all the way to the tread, comes level there, and turns once', () => {
    for (const m of Object.values(sampleMeasures)) {
      const { centre } = bottomShape(m)
      const tread = STATIONS.tread * m.length
      let turns = 0
      let way = 0
      for (let x = 1; x < tread - 1; x++) {
        expect(slope(centre, x)).toBeLessThan(0)
        const b = bend(centre, x)
        // What bends less than a tenth of a mm over 30 mm is straight to the eye.
        if (Math.abs(b) < 1e-4) continue
        if (way !== 0 && Math.sign(b) !== way) turns++
        way = Math.sign(b)
      }
      expect(turns).toBeLessThanOrEqual(1)
      expect(centre(tread)).toBeCloseTo(0, 9)
      expect(slope(centre, tread)).toBeCloseTo(0, 2)
    }
  })
  it('meets the seat and the forepart without a corner or a jump of its bend', () => {
    fc.assert(
      fc.property(anyBottom, (m) => {
        const { centre } = bottomShape(m)
        for (const x of [0.2 * m.length, STATIONS.tread * m.length]) {
          expect(centre(x - 1e-6)).toBeCloseTo(centre(x + 1e-6), 5)
          expect((centre(x) - centre(x - 1e-4)) / 1e-4).toBeCloseTo((centre(x + 1e-4) - centre(x)) / 1e-4, 4)
          // Over ever shorter ways the bends before and after come together: a jump would stay. Under 2e-5 of a mm for
          // every mm, a radius of fifty metres, the line is straight to any rule.
          const apart = (d: number) => Math.abs(bend(centre, x - d) - bend(centre, x + d))
          expect(apart(0.75)).toBeLessThan(0.7 * apart(3) + 2e-5)
        }
      }),
    )
  })
  it('of a last from before seats had a figure is the one quintic it was', () => {
    const m = { ...sampleMeasures.walking, seatSlope: null }
    const tread = STATIONS.tread * m.length
    const front = m.length - tread
    const mean = m.heelHeight / tread
    // Written out anew: value and two derivatives at both ends of a quintic.
    const end = (2 * m.toeSpring * tread * tread) / (front * front)
    const [v, d] = [m.heelHeight, -0.35 * m.heelHeight]
    const c = [-10 * v - 6 * d + end / 2, 15 * v + 8 * d - end, -6 * v - 3 * d + end / 2]
    const { centre } = bottomShape(m)
    for (let k = 0; k <= 40; k++) {
      const t = k / 40
      expect(centre(t * tread)).toBeCloseTo(v + d * t + t ** 3 * (c[0]! + t * (c[1]! + t * c[2]!)), 9)
    }
    expect(slope(centre, h)).toBeCloseTo(-0.35 * mean, 3)
  })
})
