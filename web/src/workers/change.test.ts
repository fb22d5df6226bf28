import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { changeBetween, changed } from './change.ts'

/** Plain data as plans are made of: short lists, so that neighbours are often alike. */
const { value } = fc.letrec((tie) => ({
  value: fc.oneof(
    { maxDepth: 4 },
    fc.integer({ min: 0, max: 3 }),
    fc.constantFrom('toe', 'heel', null, undefined, NaN, true),
    fc.array(tie('value'), { maxLength: 4 }),
    fc.dictionary(fc.constantFrom('a', 'b', 'c'), tie('value'), { maxKeys: 3, noNullPrototype: true }),
    fc.array(fc.tuple(fc.integer({ max: 2 }), fc.integer({ max: 2 })), { maxLength: 3 }),
  ),
}))

describe('a change between two values', () => {
  it('makes the second out of the first, on the other side of a message, and leaves the first as it was', () => {
    fc.assert(
      fc.property(value, value, (old, next) => {
        const before = structuredClone(old)
        const there = structuredClone(changeBetween(old, next))
        expect(changed(old, there)).toStrictEqual(next)
        expect(old).toStrictEqual(before)
      }),
      { numRuns: 2000 },
    )
  })
  it('is none for what has the same content, and then the old object stays', () => {
    fc.assert(
      fc.property(value, (v) => {
        expect(changeBetween(v, structuredClone(v))).toBeNull()
        expect(changed(v, null)).toBe(v)
      }),
    )
  })
  it('names only the entries that are others, and keeps the neighbours as they are', () => {
    const old = { name: 'puff', lines: [{ at: [[0, 0]] }, { at: [[1, 1]] }], left: { grain: 90 } }
    const next = { name: 'puff', lines: [{ at: [[0, 0]] }, { at: [[1, 2]] }], left: { grain: 90 } }
    const change = changeBetween(old, next)
    expect(change).toEqual({ in: [['lines', { in: [[1, { in: [['at', { points: Float64Array.of(1, 2) }]] }]] }]] })
    const after = changed(old, change) as typeof old
    expect(after.left).toBe(old.left)
    expect(after.lines[0]).toBe(old.lines[0])
    expect(after.lines[1]).not.toBe(old.lines[1])
  })
  it('shortens and lengthens lists', () => {
    const old = [{ a: 1 }, { a: 2 }, { a: 3 }]
    const shorter = changed(old, changeBetween(old, [{ a: 1 }, { a: 5 }])) as typeof old
    expect(shorter).toEqual([{ a: 1 }, { a: 5 }])
    expect(shorter[0]).toBe(old[0])
    expect(changed(old, changeBetween(old, [...old, { a: 4 }]))).toEqual([...old, { a: 4 }])
  })
  it('of entries is refused where nothing has entries', () => {
    expect(() => changed(3, { in: [['a', { put: 1 }]] })).toThrow(/has none/)
  })
})
