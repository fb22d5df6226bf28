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
  it('of uneven thickness buckles no sooner than all thin, and no later than in any shape one may think of', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.6, max: 2.4, noNaN: true }), { minLength: 1, maxLength: 9 }),
        fc.double({ min: 6, max: 30, noNaN: true }),
        (thickness, length) => {
          const of = (t: readonly number[]) => simulateGap({ length, thickness: t, surplus: [2] }).taken
          // What it takes is the force times how soft it is.
          const force = of(thickness) / (length * (thickness.reduce((sum, t) => sum + 1 / t, 0) / thickness.length))
          const thin = Math.min(...thickness)
          expect(force).toBeGreaterThan((0.99 * Math.PI ** 2 * thin ** 3) / (3 * length ** 2))
          // Rayleigh: the energy of a raised cosine over what it tilts, summed finely, is never less than the least force.
          const at = (x: number) => {
            const p = Math.min(thickness.length - 1, Math.max(0, (x / length) * thickness.length - 0.5))
            const [a, b] = [thickness[Math.floor(p)]!, thickness[Math.ceil(p)]!]
            return a + (p - Math.floor(p)) * (b - a)
          }
          const k = (2 * Math.PI) / length
          let [bent, tilted] = [0, 0]
          for (let i = 0; i < 2000; i++) {
            const x = ((i + 0.5) / 2000) * length
            bent += (at(x) ** 3 / 12) * (k ** 2 * Math.cos(k * x)) ** 2
            tilted += (k * Math.sin(k * x)) ** 2
          }
          expect(force).toBeLessThan((1.01 * bent) / tilted)
          expect(of([...thickness].reverse()) / of(thickness)).toBeCloseTo(1, 6)
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
