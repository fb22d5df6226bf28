import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { distance, pathLength, type Path, type Point } from '../geometry/path.ts'
import { betweenCorners, holesAlong, holesOfPartner } from './holesAlong.ts'

const arc = (radius: number, degrees: number, steps = 720): Path =>
  Array.from({ length: steps + 1 }, (_, i): Point => {
    const a = (degrees * Math.PI * i) / (180 * steps)
    return [radius * Math.cos(a), radius * Math.sin(a)]
  })
const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)

describe('holes along a seam', () => {
  it('lie evenly from end to end, as many as come nearest to the pitch', () => {
    const { holes, stitches, length } = holesAlong(
      [
        [0, 0],
        [100, 0],
      ],
      6,
    )
    expect([stitches, length]).toEqual([[17], 100])
    holes.forEach((p, i) => expect(p[0]).toBeCloseTo((100 * i) / 17, 9))
  })
  it('go by true arc length: a quarter of a circle of 40 mm has 62.8 mm, and its holes stand at equal angles', () => {
    const { holes, stitches, length } = holesAlong(arc(40, 90), 2)
    expect(length).toBeCloseTo(20 * Math.PI, 3)
    expect(stitches).toEqual([31])
    const angles = holes.map(([x, y]) => (Math.atan2(y, x) * 180) / Math.PI)
    angles.forEach((a, i) => expect(a).toBeCloseTo((90 * i) / 31, 2))
  })
  it('have one in every corner, and even stitches between two of them', () => {
    const bent: Path = [
      [0, 0],
      [40, 0],
      [40, 21],
      [90, 21],
    ]
    const { holes, stitches } = holesAlong(bent, 4)
    expect(stitches).toEqual([10, 5, 13])
    for (const corner of bent) expect(holes.some((h) => distance(h, corner) < 1e-9)).toBe(true)
    expect(holes).toHaveLength(29)
    // A corner that is drawn round over less than a stitch is one corner.
    const round = arc(1, 90, 12).map(([x, y]): Point => [x, y])
    const soft: Path = [[1, -30], ...round, [-30, 1]]
    expect(betweenCorners(soft)).toHaveLength(2)
    // A long round is none.
    expect(betweenCorners(arc(40, 200))).toHaveLength(1)
  })
  it('of a closed line begin and end in one hole', () => {
    const { holes, stitches } = holesAlong(arc(30, 360), 5)
    expect(holes).toHaveLength(sum(stitches))
    expect(sum(stitches)).toBe(Math.round((2 * Math.PI * 30) / 5))
  })
  it('are as many on the partner, corner to corner, however much longer or shorter it is drawn', () => {
    const corner = fc.record({
      a: fc.double({ min: 12, max: 90, noNaN: true }),
      b: fc.double({ min: 12, max: 90, noNaN: true }),
      longer: fc.double({ min: 0.97, max: 1.03, noNaN: true }),
      pitch: fc.double({ min: 1.5, max: 8, noNaN: true }),
    })
    fc.assert(
      fc.property(corner, ({ a, b, longer, pitch }) => {
        const line: Path = [
          [0, 0],
          [a, 0],
          [a, b],
        ]
        const layout = holesAlong(line, pitch)
        const partner: Path = [...line].reverse().map(([x, y]): Point => [x * longer, y * longer])
        const other = holesOfPartner(partner, layout)
        expect(other.holes).toHaveLength(layout.holes.length)
        expect(other.stitches).toEqual([...layout.stitches].reverse())
        // Hole by hole they are the same places.
        const back = [...other.holes].reverse()
        layout.holes.forEach(([x, y], i) => {
          expect(distance([x * longer, y * longer], back[i]!)).toBeLessThan(1e-6)
        })
      }),
    )
    // One whose corner is cut otherwise has as many in all.
    const straight = holesOfPartner(
      [
        [0, 0],
        [70, 0],
      ],
      holesAlong(
        [
          [0, 0],
          [40, 0],
          [40, 30],
        ],
        5,
      ),
    )
    expect(straight.stitches).toEqual([14])
    expect(pathLength(straight.holes)).toBeCloseTo(70, 9)
  })
})
