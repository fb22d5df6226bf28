import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nearest } from './polyline.ts'
import { calliperWidths } from './callipers.ts'
import { crossings, outermost, outermostAcross } from './crossings.ts'
import { Inside } from './pointInPolygon.ts'
import { peak } from './parabola.ts'
import { rotate, type Path, type Point } from './path.ts'

const circle = (r: number, [cx, cy]: Point = [0, 0]): Path =>
  Array.from({ length: 1440 }, (_, k): Point => {
    const a = (k * Math.PI) / 720
    return [cx + r * Math.cos(a), cy + r * Math.sin(a)]
  })
/** A horseshoe that opens to the right: a level line through its arms crosses it twice, an upright one four times. */
const horseshoe: Path = [
  [0, 0],
  [10, 0],
  [10, 2],
  [2, 2],
  [2, 8],
  [10, 8],
  [10, 10],
  [0, 10],
]

describe('where a straight line crosses an outline', () => {
  it('is the half chord either side of the middle of a circle', () => {
    fc.assert(
      fc.property(fc.double({ min: -28, max: 28, noNaN: true }), (at) => {
        const half = Math.sqrt(900 - at * at)
        for (const line of [{ x: 5 + at }, { y: -7 + at }]) {
          const centre = 'x' in line ? -7 : 5
          const ends = outermost(circle(30, [5, -7]), line)
          expect(ends?.[0]).toBeCloseTo(centre - half, 2)
          expect(ends?.[1]).toBeCloseTo(centre + half, 2)
        }
      }),
    )
  })
  it('counts every arm, in order, whichever way the outline runs and wherever it begins', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 7 }), fc.boolean(), (begin, back) => {
        const turned = [...horseshoe.slice(begin), ...horseshoe.slice(0, begin)]
        const path = back ? turned.reverse() : turned
        expect(crossings(path, { x: 6 })).toEqual([0, 2, 8, 10])
        expect(crossings(path, { y: 5 })).toEqual([0, 2])
        expect(outermost(path, { x: 6 })).toEqual([0, 10])
      }),
    )
  })
  it('is the same for many lines at once as for each by itself', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.double({ min: -12, max: 6, noNaN: true }),
        fc.integer({ min: 1, max: 50 }),
        fc.boolean(),
        (degrees, from, count, back) => {
          // On whole places too, where lines go through the corners.
          const at = count % 2 === 0 ? Math.round(from) : from
          const path = count % 3 === 0 ? horseshoe : rotate(horseshoe, degrees)
          const line = back ? [...path].reverse() : path
          expect(outermostAcross(line, at, at + 10, count)).toEqual(
            Array.from({ length: count + 1 }, (_, k) => outermost(line, { x: at + (10 * k) / count })),
          )
        },
      ),
    )
  })
  it('says of every place what the test for inside says', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.double({ min: -12, max: 12, noNaN: true }),
        fc.double({ min: -12, max: 12, noNaN: true }),
        (degrees, x, y) => {
          const path = rotate(horseshoe, degrees)
          // On the outline itself either answer is one.
          if (nearest(path, [x, y], true).away < 1e-9) return
          const before = crossings(path, { y }).filter((at) => at < x).length
          expect(before % 2 === 1).toBe(new Inside(path).has([x, y]))
        },
      ),
    )
  })
  it('is nowhere past the outline', () => {
    expect(crossings(horseshoe, { x: 10.01 })).toEqual([])
    expect(outermost(horseshoe, { y: -0.01 })).toBeNull()
  })
})

describe('the top of a parabola', () => {
  it('is its vertex, however unevenly the three places lie', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -4, max: 4, noNaN: true }),
        fc.double({ min: 0.01, max: 3, noNaN: true }),
        fc.double({ min: 0.2, max: 6, noNaN: true }),
        fc.double({ min: 0.2, max: 6, noNaN: true }),
        (vertex, bend, before, after) => {
          const at: [number, number, number] = [vertex - before, vertex + 0.1, vertex + 0.1 + after]
          const on = (x: number) => 17 - bend * (x - vertex) ** 2
          expect(peak(at, [on(at[0]), on(at[1]), on(at[2])])).toBeCloseTo(vertex, 6)
        },
      ),
    )
  })
  it('is not looked for outside, and not where the values do not bend down', () => {
    expect(peak([0, 1, 2], [0, 2, 3.9])).toBe(2)
    expect(peak([0, 1, 2], [3, 1, 3])).toBe(1)
  })
})

describe('callipers on a bottom', () => {
  it('find no waist in a plain oval, and read it where a waist usually is', () => {
    const oval = circle(1).map(([x, y]): Point => [130 + 130 * x, 40 * y])
    const { seat, waist, joint } = calliperWidths(oval, 0, 260)
    const at = (share: number) => 80 * Math.sqrt(1 - (2 * share - 1) ** 2)
    expect(seat?.value).toBeCloseTo(at(0.17), 1)
    expect(waist?.value).toBeCloseTo(at(0.43), 1)
    expect(joint?.value).toBeCloseTo(at(0.55), 1)
  })
})
