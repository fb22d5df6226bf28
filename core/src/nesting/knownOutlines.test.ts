import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { jagged } from '../../test/jagged.ts'
import { counterClockwise, translate, type Path, type Point } from '../geometry/path.ts'
import { seeded } from '../geometry/random.ts'
import { KnownOutlines, type Likeness } from './knownOutlines.ts'

/** No two ways of laying it are the same. */
const lopsided = (seed: number): Path => translate(jagged(seeded(seed), 5 + (seed % 9), 80), 7, -3)
const begunAt = (path: Path, k: number): Path => [...path.slice(k % path.length), ...path.slice(0, k % path.length)]
/** The outline as the likeness says it, point by point. */
const asSaid = (path: Path, { flipped, turn }: Omit<Likeness, 'shape'>): Path =>
  counterClockwise(path.map(([x, y]): Point => [turn === 180 ? -x : x, (flipped ? -1 : 1) * (turn === 180 ? -y : y)]))

describe('an outline that is known', () => {
  it('is found again flipped, turned by half a turn, or begun at another corner, with how it lies', () => {
    const way = fc.record({ flipped: fc.boolean(), turn: fc.constantFrom(0 as const, 180 as const) })
    fc.assert(
      fc.property(fc.nat(), fc.nat(), way, (seed, k, how) => {
        const known = new KnownOutlines()
        const first = known.find(lopsided(seed))
        expect(first).toEqual({ shape: 0, flipped: false, turn: 0 })
        const another = known.find(lopsided(seed + 1))
        expect(another.shape).toBe(1)
        expect(known.find(begunAt(asSaid(lopsided(seed), how), k))).toEqual({ shape: 0, ...how })
      }),
      { numRuns: 100 },
    )
  })
  it('is another one where a corner lies elsewhere, or the whole does', () => {
    const known = new KnownOutlines()
    const outline = lopsided(3)
    known.find(outline)
    expect(known.find(outline.map(([x, y], i): Point => [x, i === 2 ? y + 0.001 : y])).shape).toBe(1)
    expect(known.find(outline.map(([x, y]): Point => [x + 10, y])).shape).toBe(2)
    expect(known.find(outline).shape).toBe(0)
  })
})
