import { planPair, planUppers, setByHand, setRule, type PlanInput } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { samplePair } from '../../../../core/test/samplePair.ts'
import { Packer, Unpacker, type Parcel } from './planParcel.ts'
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
    const [packer, unpacker] = [new Packer(), new Unpacker()]
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
      expect(unpacker.unpack(sent(packer.pack(plan)))).toEqual(plan)
    }
  })
  it('carries only what is another one: nothing twice, and little for a small change', () => {
    const [packer, unpacker] = [new Packer(), new Unpacker()]
    const first = packer.pack(planPair(base, cache))
    const shown = unpacker.unpack(sent(first))
    const same = packer.pack(planPair(base, cache))
    expect(same.fresh).toEqual([])
    expect(unpacker.unpack(sent(same)).upper).toBe(shown.upper)
    const room = packer.pack(
      planPair(
        changed((d) => setByHand(d, 'midsole.room', 7)),
        cache,
      ),
    )
    expect(weight(room)).toBeLessThan(weight(first) / 3)
    const after = unpacker.unpack(sent(room))
    expect(after.upper).toBe(shown.upper)
    expect(after.layers).toBe(shown.layers)
  })
  it('lets the uppers go ahead, once: the plan that follows does not carry them again', () => {
    const [packer, unpacker] = [new Packer(), new Unpacker()]
    unpacker.unpack(sent(packer.pack(planPair(base, cache))))
    const input = changed((d) => ({ ...d, upper: { ...d.upper, points: { 'ankle:both': [0.24, 0.42] } } }))
    const uppers = planUppers(input, cache)
    const ahead = packer.ahead(uppers)
    expect(ahead && unpacker.ahead(structuredClone(ahead))).toEqual(uppers)
    expect(packer.ahead(uppers)).toBeNull()
    const plan = planPair(input, cache)
    expect(plan.upper).toBe(uppers.right)
    const parcel = packer.pack(plan)
    expect(parcel.fresh.some(([, value]) => value === plan.upper)).toBe(false)
    expect(unpacker.unpack(sent(parcel))).toEqual(plan)
  })
  it('that names what never came is an error, not a hole in the plan', () => {
    const packer = new Packer()
    packer.pack(planPair(base, cache))
    expect(() => new Unpacker().unpack(packer.pack(planPair(base, cache)))).toThrow(/did not come/)
  })
})
