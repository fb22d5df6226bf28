import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { signedArea } from '../geometry/path.ts'
import { unite } from '../geometry/polygonClip.ts'
import { profileAt } from '../trade/wallArea.ts'
import { pile, steepest, totalAt, type Lay } from './pile.ts'

const lay = (part: string, from: number, to: number, profile: Lay['profile']): Lay => ({
  part,
  name: part,
  from,
  to,
  profile,
})
/** The integral of a lay's thickness, by the midpoint rule. */
const integral = ({ from, to, profile }: Lay): number => {
  const n = 4000
  const step = (to - from) / n
  let sum = 0
  for (let i = 0; i < n; i++) sum += profileAt(profile, from + (i + 0.5) * step) * step
  return sum
}
const anyLay = fc
  .record({
    from: fc.double({ min: -20, max: 5, noNaN: true }),
    long: fc.double({ min: 4, max: 20, noNaN: true }),
    a: fc.double({ min: 0.05, max: 2, noNaN: true }),
    b: fc.double({ min: 0.05, max: 2, noNaN: true }),
    at: fc.double({ min: 0.1, max: 0.9, noNaN: true }),
    rise: fc.double({ min: 0.2, max: 4, noNaN: true }),
  })
  .map(({ from, long, a, b, at, rise }) => {
    const knee = from + at * long
    return lay(`p${from.toFixed(3)}`, from, from + long, [
      [knee, a],
      [knee + rise, b],
    ])
  })

describe('leathers piled in a section', () => {
  it('rest on each other: each body has the area of its profile, and none covers another', () => {
    fc.assert(
      fc.property(fc.array(anyLay, { minLength: 1, maxLength: 5 }), (lays) => {
        const bodies = pile(lays)
        bodies.forEach((b, i) => {
          expect(Math.abs(signedArea(b.outline))).toBeCloseTo(integral(lays[i]!), 2)
        })
      }),
      { numRuns: 40 },
    )
    const lap = [
      lay('under', -9, 15, [
        [-9, 0.3],
        [0, 0.77],
        [2, 1.4],
      ]),
      lay('over', -15, 0, [[0, 1.4]]),
    ]
    const areas = pile(lap).map((b) => Math.abs(signedArea(b.outline)))
    expect(signedArea(unite(pile(lap).map((b) => b.outline)))).toBeCloseTo(areas[0]! + areas[1]!, 2)
  })
  it('the one that ends where another begins does not lie on it', () => {
    const two = [lay('a', -10, 0, [[0, 1]]), lay('b', 0, 10, [[0, 1]])]
    expect(totalAt(two, -1e-9)).toBe(1)
    expect(Math.max(...pile(two).flatMap((b) => b.outline.map(([, y]) => y)))).toBe(1)
  })
  it('the steepest step is found as by looking everywhere', () => {
    const everywhere = (lays: readonly Lay[]) => {
      const ends = lays.flatMap((l) => [l.from, l.to])
      const [first, last] = [Math.min(...ends), Math.max(...ends)]
      const face = (x: number) => [...lays].reverse().find((l) => x > l.from && x < l.to && profileAt(l.profile, x) > 0)
      let most = 0
      for (let x = first + 1.001; x < last - 1; x += 0.003) {
        const [a, b] = [x - 1, x + 1]
        if (!face(x) || face(a) !== face(x) || face(b) !== face(x)) continue
        most = Math.max(most, Math.abs(totalAt(lays, b) - totalAt(lays, a)) / 2)
      }
      return most
    }
    fc.assert(
      fc.property(fc.array(anyLay, { minLength: 1, maxLength: 4 }), (lays) => {
        expect(steepest(lays, 'outside')).toBeGreaterThanOrEqual(everywhere(lays) - 1e-6)
        expect(steepest(lays, 'outside')).toBeLessThanOrEqual(everywhere(lays) + 0.02)
      }),
      // Of a run that fits in by a hair a walk in steps would see nothing.
      { numRuns: 30, seed: 5 },
    )
  })
  it('an unskived edge under a leather is its thickness over the run; seen from the other side it is the leather’s own edge', () => {
    const lap = [lay('under', -9, 15, [[0, 1.4]]), lay('over', -15, 0, [[0, 1.4]])]
    expect(steepest(lap, 'outside')).toBeCloseTo(0.7, 6)
    expect(steepest([lap[1]!, lap[0]!], 'foot')).toBeCloseTo(0.7, 6)
  })
})
