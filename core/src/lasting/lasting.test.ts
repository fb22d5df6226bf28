import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { samplePair } from '../../test/samplePair.ts'
import { pairOfEachStyle } from '../../test/warmAndCold.ts'
import { pathLength, signedArea } from '../geometry/path.ts'
import { offset } from '../geometry/polygonClip.ts'
import { traitsOf } from '../model/construction.ts'
import { WorkDecisions } from '../model/work.ts'
import type { PlanInput } from '../model/pair.ts'
import type { Plan } from '../plan/plan.ts'
import { planPair } from '../plan/planPair.ts'
import { spoken } from '../units/sentence.ts'

const cache = keptCache(24)

describe('how a pair is lasted', () => {
  it.each(Object.entries(pairOfEachStyle))('%s: each thing that is turned under has its own tacks', (_, input) => {
    const plan = planPair(input, cache)
    const { strips } = plan.lasting
    const { outwards } = traitsOf(input.decisions.construction)
    expect(strips.some((s) => s.id === 'upper')).toBe(!outwards)
    expect(strips.map((s) => s.id)).toEqual(
      ['lining', 'stiffener', 'sideLining', 'puff', 'upper'].filter((id) => strips.some((s) => s.id === id)),
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
  it('tacks a side linings’ edge where it is turned under, and none that ends at the feather', () => {
    const first = samplePair({ work: WorkDecisions.parse({ ways: { lasting: 'lining first' } }) })
    const turned = (by: number) => planPair({ ...first, houseRules: { 'sideLining.turnUnder': by } }, cache)
    const strip = (plan: Plan, id: string) => plan.lasting.strips.find((s) => s.id === id)
    const [flush, under] = [turned(0), turned(14)]
    expect(strip(flush, 'sideLining')).toBeUndefined()
    const side = strip(under, 'sideLining')!
    // From inside the stiffener to inside the puff on both sides: each row has its two ends.
    expect(side.tacks.filter((t) => t.anchor === 'end')).toHaveLength(4)
    const reach = side.zones.reduce((sum, z) => sum + z.run, 0)
    // Cut wider by just that along the feather, and so much less lies bare under the insole.
    const area = (plan: Plan) =>
      plan.parts.filter((p) => p.id.startsWith('sideLining.')).reduce((sum, p) => sum + signedArea(p.outline), 0)
    expect((area(under) - area(flush)) / (14 * reach)).toBeCloseTo(1, 1)
    // The upper over it has more to go round: less of it lies flat, by the bend round one more layer.
    const flat = (plan: Plan) =>
      Math.min(
        ...strip(plan, 'upper')!
          .zones.filter((z) => z.zone === 'waist')
          .map((z) => z.flat),
      )
    expect(flat(under)).toBeLessThan(flat(flush))
    const step = (plan: Plan, id: string) => plan.steps.find((s) => s.id === id)!
    const driven = step(under, 'set-side-linings.left').stuff.find((s) => s.name === 'Tacks')
    expect(driven?.amount).toBe(side.tacks.length)
    expect(step(flush, 'set-side-linings.left').stuff.some((s) => s.name === 'Tacks')).toBe(false)
  })
  it('what is slipped in beside the upper has no tacks of its own; over a lasted lining it is held and bared before the upper', () => {
    const ways = (lasting: 'lining first' | 'together at the back') =>
      planPair(
        {
          ...samplePair({ work: WorkDecisions.parse({ ways: { lasting } }) }),
          houseRules: { 'stiffener.turnUnder': 12 },
        },
        cache,
      )
    const stiff = (plan: Plan) => plan.lasting.strips.find((s) => s.id === 'stiffener')!
    const puff = (plan: Plan) => plan.lasting.strips.find((s) => s.id === 'puff')!
    const bare = (plan: Plan) => plan.steps.find((s) => s.id === 'bare-shells.right')!
    const [together, first] = [ways('together at the back'), ways('lining first')]
    expect([stiff(together).isInside, stiff(first).isInside]).toEqual([true, false])
    expect([puff(together).isInside, puff(first).isInside]).toEqual([false, false])
    const count = (plan: Plan) => Number(/^(\d+) tacks counted back/.exec(spoken(bare(plan).look[0]!))![1])
    expect(count(together)).toBe(puff(together).tacks.length)
    expect(count(first)).toBe(puff(first).tacks.length + stiff(first).tacks.length)
    for (const plan of [together, first]) {
      const at = plan.steps.findIndex((s) => s.id === 'bare-shells.right')
      expect(at).toBeGreaterThan(plan.steps.findIndex((s) => s.id === 'set-puff.right'))
      expect(at).toBeLessThan(plan.steps.findIndex((s) => s.id === 'cement-margin.right'))
    }
  })
  it('asks whether hands find hold of a heavy upper, and offers the margin that they need', () => {
    const grip = (thickness: number, pull: 'by hand' | 'by machine', rules: Record<string, number> = {}) => {
      const input = samplePair({ work: WorkDecisions.parse({ ways: { pull } }) })
      const plan = planPair(
        {
          ...input,
          houseRules: { 'upper.lastingMargin': 18, ...rules },
          materials: input.materials.map((m) => (m.id === input.decisions.materials.upper ? { ...m, thickness } : m)),
        },
        cache,
      )
      return plan.lasting.strips.find((s) => s.id === 'upper')!.findings.find((f) => f.id === 'lasting.grip')!
    }
    expect(grip(1.4, 'by hand')).toMatchObject({ level: 'fine', limit: 12, measured: 18 })
    const heavy = grip(2.6, 'by hand')
    expect(heavy).toMatchObject({ level: 'watch', limit: 30, remedy: { key: 'upper.lastingMargin', value: 30 } })
    expect(grip(2.6, 'by machine')).toMatchObject({ level: 'fine', limit: 12 })
    expect(grip(2.6, 'by hand', { 'upper.lastingMargin': 30 })).toMatchObject({ level: 'fine', limit: 30 })
    const wide = grip(1.4, 'by hand', { 'upper.leastMargin': 20 })
    expect(wide).toMatchObject({ level: 'watch', limit: 20, remedy: { value: 20 } })
  })
  it('says of a tuck that stays what halves it, and what its edge may do', () => {
    // Tacks far apart in leather that gives little: tucks stay.
    const dense = { 'lasting.closest': 10, 'lasting.takes': 0.3, 'lasting.flat': 10 }
    const said = (input: PlanInput, id: string) => {
      const strip = planPair({ ...input, houseRules: dense }, cache).lasting.strips.find((s) => s.id === id)!
      const worst = strip.between.reduce((a, b) => (b.tuck > a.tuck ? b : a))
      expect(worst.tuck).toBeGreaterThan(0.2)
      const mend = spoken(strip.findings.find((f) => f.id === `lasting.tuck.${id}`)!.mend)
      expect(mend).toContain(`Make two small tucks of it, ${(worst.tuck / 2).toFixed(2)} mm each`)
      return mend
    }
    expect(said(samplePair(), 'upper')).toContain('a wider margin is drawn further')
    expect(said(samplePair(), 'puff')).toMatch(/folds smaller\.$/)
  })
})
