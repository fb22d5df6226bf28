import { planPair, planUppers, setByHand, setRule, type Plan, type PlanInput } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { samplePair } from '../../../../core/test/samplePair.ts'
import { Receiver, type Parcel } from '../parcel.ts'
import { PlanSender } from './planSender.ts'
import { keptCache } from '../../../../core/test/keptCache.ts'

const base = samplePair()
const cache = keptCache(12)
const changed = (change: (d: PlanInput['decisions']) => PlanInput['decisions']): PlanInput => ({
  ...base,
  decisions: change(base.decisions),
})
/** As a message between threads: everything is another object on the other side. */
const sent = (parcel: Parcel): Parcel => structuredClone(parcel)
const weight = (parcel: Parcel) => JSON.stringify(parcel).length

describe('a plan between threads', () => {
  it('arrives whole, whatever changed in between and in whatever order', () => {
    const [sender, receiver] = [new PlanSender(), new Receiver<Plan>()]
    const inputs = [
      base,
      changed((d) => setByHand(d, 'puff.length', 55)),
      base,
      changed((d) => setRule(d, 'upper.lastingMargin', 22)),
      changed((d) => ({ ...d, construction: 'cemented' })),
      changed((d) => ({ ...d, insole: { covered: true } })),
      base,
    ]
    for (const input of inputs) {
      const plan = planPair(input, cache)
      expect(receiver.receive(sent(sender.send(plan)))).toEqual(plan)
    }
  })
  it('carries only what is another one: nothing twice, and little for a small change', () => {
    const [sender, receiver] = [new PlanSender(), new Receiver<Plan>()]
    const first = sender.send(planPair(base, cache))
    const shown = receiver.receive(sent(first))
    const same = sender.send(planPair(base, cache))
    expect(same.change).toBeNull()
    expect(receiver.receive(sent(same))).toBe(shown)
    const room = sender.send(
      planPair(
        changed((d) => setByHand(d, 'midsole.room', 7)),
        cache,
      ),
    )
    expect(weight(room)).toBeLessThan(weight(first) / 10)
    const after = receiver.receive(sent(room))
    expect(after.upper).toBe(shown.upper)
    expect(after.layers).toBe(shown.layers)
  })
  it('leaves parts and steps that a slider does not touch the very same ones, though they were made anew', () => {
    const [sender, receiver] = [new PlanSender(), new Receiver<Plan>()]
    const shown = receiver.receive(sent(sender.send(planPair(base, cache))))
    const longer = planPair(
      changed((d) => setByHand(d, 'puff.length', 55)),
      cache,
    )
    const after = receiver.receive(sent(sender.send(longer)))
    const other = after.parts.filter((part, i) => part !== shown.parts[i]).map((part) => part.id)
    expect(other).toContain('puff')
    for (const [i, part] of after.parts.entries()) {
      const alike = JSON.stringify(part) === JSON.stringify(shown.parts[i])
      expect(part === shown.parts[i], part.id).toBe(alike)
    }
    expect(after.steps.filter((step, i) => step === shown.steps[i]).length).toBeGreaterThan(after.steps.length * 0.8)
  })
  it('lets the uppers go ahead, once: the plan that follows does not carry them again', () => {
    const [sender, receiver] = [new PlanSender(), new Receiver<Plan>()]
    receiver.receive(sent(sender.send(planPair(base, cache))))
    const input = changed((d) => ({ ...d, upper: { ...d.upper, points: { 'ankle:both': [0.24, 0.42] } } }))
    const uppers = planUppers(input, cache)
    const ahead = sender.ahead(uppers)
    const shown = ahead && receiver.receive(sent(ahead))
    expect(shown?.upper).toEqual(uppers.right)
    expect(sender.ahead(uppers)).toBeNull()
    const plan = planPair(input, cache)
    expect(plan.upper).toBe(uppers.right)
    const after = receiver.receive(sent(sender.send(plan)))
    expect(after).toEqual(plan)
    expect(after.upper).toBe(shown?.upper)
  })
  it('has no uppers ahead of the first plan, nor of one with another number of feet', () => {
    const sender = new PlanSender()
    const { upper } = planPair(base, cache)
    expect(sender.ahead({ right: upper, left: null })).toBeNull()
    sender.send(planPair(base, cache))
    expect(sender.ahead({ right: upper, left: upper })).toBeNull()
  })
  it('that builds on one that never came is an error, not a hole in the plan', () => {
    const sender = new PlanSender()
    sender.send(planPair(base, cache))
    expect(() => new Receiver<Plan>().receive(sender.send(planPair(base, cache)))).toThrow(
      /Parcel 1 came, but 0 did not/,
    )
  })
})
