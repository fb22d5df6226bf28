import { contains, pathLength, signedArea, type Path, type Point, type Skive } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { skiveMark } from './skiveOnPiece.ts'

/** A piece of 80 by 40 mm, skived along its lower edge: to 0.6 mm over 8 mm, whole at 10 mm. */
const outline: Path = [
  [0, 0],
  [80, 0],
  [80, 40],
  [0, 40],
]
const skive = (edge: Path, band: Path): Skive => ({
  name: 'edge',
  edge,
  band,
  profile: [
    [0, 0.6],
    [8, 0.6],
    [10, 1.2],
  ],
  shape: 'level',
  face: 'flesh',
  sentence: '',
})
const lower = skive(
  [
    [0, 0],
    [80, 0],
  ],
  [
    [0, 0],
    [80, 0],
    [80, 10],
    [0, 10],
  ],
)

describe('a skive on a printed piece', () => {
  it('bears its own section at true size across the middle of its edge, into the leather', () => {
    const { section, words } = skiveMark(lower, [])!
    // 8 mm of 0.6, and 2 mm that rise to 1.2.
    expect(Math.abs(signedArea(section))).toBeCloseTo(8 * 0.6 + 2 * 0.9, 9)
    for (const [x, y] of section) expect([x >= 38 && x <= 42, y >= -1e-9 && y <= 10 + 1e-9]).toEqual([true, true])
    expect(words).toBe('10 to 0.60')
  })
  it('whichever way its edge runs', () => {
    const turned = skiveMark({ ...lower, edge: [...lower.edge].reverse() }, [])!
    expect(Math.max(...turned.section.map(([, y]) => y))).toBeCloseTo(10, 9)
    expect(Math.abs(signedArea(turned.section))).toBeCloseTo(6.6, 9)
  })
  it('has its figures beside it, clear of the other lines', () => {
    const through: Path = [
      [0, 5],
      [80, 5],
    ]
    const bare = skiveMark(lower, [])!
    const beside = skiveMark(lower, [through])!
    const off = (at: Point) => Math.abs(at[1] - 5)
    expect(off(bare.at)).toBeCloseTo(0, 9)
    expect(off(beside.at)).toBeGreaterThanOrEqual(2.2)
    expect(contains(outline, beside.at)).toBe(true)
    expect(pathLength([bare.section[0]!, bare.at])).toBeGreaterThan(8)
  })
  it('is told by its tone alone on a short edge', () => {
    const short: Path = [
      [0, 0],
      [20, 0],
    ]
    expect(skiveMark(skive(short, outline), [])).toBeNull()
  })
})
