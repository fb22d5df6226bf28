import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { samplePair } from '../../test/samplePair.ts'
import type { Made } from '../model/made.ts'
import { cuttingList } from './cuttingList.ts'
import { cutTicks } from './cutTick.ts'
import { planPair } from './planPair.ts'
import { makeables } from './remake.ts'

const cache = keptCache(24)
const input = samplePair()
const plan = planPair(input, cache)
const pieces = cuttingList(input, plan).flatMap((g) => g.pieces)
const cutOf = (part: string, at = '2026-11-02T09:00:00.000Z'): Made => ({
  ...makeables(plan).find((m) => m.part === part)!,
  how: 'cut',
  revision: 1,
  at,
})
const { rules } = input.decisions
const wider = planPair(
  { ...input, decisions: { ...input.decisions, rules: { ...rules, 'puff.turnUnder': 12 } } },
  cache,
)

describe('ticks of the cutting list', () => {
  it('are there for what was cut, with its time, and for nothing that was only printed', () => {
    const ticks = cutTicks(plan, [cutOf('puff'), { ...cutOf('stiffener'), how: 'printed' }], pieces, [])
    expect(ticks.get('puff')).toEqual({ state: 'cut', at: '2026-11-02T09:00:00.000Z', parts: ['puff'] })
    expect(ticks.get('stiffener')).toMatchObject({ state: 'to cut', at: null })
    expect([...ticks.values()].filter((t) => t.state === 'cut')).toHaveLength(1)
    // Every line can be ticked.
    expect([...ticks.values()].every((t) => t.parts.length > 0)).toBe(true)
  })
  it('say so when the shape has changed since, and are whole again when it is cut anew', () => {
    const before = cutOf('puff')
    const print = makeables(wider).find((m) => m.part === 'puff')!.print
    expect(print).not.toBe(before.print)
    expect(cutTicks(wider, [before], pieces, []).get('puff')!.state).toBe('cut otherwise')
    const anew = { ...before, print, at: '2026-11-03T09:00:00.000Z' }
    expect(cutTicks(wider, [before, anew], pieces, []).get('puff')).toMatchObject({ state: 'cut', at: anew.at })
  })
  it('are gone where a shoe was sent back for it, of one foot or of both, until it is cut once more', () => {
    const cut = [cutOf('puff'), cutOf('stiffener')]
    for (const part of ['puff', 'left.puff']) {
      const back = { parts: [{ part, name: 'Puff' }], reason: 'Torn', revision: 1, at: '2026-11-04T09:00:00.000Z' }
      const ticks = cutTicks(plan, cut, pieces, [back])
      expect(ticks.get('puff')!.state, part).toBe('to cut')
      expect(ticks.get('stiffener')!.state, part).toBe('cut')
      const again = cutTicks(plan, [...cut, cutOf('puff', '2026-11-05T09:00:00.000Z')], pieces, [back])
      expect(again.get('puff')!.state, part).toBe('cut')
    }
  })
})
