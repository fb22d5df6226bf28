import { describe, expect, it } from 'vitest'
import { samplePair } from '../../test/samplePair.ts'
import { hausdorffDistance } from '../geometry/hausdorff.ts'
import { cardOf } from './cardOf.ts'
import { planPair } from './planPair.ts'
import { keptCache } from '../../test/keptCache.ts'

describe('the card of a pair', () => {
  const plan = planPair(samplePair(), keptCache())
  const card = cardOf(plan)
  it('shows the insole and the stiffener as they are, to what a small picture can show', () => {
    expect(card.shapes.map((s) => s.id).sort()).toEqual(['insole', 'stiffener'])
    for (const shape of card.shapes) {
      const part = plan.parts.find((p) => p.id === shape.id)
      expect(hausdorffDistance(shape.outline, part?.outline ?? [])).toBeLessThan(1)
    }
  })
  it('has every step in working order and the gravest finding, and is small', () => {
    expect(card.steps.map((s) => s.id)).toEqual(plan.steps.map((o) => o.id))
    expect(card.worst).toBe(plan.worst)
    expect(JSON.stringify(card).length).toBeLessThan(6_000)
  })
})
