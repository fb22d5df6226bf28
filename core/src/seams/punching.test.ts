import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { distance, type Path, type Point } from '../geometry/path.ts'
import { holesAlong } from './holesAlong.ts'
import { punchGround, punchingStrip, punchTool } from './punching.ts'

const square: Path = [
  [0, 0],
  [200, 0],
  [200, 200],
  [0, 200],
]

describe('punching', () => {
  it('an edge punch reaches so far from the nearest edge, past that a drive punch', () => {
    expect(punchTool([[40, 100]], square, 40)).toBe('edge punch')
    expect(punchTool([[41, 100]], square, 40)).toBe('drive punch')
    expect(
      punchTool(
        [
          [10, 100],
          [100, 100],
        ],
        square,
        40,
      ),
    ).toBe('drive punch')
  })
  it('what is punched now lies flat on scrap; a closed upper needs a block', () => {
    expect(punchGround('fold', { punched: 'now' })).toBe('scrap leather')
    expect(punchGround('fold', { punched: 'later' })).toBe('shaped block')
    expect(punchGround('lap', { punched: 'later' })).toBe('scrap leather')
  })
})

describe('a punching strip', () => {
  it('has the holes of an arc by their true way along it', () => {
    const radius = 60
    const arc: Path = Array.from({ length: 721 }, (_, i): Point => {
      const a = (Math.PI * i) / 720
      return [radius * Math.cos(a), radius * Math.sin(a)]
    })
    const { holes } = holesAlong(arc, 6)
    const strip = punchingStrip({ line: arc, holes })
    expect(strip.length).toBeCloseTo(Math.PI * radius, 2)
    strip.holes.forEach((at, i) => expect(at).toBeCloseTo((i * Math.PI * radius) / (holes.length - 1), 2))
    expect(strip.corners).toEqual([])
  })
  it('marks the corners, where there is a hole', () => {
    const line: Path = [
      [0, 0],
      [50, 0],
      [50, 31],
    ]
    const strip = punchingStrip({ line, holes: holesAlong(line, 5).holes })
    expect(strip).toMatchObject({ length: 81, corners: [50] })
    expect(strip.holes).toContain(50)
  })
  it('is as long as its row and has as many holes, evenly between corners', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.double({ min: 20, max: 80, noNaN: true }), fc.double({ min: -0.4, max: 0.4, noNaN: true })),
          {
            minLength: 2,
            maxLength: 6,
          },
        ),
        fc.double({ min: 2, max: 9, noNaN: true }),
        (legs, pitch) => {
          let [x, y, way] = [0, 0, 0]
          const line: Path = [
            [0, 0],
            ...legs.map(([l, turn]): Point => {
              way += turn
              x += l * Math.cos(way)
              y += l * Math.sin(way)
              return [x, y]
            }),
          ]
          const { holes } = holesAlong(line, pitch)
          const strip = punchingStrip({ line, holes })
          const length = line.slice(1).reduce((sum, p, i) => sum + distance(line[i]!, p), 0)
          expect(strip.length).toBeCloseTo(length, 6)
          expect(strip.holes).toHaveLength(holes.length)
          const gaps = strip.holes.slice(1).map((at, i) => at - strip.holes[i]!)
          expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThan(1e-6)
        },
      ),
      { seed: 5, numRuns: 60 },
    )
  })
})
