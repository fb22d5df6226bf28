import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { samplePair } from '../../test/samplePair.ts'
import { pairOfEachStyle } from '../../test/warmAndCold.ts'
import { boxOf, signedArea, type Path } from '../geometry/path.ts'
import { LeftShoe, type PlanInput } from '../model/pair.ts'
import { cuttingList } from './cuttingList.ts'
import { planPair } from './planPair.ts'

const cache = keptCache(24)
const list = (input: PlanInput) => {
  const plan = planPair(input, cache)
  return { plan, groups: cuttingList(input, plan) }
}
/** Bought, or laid in as a paste. */
const NOT_CUT = ['shank', 'cup', 'filler']
const area = (path: Path) => Math.abs(signedArea(path))

describe('a cutting list', () => {
  it.each(Object.entries(pairOfEachStyle))('has every piece and part once, for both feet: %s', (_, input) => {
    const { plan, groups } = list(input)
    const lines = groups.flatMap((g) => g.pieces)
    expect(new Set(lines.map((l) => l.record)).size).toBe(lines.length)
    const cut = plan.parts.filter((p) => !NOT_CUT.includes(p.id))
    expect(lines.map((l) => l.record).sort()).toEqual(
      [...plan.upper.pieces.map((p) => `upper.${p.id}`), ...cut.map((p) => p.id)].sort(),
    )
    // Both feet of all of it: what the plan says to cut for the pair, half of it for either foot.
    let [count, whole] = [0, 0]
    for (const foot of [plan, plan.left ?? plan]) {
      for (const p of foot.parts) {
        if (NOT_CUT.includes(p.id)) continue
        count += p.count / 2
        whole += (p.count / 2) * area(p.outline)
      }
      count += foot.upper.pieces.length
      for (const p of foot.upper.pieces) whole += area(p.outline)
    }
    expect(lines.reduce((sum, l) => sum + l.count, 0)).toBe(count)
    expect(groups.reduce((sum, g) => sum + g.area, 0)).toBeCloseTo(whole, 3)
  })
  it('goes by what each piece is cut from, the upper first', () => {
    const derby = samplePair()
    const other = { ...derby.materials[0]!, id: '01900000-0000-7000-8000-000000000295', name: 'Red calf' }
    const { groups } = list({
      ...derby,
      materials: [...derby.materials, other],
      decisions: { ...derby.decisions, pieceMaterials: { tongue: other.id } },
    })
    expect(groups[0]!.material).toBe('Brown calf')
    expect(groups[0]!.pieces.map((p) => p.id)).not.toContain('tongue')
    expect(groups.find((g) => g.material === 'Red calf')!.pieces.map((p) => p.id)).toEqual(['tongue'])
  })
  it('says which side lies up: as the stores have it, or as is usual for the kind', () => {
    const derby = samplePair()
    const { groups } = list(derby)
    const face = (name: string) => groups.find((g) => g.material === name)!.face
    expect(face('Brown calf')).toBe('grain up')
    const suede = derby.materials.map((m) => (m.name === 'Brown calf' ? { ...m, face: 'suede' as const } : m))
    expect(list({ ...derby, materials: suede }).groups[0]!.face).toBe('suede up')
    for (const m of derby.materials) {
      const group = groups.find((g) => g.material === m.name)
      if (group && ['cork', 'insole board'].includes(m.kind)) expect(group.face).toBe('either side up')
      if (group && m.kind.endsWith('leather')) expect(group.face).toBe('grain up')
    }
  })
  it('flips what is cut for the left foot, its tight direction with it', () => {
    const { groups } = list(samplePair())
    for (const piece of groups.flatMap((g) => g.pieces)) {
      const [left, right] = [piece.cuts.find((c) => c.foot === 'left')!, piece.cuts.find((c) => c.foot === 'right')!]
      expect(piece.mirrored).toBe(true)
      expect(Math.sin(((left.tight + right.tight) * Math.PI) / 180)).toBeCloseTo(0, 9)
      expect(left.arrow.to[0]).toBe(right.arrow.to[0])
      expect(left.arrow.to[1]).toBeCloseTo(-right.arrow.to[1], 12)
      const [l, r] = [boxOf(left.outline), boxOf(right.outline)]
      expect([l.minX, l.maxX, l.minY, l.maxY]).toEqual([r.minX, r.maxX, -r.maxY, -r.minY])
    }
  })
  it('says where the feet are cut each by its own outline, and what one foot has alone', () => {
    const derby = samplePair()
    const left = LeftShoe.parse({ figures: { 'stiffener.backHeight': 62 } })
    const { groups } = list({ ...derby, decisions: { ...derby.decisions, left } })
    const stiffener = groups.flatMap((g) => g.pieces).find((p) => p.id === 'stiffener')!
    expect(stiffener.mirrored).toBe(false)
    expect(area(stiffener.cuts[0]!.outline)).not.toBeCloseTo(area(stiffener.cuts[1]!.outline), 0)
  })
})
