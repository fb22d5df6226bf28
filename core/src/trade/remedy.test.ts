import { describe, expect, it } from 'vitest'
import { samplePair } from '../../test/samplePair.ts'
import { LeftShoe, type PairDecisions } from '../model/pair.ts'
import { remedied, type Remedy } from './remedy.ts'

const right = samplePair({ upper: { points: { 'ankle:both': [0.2, 0.4] } } }).decisions
const both: PairDecisions = { ...right, left: LeftShoe.parse({ figures: { 'puff.length': 44 } }) }
const choice = (decisions: Extract<Remedy, { kind: 'choice' }>['decisions']): Remedy => ({
  kind: 'choice',
  name: 'x',
  decisions,
})

describe('a remedy', () => {
  it('sets a rule of the pair, whichever shoe is looked at', () => {
    const remedy: Remedy = { kind: 'rule', key: 'upper.lastingMargin', value: 21 }
    for (const left of [false, true]) {
      expect(remedied(both, remedy, left)).toEqual({ ...both, rules: { ...both.rules, 'upper.lastingMargin': 21 } })
    }
  })
  it('sets a figure by hand on the shoe that is looked at alone', () => {
    const remedy: Remedy = { kind: 'hand', decision: 'midsole.room', value: 7 }
    expect(remedied(both, remedy)).toEqual({ ...both, midsole: { room: 7 } })
    const onLeft = remedied(both, remedy, true)
    expect(onLeft.midsole).toEqual(both.midsole)
    expect(onLeft.left?.figures).toEqual({ 'puff.length': 44, 'midsole.room': 7 })
    // A left shoe that is the right one's mirror has nothing of its own.
    expect(remedied(right, remedy, true)).toEqual({ ...right, midsole: { room: 7 } })
  })
  it('changes what it names, however deep, and nothing beside it', () => {
    const next = remedied(both, choice({ upper: { points: { 'throat:both': [0.6, 0] } } }))
    expect(next.upper.points).toEqual({ 'ankle:both': [0.2, 0.4], 'throat:both': [0.6, 0] })
    expect({ ...next, upper: { ...next.upper, points: both.upper.points } }).toEqual(both)
  })
  it('chooses for the left shoe alone what it may have of its own, and for the pair all else', () => {
    const padded = remedied(both, choice({ sock: { padding: 'half' } }), true)
    expect([padded.sock, padded.left?.padding]).toEqual([both.sock, 'half'])
    const heeled = remedied(both, choice({ heel: { wedge: true, lifts: 2 } }), true)
    expect(heeled.heel).toEqual({ ...both.heel, wedge: true })
    expect(heeled.left?.figures).toEqual({ 'puff.length': 44, 'heel.lifts': 2 })
    const traced = remedied(both, choice({ lasted: { use: 'traced' } }), true)
    expect([traced.lasted.use, traced.left?.lasted.use]).toEqual(['predicted', 'traced'])
    expect(remedied(both, choice({ sock: { extent: 'half' } }), true).sock.extent).toBe('half')
  })
  it('that leads somewhere changes nothing, and one that cannot be is refused', () => {
    expect(remedied(both, { kind: 'open', control: { room: 'stores' } })).toBe(both)
    expect(() => remedied(both, choice({ upper: { backTaper: 99 } }))).toThrow()
  })
})
