import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { simulateGap } from './gapSimulation.ts'

const even = (length: number, thickness: number, surplus: number) =>
  simulateGap({ length, thickness: [thickness], surplus: [surplus] })

describe('a strip of margin drawn inwards over the feather', () => {
  it('shrinks round a ring by what a ring asks for: 2 pi d altogether, whatever its radius and however many tacks', () => {
    for (const [radius, depth, tacks] of [
      [25, 6, 8],
      [40, 6, 30],
      [80, 4, 5],
    ] as const) {
      const gap = even((2 * Math.PI * radius) / tacks, 1.4, depth / radius)
      expect(tacks * (gap.taken + gap.tuck)).toBeCloseTo(2 * Math.PI * depth, 9)
    }
  })
  it('closes up by Euler’s strain before it leaves the plane, and what it rises swallows what is left', () => {
    for (const s of [6, 10, 18, 30]) {
      for (const t of [0.8, 1.4, 2.6]) {
        const euler = (Math.PI ** 2 * t ** 2) / (3 * s)
        const gap = even(s, t, (2 * euler) / s)
        expect(gap.taken / euler).toBeCloseTo(1, 2)
        const rises = (2 / Math.PI) * Math.sqrt(s * gap.tuck)
        expect(gap.rises / rises).toBeCloseTo(1, 2)
      }
    }
  })
  it('lies flat while it is short enough, and on straights and hollows altogether', () => {
    const short = even(5, 1.5, 0.2)
    expect(short).toMatchObject({ tuck: 0, rises: 0 })
    expect(short.taken).toBeCloseTo(1, 9)
    expect(even(30, 1.5, 0)).toEqual({ taken: 0, tuck: 0, rises: 0 })
    expect(even(30, 1.5, -0.1)).toEqual({ taken: 0, tuck: 0, rises: 0 })
  })
  it('of uneven thickness takes between what its thinnest and its thickest would; thicker nowhere takes less', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.6, max: 2.4, noNaN: true }), { minLength: 2, maxLength: 9 }),
        fc.double({ min: 6, max: 30, noNaN: true }),
        (thickness, length) => {
          const of = (t: readonly number[]) => simulateGap({ length, thickness: t, surplus: [1] }).taken
          const taken = of(thickness)
          const [thin, thick] = [Math.min(...thickness), Math.max(...thickness)]
          // The bound is on the force; what it shortens goes by the softness of each piece.
          expect(taken).toBeLessThanOrEqual((thick ** 3 / thin ** 3) * of([thin]) + 1e-9)
          expect(taken).toBeGreaterThanOrEqual((thin ** 3 / thick ** 3) * of([thick]) - 1e-9)
          expect(of([...thickness].reverse()) / taken).toBeCloseTo(1, 1)
        },
      ),
      { numRuns: 60 },
    )
  })
  it('is the same leather at any scale', () => {
    const one = even(12, 1.5, 0.15)
    const two = even(24, 3, 0.15)
    expect(two.taken).toBeCloseTo(2 * one.taken, 9)
    expect(two.rises).toBeCloseTo(2 * one.rises, 9)
  })
})
