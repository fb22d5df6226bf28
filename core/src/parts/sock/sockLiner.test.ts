import { describe, expect, it } from 'vitest'
import { corkId, sampleMeasures, samplePair } from '../../../test/samplePair.ts'
import { boxOf, contains } from '../../geometry/path.ts'
import type { Plan } from '../../plan/plan.ts'
import { planPair } from '../../plan/planPair.ts'
import type { Part } from '../../trade/part.ts'
import { keptCache } from '../../../test/keptCache.ts'

const cache = keptCache(16)
const materials = { ...samplePair().decisions.materials, padding: corkId }
const plan = (sock: { extent?: 'full' | 'half' | 'heel'; padding?: 'none' | 'heel pad' | 'half' | 'full' }) =>
  planPair(samplePair({ sock, materials }), cache)
const part = (p: Plan, id: string): Part => {
  const found = p.parts.find((x) => x.id === id)
  if (!found) throw new Error(`no ${id}`)
  return found
}
const covered = (p: Plan) => part(p, 'padding').findings.find((f) => f.id === 'padding.covered')
const L = sampleMeasures.walking.length

describe('a sock that is not whole', () => {
  const [whole, half, heel] = (['full', 'half', 'heel'] as const).map((extent) => part(plan({ extent }), 'sock'))
  it('is the back of the whole one, cut off at its share of the last and skived to nothing there', () => {
    for (const [one, share] of [
      [half, 0.58],
      [heel, 0.34],
    ] as const) {
      const front = one!.becauses.find((b) => b.quantity === 'Front edge from the heel back')?.value
      expect(front).toBeCloseTo(share * L, 9)
      // Flat, a little more than upright over the last: the waist slopes.
      const reach = boxOf(one!.outline).maxX
      expect(reach).toBeGreaterThan(share * L - 4)
      expect(reach).toBeLessThan(share * L + 8)
      expect(boxOf(one!.outline).minX).toBeCloseTo(boxOf(whole!.outline).minX, 6)
      for (const [x, y] of one!.outline)
        expect(contains(whole!.outline, [x + (x < 50 ? 0.01 : -0.01), y * 0.999])).toBe(true)
      expect(one!.skives).toHaveLength(1)
      expect(one!.skives[0]!.profile).toEqual([
        [0, 0],
        [8, one!.thickness],
      ])
    }
    expect(whole!.skives).toEqual([])
    expect(half!.name).toBe('Half sock liner')
  })
  it('ends behind the joint line, where an edge would be walked on', () => {
    const joint = half!.lines.find((l) => l.kind === 'crease')?.path ?? []
    expect(boxOf(half!.outline).maxX).toBeLessThan(Math.min(...joint.map((p) => p[0])))
  })
  it('covers its padding, or says that it lies bare: provoked, then cured either way', () => {
    expect(covered(plan({ extent: 'half', padding: 'half' }))?.level).toBe('fine')
    expect(covered(plan({ extent: 'heel', padding: 'heel pad' }))?.level).toBe('fine')
    expect(covered(plan({ extent: 'heel', padding: 'half' }))?.level).toBe('stop')
    expect(covered(plan({ extent: 'half', padding: 'full' }))?.level).toBe('stop')
    expect(covered(plan({ padding: 'full' }))).toBeUndefined()
  })
  it('has its skive among the steps, before it is fitted; a whole one has not', () => {
    const ids = plan({ extent: 'half' }).steps.map((o) => o.id)
    expect(ids.indexOf('skive-sock')).toBeGreaterThan(ids.indexOf('cut-sock'))
    expect(ids.indexOf('fit-sock')).toBeGreaterThan(ids.indexOf('skive-sock'))
    expect(plan({}).steps.some((o) => o.id === 'skive-sock')).toBe(false)
  })
})
