import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { samplePair } from '../../test/samplePair.ts'
import { pairOfEachStyle } from '../../test/warmAndCold.ts'
import { pathLength } from '../geometry/path.ts'
import { offset } from '../geometry/polygonClip.ts'
import { traitsOf } from '../model/construction.ts'
import { planPair } from '../plan/planPair.ts'

const cache = keptCache(24)

describe('how a pair is lasted', () => {
  it.each(Object.entries(pairOfEachStyle))('%s: each thing that is turned under has its own tacks', (_, input) => {
    const plan = planPair(input, cache)
    const { strips } = plan.lasting
    const { outwards } = traitsOf(input.decisions.construction)
    expect(strips.some((s) => s.id === 'upper')).toBe(!outwards)
    expect(strips.map((s) => s.id)).toEqual(
      ['lining', 'stiffener', 'puff', 'upper'].filter((id) => strips.some((s) => s.id === id)),
    )
    // No tack where there is no leather to hold: what reaches under too little is pasted, and said to be.
    for (const { zones } of strips) for (const z of zones) expect(z.flat).toBeGreaterThanOrEqual(2)
    for (const id of plan.lasting.pasted) expect(strips.some((s) => s.id === id)).toBe(false)
    if (plan.parts.some((p) => p.id === 'stiffener'))
      expect(strips.some((s) => s.id === 'stiffener') || plan.lasting.pasted.includes('stiffener')).toBe(true)
    for (const { tacks, between, zones, tackLength, id } of strips) {
      expect(new Set(tacks.map((t) => t.number)).size).toBe(tacks.length)
      expect(zones.reduce((sum, z) => sum + z.tacks, 0)).toBe(tacks.length)
      for (const b of between) {
        expect(b.apart).toBeLessThan(30.3)
        expect(b.apart).toBeGreaterThan(4.4)
      }
      expect(tackLength.most).toBeGreaterThanOrEqual(tackLength.least)
      expect(tackLength.least).toBeGreaterThan(1)
      // Twisted shoes come of one side that is done first.
      const sides = tacks.slice(8).map((t) => t.side)
      const lead = sides.map((_, i) => sides.slice(0, i + 1).reduce((sum, s) => sum + (s === 'medial' ? 1 : -1), 0))
      if (id === 'upper') for (const l of lead) expect(Math.abs(l)).toBeLessThanOrEqual(4)
    }
  })
  it('shrinks by the length that a line inside the feather is shorter', () => {
    const plan = planPair(samplePair(), cache)
    const upper = plan.lasting.strips.find((s) => s.id === 'upper')!
    // A line 6 mm inside: shorter by 2 pi 6, but where the feather is hollow it is longer, and nothing shrinks.
    const insole = plan.parts.find((p) => p.id === 'insole')!.outline
    const shorter = pathLength(insole, true) - pathLength(offset(insole, -6), true)
    const surplus = upper.zones.reduce((sum, z) => sum + z.surplus, 0)
    expect(surplus).toBeGreaterThan(2 * Math.PI * 6 - 0.5)
    expect(surplus).toBeLessThan(shorter + 6)
  })
  it('takes the longer the more tacks there are: the steps of lasting follow', () => {
    const input = samplePair()
    const minutes = (given: typeof input, id: string) =>
      planPair(given, cache).steps.find((s) => s.id === id)!.minutes.value
    const { zones } = planPair(input, cache).lasting.strips.find((s) => s.id === 'upper')!
    const front = zones.filter((z) => z.zone === 'joint' || z.zone === 'toe').reduce((sum, z) => sum + z.tacks, 0)
    // Minutes are whole.
    expect(minutes(input, 'last-toe.right')).toBe(Math.round(14 + front * 0.6))
    const slow = { ...input, houseRules: { 'work.tackMinutes': 1.2 } }
    expect(minutes(slow, 'last-toe.right')).toBe(Math.round(14 + front * 1.2))
    const dense = { ...input, houseRules: { 'lasting.farthest': 15 } }
    expect(minutes(dense, 'last-back.left')).toBeGreaterThan(minutes(input, 'last-back.left'))
  })
  it('takes fewer tacks in thicker leather, and in a lining that is trimmed shorter', () => {
    const of = (some: Parameters<typeof samplePair>[0]) => planPair(samplePair(some), cache).lasting
    const input = samplePair()
    const thick = {
      ...input,
      materials: input.materials.map((m) =>
        m.id === input.decisions.materials.upper ? { ...m, thickness: m.thickness * 1.6 } : m,
      ),
    }
    const count = (lasting: ReturnType<typeof of>, id: string) => lasting.strips.find((s) => s.id === id)!.tacks.length
    const usual = planPair(input, cache).lasting
    expect(count(planPair(thick, cache).lasting, 'upper')).toBeLessThan(count(usual, 'upper'))
    const long = of({ lining: { ...input.decisions.lining, trim: 'long' } })
    expect(count(usual, 'lining')).toBeLessThan(count(long, 'lining'))
  })
})
