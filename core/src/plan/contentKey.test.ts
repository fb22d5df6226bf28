import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contentKey } from './contentKey.ts'

describe('the key of a text', () => {
  it('is the same for the same text and another for one that differs in a single character', () => {
    fc.assert(
      fc.property(
        fc.string({ maxLength: 400 }),
        fc.nat(),
        fc.string({ minLength: 1, maxLength: 1 }),
        (text, at, other) => {
          expect(contentKey(text)).toBe(contentKey(`${text}`))
          const i = at % (text.length + 1)
          const changed = text.slice(0, i) + other + text.slice(i + 1)
          if (changed !== text) expect(contentKey(changed)).not.toBe(contentKey(text))
        },
      ),
    )
  })
  it('of two hundred thousand neighbouring documents no two meet, in none of their four parts', () => {
    const keys = Array.from({ length: 200_000 }, (_, i) =>
      contentKey(JSON.stringify({ length: 250 + i / 1000, heel: 25 })),
    )
    expect(new Set(keys).size).toBe(keys.length)
    // By the birthday bound some five pairs of 32-bit parts meet by chance.
    for (const part of [0, 8, 16, 24]) {
      expect(new Set(keys.map((k) => k.slice(part, part + 8))).size).toBeGreaterThan(keys.length - 25)
    }
  })
})
