import { expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { samplePair } from '../../test/samplePair.ts'
import { formeStage, lastStage } from '../plan/planPair.ts'
import { wallSides } from '../trade/side.ts'
import { strainAlong } from './strainAlong.ts'

const input = samplePair()
const map = formeStage(lastStage(input.last, keptCache()), input.decisions.upper.forme, keptCache())

it('strain by place holds the largest and the smallest of each rib, and of the whole side, heel to toe', () => {
  for (const side of wallSides) {
    const { at, stretch, crowding } = strainAlong(map.forme, side)
    const all = map.forme.strain[side]
    expect(at).toHaveLength(map.forme.columns)
    expect(Math.max(...stretch)).toBe(Math.max(...all))
    expect(Math.min(...crowding)).toBe(Math.min(...all))
    all.forEach((s, v) => {
      const i = Math.floor(v / map.forme.rows)
      expect(s).toBeLessThanOrEqual(stretch[i]!)
      expect(s).toBeGreaterThanOrEqual(crowding[i]!)
    })
    // The ribs follow each other from the heel back to the toe.
    expect(at[0]).toBeLessThan(0.1 * map.surface.length)
    expect(at.at(-1)).toBeGreaterThan(0.9 * map.surface.length)
  }
})

it('a sheet without strain says so everywhere', () => {
  const flat = {
    ...map.forme,
    strain: { lateral: new Float64Array(map.forme.strain.lateral.length), medial: map.forme.strain.medial },
  }
  const { stretch, crowding } = strainAlong(flat, 'lateral')
  expect([...stretch, ...crowding].every((s) => s === 0)).toBe(true)
})
