import { describe, expect, it } from 'vitest'
import { StageCache } from './stageCache.ts'

describe('the stage cache', () => {
  const counted = () => {
    const cache = new StageCache(3)
    let runs = 0
    const ask = (input: unknown, name = 'stage') =>
      cache.stage(name, [input], () => {
        runs++
        return { of: input }
      })
    return { cache, ask, runs: () => runs }
  }
  it('computes once for equal inputs and gives the very same result', () => {
    const { ask, runs } = counted()
    expect(ask('a')).toBe(ask('a'))
    expect(runs()).toBe(1)
  })
  it('tells objects apart by identity and NaN from nothing', () => {
    const { ask, runs } = counted()
    const one = { x: 1 }
    ask(one)
    ask({ x: 1 })
    ask(one)
    expect(runs()).toBe(2)
    ask(Number.NaN)
    ask(Number.NaN)
    expect(runs()).toBe(3)
  })
  it('keeps the last few, forgets the longest unused, and keeps stages apart', () => {
    const { ask, runs, cache } = counted()
    for (const x of ['a', 'b', 'c', 'a', 'd']) ask(x)
    expect(runs()).toBe(4)
    ask('a')
    expect(runs()).toBe(4)
    ask('b')
    expect(runs()).toBe(5)
    ask('a', 'other')
    expect(runs()).toBe(6)
    expect(cache.computed.get('other')).toBe(1)
  })
  it('keeps nothing of a stage that failed', () => {
    const cache = new StageCache()
    const fail = () =>
      cache.stage('s', [1], () => {
        throw new Error('no')
      })
    expect(fail).toThrow('no')
    expect(cache.stage('s', [1], () => 5)).toBe(5)
  })
})
