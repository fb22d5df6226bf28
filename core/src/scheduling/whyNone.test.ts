import { describe, expect, it } from 'vitest'
import { shoeShop } from '../../test/shoeShop.ts'
import { Decoder } from './decoder.ts'
import { graphOf } from './graph.ts'
import { problemOfInstance, ScheduleInstance } from './instance.ts'
import { whyNone } from './whyNone.ts'

const op = (id: string, duration: number, pair = 'p') => ({ id, pair, duration })
const why = (given: Record<string, unknown>) => {
  const instance = ScheduleInstance.parse({ hands: 2, ...given })
  const { problem, lags } = problemOfInstance(instance)
  const { found, lags: named } = whyNone(problem, lags)
  return { found, lags: named.map((l) => `${instance.lags[l]!.from}-${instance.lags[l]!.to}`).sort() }
}

describe('why there is no schedule', () => {
  it('names the waits that go round in a circle and no other: 5 + 10 + 4 is more than the 18 that are left', () => {
    const ops = [op('a', 1), op('b', 5), op('c', 1), op('d', 1)]
    const lags = (most: number) => [
      { from: 'a', to: 'b', min: 10 },
      { from: 'b', to: 'c', min: 4 },
      { from: 'a', to: 'c', max: most },
      { from: 'c', to: 'd', min: 3, max: 9 },
    ]
    expect(why({ ops, lags: lags(18) })).toEqual({ found: false, lags: ['a-b', 'a-c', 'b-c'] })
    expect(why({ ops, lags: lags(19) })).toEqual({ found: true, lags: [] })
  })
  it('names operations that wait for each other', () => {
    const lags = [
      { from: 'a', to: 'b' },
      { from: 'b', to: 'c' },
      { from: 'c', to: 'a' },
    ]
    expect(why({ ops: [op('a', 1), op('b', 1), op('c', 1)], lags })).toEqual({
      found: false,
      lags: ['a-b', 'b-c', 'c-a'],
    })
  })
  it('names a greatest wait for which a hand is missing', () => {
    const ops = [op('a', 5), op('b', 9), op('c', 9)]
    const lags = [
      { from: 'a', to: 'b', min: 5, max: 6 },
      { from: 'a', to: 'c', min: 5, max: 6 },
    ]
    expect(why({ ops, lags }).found).toBe(true)
    const alone = why({ hands: 1, ops, lags })
    expect(alone.found).toBe(false)
    expect(alone.lags).toHaveLength(1)
  })
  it('names no wait where a thing that is held is never given back in time', () => {
    const ops = [op('a', 1), op('b', 1), op('c', 1, 'q'), op('d', 1, 'q')]
    // Each pair gives its last back after it has had the other one.
    const holds = [
      { resource: 'one', from: 'a', to: 'd' },
      { resource: 'one', from: 'c', to: 'd' },
    ]
    const lags = [
      { from: 'a', to: 'c' },
      { from: 'c', to: 'd' },
    ]
    expect(why({ ops, holds, lags, resources: [{ id: 'one', capacity: 1 }] })).toEqual({ found: false, lags: [] })
    expect(why({ ops, holds, lags, resources: [{ id: 'one', capacity: 2 }] }).found).toBe(true)
  })
  it('has the keys of what it found: decoded they are a schedule, whatever waits were let go', () => {
    for (let seed = 1; seed <= 8; seed++) {
      const instance = shoeShop({ pairs: 4, hands: 1, lasts: 2, seed })
      const { problem, lags } = problemOfInstance(instance)
      const { lags: broken, keys } = whyNone(problem, lags)
      const left = problemOfInstance({
        ...instance,
        lags: instance.lags.map((l, i) => (broken.includes(i) ? { ...l, max: null } : l)),
      }).problem
      const decoder = new Decoder(left, graphOf(left)!)
      expect(decoder.decode(keys!, false) || decoder.decode(keys!, true), `seed ${seed}`).toBe(true)
    }
  })
})
