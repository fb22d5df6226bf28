import { describe, expect, it } from 'vitest'
import { samplePair } from '../../test/samplePair.ts'
import { boxOf, distance } from '../geometry/path.ts'
import { planPair } from './planPair.ts'
import { gradedUpper, type GradedUpper } from './gradedUpper.ts'
import { spoken } from '../units/sentence.ts'
import { keptCache } from '../../test/keptCache.ts'

const cache = keptCache()
const input = samplePair()
const at = (sizes: number): Extract<GradedUpper, { problem: null }> => {
  const run = gradedUpper(input, sizes, 'paris', 'kept', cache)
  if (run.problem !== null) throw new Error(spoken(run.problem))
  return run
}
const quarter = (g: ReturnType<typeof at>) => {
  const p = g.pieces.find((x) => x.id === 'quarter.lateral')
  if (!p) throw new Error('A derby has quarters.')
  return p
}

describe('the upper through the size run', () => {
  it('the size itself is the pattern as planned', () => {
    const plan = planPair(input, cache)
    for (const p of at(0).pieces) {
      const planned = plan.upper.pieces.find((x) => x.id === p.id)
      expect(p.outline).toHaveLength(planned?.outline.length ?? -1)
      p.outline.forEach((q, i) => expect(distance(q, planned?.outline[i] ?? [NaN, NaN])).toBeLessThan(1e-9))
    }
  })
  it('grows with the last, evenly, and every size has the same pieces', () => {
    const [down, here, up] = [at(-1), at(0), at(1)]
    expect(up.length - here.length).toBeCloseTo(20 / 3, 1)
    const width = (g: ReturnType<typeof at>) => {
      const b = boxOf(quarter(g).net)
      return b.maxX - b.minX
    }
    const [a, b] = [width(here) - width(down), width(up) - width(here)]
    // A quarter takes a little more than half of the length, so of the step as well.
    expect(b).toBeGreaterThan(0.45 * (20 / 3))
    expect(b).toBeLessThan(0.8 * (20 / 3))
    expect(Math.abs(a - b)).toBeLessThan(0.6)
    expect(up.pieces.map((p) => p.id)).toEqual(down.pieces.map((p) => p.id))
  })
  it('a size that no last can have says why', () => {
    const far = gradedUpper(input, 30, 'paris', 'kept', cache)
    expect(spoken(far.problem ?? '')).toMatch(/which no last here can have|too far|cannot/)
  })
})
