import { describe, expect, it } from 'vitest'
import { boardId, samplePair } from '../../../test/samplePair.ts'
import { pathLength, signedArea } from '../../geometry/path.ts'
import { planPair } from '../../plan/planPair.ts'
import type { Part } from '../../trade/part.ts'
import { keptCache } from '../../../test/keptCache.ts'

const cache = keptCache()
const bare = samplePair({ construction: 'cemented' })
const materials = { ...bare.decisions.materials, insole: boardId }
const planned = (covered: boolean, foam = 1.5) =>
  planPair(
    samplePair({ construction: 'cemented', materials, insole: { covered }, rules: { 'bottom.coverFoam': foam } }),
    cache,
  )
const part = (parts: readonly Part[], id: string) => {
  const found = parts.find((p) => p.id === id)
  if (!found) throw new Error(`no ${id} among ${parts.map((p) => p.id).join(', ')}`)
  return found
}

describe('a covered insole', () => {
  it('has foam to its outline and a cover that is turned round it, and no sock over them', () => {
    const { parts } = planned(true)
    const [insole, foam, cover] = ['insole', 'insoleFoam', 'insoleCover'].map((id) => part(parts, id))
    expect(foam!.outline).toEqual(insole!.outline)
    // What is turned all round at an even width adds width times length, and the corners' full turn.
    const turn = cover!.becauses.find((b) => b.quantity === 'Turned round the edge')?.value ?? 0
    expect(turn).toBeGreaterThan(5)
    const area = (p: Part) => Math.abs(signedArea(p.outline))
    const wanted = turn * pathLength([...insole!.outline, insole!.outline[0]!]) + Math.PI * turn * turn
    expect(Math.abs(area(cover!) - area(insole!) - wanted)).toBeLessThan(0.02 * wanted)
    expect(parts.map((p) => p.id)).not.toContain('sock')
    expect(planned(false).parts.map((p) => p.id)).toContain('sock')
  })
  it('takes room from the foot by what lies on it: each mm of foam as much as the one before', () => {
    const lost = [1, 2, 3].map(
      (foam) =>
        part(planned(true, foam).parts, 'insoleCover').becauses.find((b) => b.quantity.endsWith('lost at the joint'))
          ?.value ?? NaN,
    )
    const [second, third] = [lost[1]! - lost[0]!, lost[2]! - lost[1]!]
    // A mm under a foot of some 80 mm takes 1.5 to 2.5 mm of its girth: both walls, and the bottom is narrower below.
    expect(second).toBeGreaterThan(1)
    expect(second).toBeLessThan(3)
    expect(third).toBeCloseTo(second, 0)
  })
})
