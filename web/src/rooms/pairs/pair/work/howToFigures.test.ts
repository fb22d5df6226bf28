import { howToCards } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { howToFigures } from './howToFigures.ts'

describe('drawings of techniques', () => {
  it('ten at least, each for a card that there is', () => {
    const ids = Object.keys(howToFigures)
    expect(ids.length).toBeGreaterThanOrEqual(10)
    expect(ids.filter((id) => !howToCards.some((c) => c.id === id))).toEqual([])
  })
  it('stay inside their frame', () => {
    for (const [id, figure] of Object.entries(howToFigures)) {
      for (const { d } of figure) {
        // Absolute points alone: what follows a capital letter that takes pairs.
        for (const [, pairs] of d.matchAll(/[MLC]([^A-Za-z]+)/g)) {
          const numbers = pairs!
            .trim()
            .split(/[\s,]+/)
            .map(Number)
          expect(numbers.every(Number.isFinite), `${id}: ${d}`).toBe(true)
          numbers.forEach((n, i) => {
            expect(n, id).toBeGreaterThanOrEqual(0)
            expect(n, id).toBeLessThanOrEqual(i % 2 === 0 ? 120 : 80)
          })
        }
      }
    }
  })
})
