import { signedArea, type Point } from '@gentle-awl/core'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chained } from './chained.ts'

/** A circle cut into pieces of a few chords each. */
const circle = (x: number, r: number, cuts: number): Point[][] =>
  Array.from({ length: cuts }, (_, k) =>
    Array.from({ length: 5 }, (__, i): Point => {
      const a = (2 * Math.PI * (k + i / 4)) / cuts
      return [x + r * Math.cos(a), r * Math.sin(a)]
    }),
  )

describe('pieces that meet', () => {
  it('become closed outlines, in whatever order and direction they come', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 40 }),
        fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })),
        (cuts, dice) => {
          const pieces = [...circle(0, 50, cuts), ...circle(300, 80, cuts)]
            .map((piece) => ({
              piece: (dice.next().value as number) < 0.5 ? piece : [...piece].reverse(),
              at: dice.next().value as number,
            }))
            .sort((a, b) => a.at - b.at)
            .map(({ piece }) => piece)
          const areas = chained(pieces)
            .map((p) => Math.abs(signedArea(p)))
            .sort((a, b) => a - b)
          const whole = (r: number) => 0.5 * r * r * 4 * cuts * Math.sin((2 * Math.PI) / (4 * cuts))
          expect(areas).toHaveLength(2)
          expect(areas[0]).toBeCloseTo(whole(50), 6)
          expect(areas[1]).toBeCloseTo(whole(80), 6)
        },
      ),
      { numRuns: 60 },
    )
  })
  it('meet across a small gap and not across a wide one', () => {
    const open = (gap: number): Point[][] => [
      [
        [0, 0],
        [100, 0],
        [100, 60],
      ],
      [
        [100, 60 + gap],
        [0, 60],
        [0, 0],
      ],
    ]
    expect(chained(open(0.2))).toHaveLength(1)
    expect(chained(open(0.5))).toHaveLength(0)
  })
  it('twenty thousand loose lines take no time worth waiting for, and are no outline', () => {
    const loose = Array.from({ length: 20_000 }, (_, i): Point[] => [
      [i * 3, 0],
      [i * 3 + 1, 5],
    ])
    const long = Array.from({ length: 20_000 }, (_, i): Point[] => [
      [Math.cos(i / 3183.1) * 9000, Math.sin(i / 3183.1) * 9000],
      [Math.cos((i + 1) / 3183.1) * 9000, Math.sin((i + 1) / 3183.1) * 9000],
    ])
    expect(chained(loose)).toEqual([])
    expect(chained(long).length).toBeLessThanOrEqual(1)
  })
})
