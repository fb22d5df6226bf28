import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { paceOf, type Done } from './pace.ts'

/** A stream of figures with a known spread: took = planned x factor x e^(0.2 z), z of a normal distribution. */
function log(factor: number, n: number, seed: number): Done[] {
  let s = seed
  const random = () => {
    s = (Math.imul(s, 1664525) + 1013904223) >>> 0
    return (s + 1) / 2 ** 32
  }
  return Array.from({ length: n }, () => {
    const z = Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random())
    const planned = 5 + 40 * random()
    return { key: 'sew', planned, took: planned * factor * Math.exp(0.2 * z) }
  })
}

describe('minutes learned from the log', () => {
  it('nothing done is nothing learned, and one time is a hint only', () => {
    expect(paceOf([])).toEqual({})
    expect(paceOf([{ key: 'a', planned: 10, took: 20 }])).toEqual({ a: { factor: 2 ** (1 / 4), times: 1 } })
  })
  it('come to the truth as the log grows', () => {
    for (const factor of [0.6, 1, 1.8]) {
      const off = [3, 12, 60, 400].map((n) => {
        const runs = [1, 2, 3, 4, 5, 6, 7, 8].map((seed) =>
          Math.abs(Math.log(paceOf(log(factor, n, 77 * seed)).sew!.factor / factor)),
        )
        return runs.reduce((a, b) => a + b, 0) / runs.length
      })
      expect(off[3]).toBeLessThan(0.02)
      if (factor !== 1) expect(off[3]).toBeLessThan(off[0]!)
      expect(off[2]).toBeLessThan(0.08)
    }
  })
  it('are moved by a fifth of wild figures no more than by their place in the row', () => {
    const clean = log(1.3, 50, 5)
    const wild = clean.map((d, i) => (i % 5 === 0 ? { ...d, took: d.planned * 5 } : d))
    const drift = Math.log(paceOf(wild).sew!.factor / paceOf(clean).sew!.factor)
    // A mean of the same figures would be off by a fifth of ln(5 / 1.3): 0.27.
    expect(Math.abs(drift)).toBeLessThan(0.1)
  })
  it('a clock that was forgotten over night is not learned at all', () => {
    const clean = log(1.2, 20, 9)
    expect(paceOf([...clean, { key: 'sew', planned: 10, took: 900 }])).toEqual(paceOf(clean))
  })
  it('does not depend on the order, nor on what other steps took, nor on the unit', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: 1, max: 60, noNaN: true }), fc.double({ min: 1, max: 60, noNaN: true })), {
          minLength: 1,
          maxLength: 12,
        }),
        (pairs) => {
          const done = pairs.map(([planned, took]) => ({ key: 'x', planned, took }))
          const whole = paceOf(done)
          expect(paceOf([...done].reverse())).toEqual(whole)
          expect(paceOf([...done, { key: 'y', planned: 1, took: 2 }]).x).toEqual(whole.x)
          const seconds = paceOf(done.map((d) => ({ ...d, planned: 60 * d.planned, took: 60 * d.took })))
          if (whole.x) expect(seconds.x!.factor).toBeCloseTo(whole.x.factor, 9)
        },
      ),
    )
  })
})
