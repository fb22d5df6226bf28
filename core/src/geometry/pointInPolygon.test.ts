import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Inside } from './pointInPolygon.ts'
import { contains, type Path, type Point } from './path.ts'

const star = (radii: readonly number[]): Path =>
  radii.map((r, i): Point => {
    const a = (2 * Math.PI * i) / radii.length
    return [r * Math.cos(a), r * Math.sin(a)]
  })

describe('asking whether points lie inside', () => {
  it('answers as the plain test does, for any star and any point', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1, max: 100, noNaN: true }), { minLength: 3, maxLength: 60 }),
        fc.array(
          fc.tuple(fc.double({ min: -110, max: 110, noNaN: true }), fc.double({ min: -110, max: 110, noNaN: true })),
          {
            minLength: 20,
            maxLength: 40,
          },
        ),
        (radii, points) => {
          const path = star(radii)
          const inside = new Inside(path)
          for (const p of points) expect(inside.has(p)).toBe(contains(path, p))
        },
      ),
    )
  })
  it('knows nothing outside its box, and nothing of an outline without height', () => {
    const flat = new Inside([
      [0, 0],
      [10, 0],
      [20, 0],
    ])
    expect(flat.has([5, 0])).toBe(false)
    expect(new Inside(star([10, 10, 10, 10])).has([50, 0])).toBe(false)
  })
})
