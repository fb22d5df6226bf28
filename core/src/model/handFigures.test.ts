import { describe, expect, it } from 'vitest'
import { samplePair } from '../../test/samplePair.ts'
import { setByHand } from './byHand.ts'
import { handDecisions, handFigures } from './handFigures.ts'
import { LeftShoe, PairDecisions } from './pair.ts'

const { decisions } = samplePair()
const at = (whole: unknown, path: string): unknown =>
  path.split('.').reduce<unknown>((inner, key) => (inner as Record<string, unknown>)[key], whole)

describe.each(handDecisions)('%s', (decision) => {
  const { min, max, unit } = handFigures[decision]
  const middle = unit === 'count' ? Math.round((min + max) / 2) : (min + max) / 2

  it('is a field of the decisions that the rule decides until it is set', () => {
    const group = decision.split('.')[0]!
    expect(at(PairDecisions.parse({ ...decisions, [group]: {} }), decision)).toBeNull()
    const set = setByHand(decisions, decision, middle)
    expect(at(set, decision)).toBe(middle)
    // Read back from what is stored, it is still there, and nothing else is another.
    expect(PairDecisions.parse(JSON.parse(JSON.stringify(set)))).toEqual(set)
    expect(setByHand(set, decision, at(decisions, decision) as number | null)).toEqual(decisions)
  })
  it('is refused outside of its range, for both shoes and for the left one alone', () => {
    for (const [value, goes] of [
      [min, true],
      [max, true],
      [min - 1, false],
      [max + 1, false],
    ] as const) {
      expect(PairDecisions.safeParse(setByHand(decisions, decision, value)).success, `${value}`).toBe(goes)
      expect(LeftShoe.safeParse({ figures: { [decision]: value } }).success, `left ${value}`).toBe(goes)
    }
  })
  it('may be given back to the rule for the left shoe alone, which is another thing than not being set for it', () => {
    expect(LeftShoe.parse({ figures: { [decision]: null } }).figures).toEqual({ [decision]: null })
    expect(LeftShoe.parse({}).figures).toEqual({})
  })
})

it('what is counted is made whole', () => {
  expect(at(setByHand(decisions, 'heel.lifts', 2.4), 'heel.lifts')).toBe(2)
  expect(at(setByHand(decisions, 'puff.length', 52.4), 'puff.length')).toBe(52.4)
})
