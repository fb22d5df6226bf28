import { describe, expect, it } from 'vitest'
import { sampleMaterials, sampleMeasures, samplePair } from '../../test/samplePair.ts'
import { Last } from './last.ts'
import { PAIR_FORMAT, PAIR_VERSION, PairDecisions, PairFile } from './pair.ts'

const { last, decisions } = samplePair({ upper: { topFinish: 'bound' } })
const today = {
  format: PAIR_FORMAT,
  version: PAIR_VERSION,
  id: '01900000-0000-7000-8000-000000000777',
  revision: 4,
  label: { order: '12', name: 'Bound derby' },
  decisions,
  last,
  leftLast: { ...last, id: '01900000-0000-7000-8000-000000000778' },
  materials: sampleMaterials,
}
const { topFinish, ...upper } = decisions.upper
const formerDecisions = { ...decisions, upper: { ...upper, topEdge: topFinish } }
const formerLast = { ...last, shape: { kind: 'made', measures: sampleMeasures.walking } }
const { shape: _unknown, ...bare } = last

describe('pair files of earlier versions', () => {
  it.each([
    [1, { last: { ...bare, measures: sampleMeasures.walking }, decisions: formerDecisions, leftLast: null }],
    [2, { last: formerLast, leftLast: { ...formerLast, id: today.leftLast.id }, decisions: formerDecisions }],
  ])('version %i says the same as one of today', (version, former) => {
    const read = PairFile.parse({ ...today, ...former, version })
    expect(read).toEqual(PairFile.parse({ ...today, ...(version === 1 ? { leftLast: null } : {}) }))
  })
  it.each([0, PAIR_VERSION + 1, '2', null])('version %j is refused', (version) => {
    expect(PairFile.safeParse({ ...today, version }).success).toBe(false)
  })
})

describe('a document in former words, from a page that was open', () => {
  it('loses nothing', () => {
    expect(PairDecisions.parse(formerDecisions)).toEqual(decisions)
    expect(Last.parse(formerLast)).toEqual(last)
  })
  it('gives way to the word of today where both are there', () => {
    const both = { ...decisions, upper: { ...decisions.upper, topEdge: 'raw' } }
    expect(PairDecisions.parse(both).upper.topFinish).toBe('bound')
  })
  it.each([null, 3, 'made', []])('that is none is refused as before: %j', (document) => {
    expect(Last.safeParse({ ...last, shape: document }).success).toBe(false)
    expect(PairDecisions.safeParse({ ...decisions, upper: document }).success).toBe(false)
  })
})
