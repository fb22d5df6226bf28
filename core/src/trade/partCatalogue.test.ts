import { describe, expect, it } from 'vitest'
import { pairOfEachStyle } from '../../test/warmAndCold.ts'
import { planPair } from '../plan/planPair.ts'
import { familyOf, kindOf } from './partCatalogue.ts'
import { keptCache } from '../../test/keptCache.ts'

describe('the catalogue of parts', () => {
  it('reads what a part is off its id, whichever side it is on', () => {
    expect(kindOf('quarterLining.medial')).toBe('quarterLining')
    expect([familyOf('quarterLining.medial'), familyOf('quarter.medial')]).toEqual(['lining', 'upper'])
    expect(familyOf('lining.piece-3')).toBe('lining')
    // Not by likeness: neither is a quarter.
    expect([kindOf('quarterdeck'), kindOf('constructor'), kindOf('')]).toEqual([null, null, null])
  })
  it('takes a piece that the maker named for one of the upper', () => {
    expect([kindOf('piece-1'), familyOf('piece-1')]).toEqual([null, 'upper'])
  })
  const cache = keptCache()
  it.each(Object.entries(pairOfEachStyle))('knows every part of a pair: %s', (style, input) => {
    const plan = planPair(input, cache)
    const named = style === 'own pattern' ? /^piece-/ : /^$/
    const ids = [...plan.parts, ...plan.upper.pieces].map((p) => p.id).concat(plan.layers.areas.map((a) => a.part))
    expect(ids.filter((id) => kindOf(id) === null && !named.test(id))).toEqual([])
    // What lies under an upper is never taken for one.
    expect(plan.parts.filter((p) => familyOf(p.id) === 'upper').map((p) => p.id)).toEqual([])
  })
  it.each(Object.entries(pairOfEachStyle))('gives every figure of a part an id of its own: %s', (_, input) => {
    const plan = planPair(input, cache)
    for (const { id, becauses, findings } of plan.parts) {
      expect(new Set(becauses.map((b) => b.id)).size, `${id}: ${becauses.map((b) => b.id).join()}`).toBe(
        becauses.length,
      )
      expect(new Set(findings.map((f) => f.id)).size, id).toBe(findings.length)
    }
    const { becauses } = plan.upper
    expect(new Set(becauses.map((b) => b.id)).size, becauses.map((b) => b.id).join()).toBe(becauses.length)
  })
})
