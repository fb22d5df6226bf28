import { describe, expect, it } from 'vitest'
import { RuleBook, type Rule } from '../trade/rules.ts'
import { StageCache, type Keeper } from './stageCache.ts'

describe('the stage cache', () => {
  const counted = () => {
    const cache = new StageCache(3)
    let runs = 0
    const ask = (input: unknown, name = 'stage') =>
      cache.stage(name, { input }, () => {
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
  it('tells apart what is named otherwise or is missing', () => {
    const { cache } = counted()
    expect(cache.stage('s', { a: 1 }, () => 'a')).toBe('a')
    expect(cache.stage('s', { b: 1 }, () => 'b')).toBe('b')
    expect(cache.stage('s', { a: 1, b: undefined }, () => 'both')).toBe('both')
    expect(cache.stage('s', { a: undefined }, () => 'none')).toBe('none')
  })
  it('knows a document again by its content, and a list by its items', () => {
    const cache = new StageCache()
    const first = { extent: 'full', figures: [1, 2] }
    expect(cache.same('sock', first)).toBe(first)
    expect(cache.same('sock', JSON.parse(JSON.stringify(first)) as typeof first)).toBe(first)
    expect(cache.same('sock', { extent: 'full', figures: [1, 3] })).not.toBe(first)
    expect(cache.same('sock', null)).toBeNull()
    const [a, b] = [{}, {}]
    expect(cache.list('parts', [a, b])).toBe(cache.list('parts', [a, b]))
    expect(cache.list('parts', [a, b])).not.toBe(cache.list('parts', [b, a]))
    expect(cache.list('parts', [a])).toEqual([a])
  })
  it('keeps nothing of a stage that failed', () => {
    const cache = new StageCache()
    const fail = () =>
      cache.stage('s', { of: 1 }, () => {
        throw new Error('no')
      })
    expect(fail).toThrow('no')
    expect(cache.stage('s', { of: 1 }, () => 5)).toBe(5)
  })
})

describe('a stage that reads house rules', () => {
  const rule = (key: string, value: number): Rule => ({
    key,
    name: key,
    value,
    min: 0,
    max: 99,
    unit: 'mm',
    why: 'So.',
  })
  const [width, depth] = [rule('a.width', 5), rule('a.depth', 7)]
  const counted = () => {
    const cache = new StageCache()
    let runs = 0
    const ask = (rules: RuleBook) =>
      cache.ruled('s', {}, rules, (_, book) => {
        runs++
        return book.value(width)
      })
    return { cache, ask, runs: () => runs }
  }
  it('is made anew when a rule that it read stands differently, and only then', () => {
    const { ask, runs } = counted()
    expect(ask(new RuleBook({}, {}))).toBe(5)
    expect(ask(new RuleBook({ 'a.depth': 1 }, {}))).toBe(5)
    expect(runs()).toBe(1)
    expect(ask(new RuleBook({ 'a.width': 6 }, {}))).toBe(6)
    expect(ask(new RuleBook({}, {}))).toBe(5)
    expect(runs()).toBe(2)
  })
  it('is made anew when the same figure comes from somebody else, for its reason says whose it is', () => {
    const { ask, runs } = counted()
    ask(new RuleBook({}, {}))
    ask(new RuleBook({ 'a.width': 5 }, {}))
    ask(new RuleBook({}, { 'a.width': 5 }))
    expect(runs()).toBe(3)
  })
  it('counts what the stages inside it read, found again or not', () => {
    const cache = new StageCache()
    let outer = 0
    const ask = (rules: RuleBook) =>
      cache.ruled('outer', {}, rules, (_, book) => {
        outer++
        return cache.ruled('inner', {}, book, (__, inside) => inside.value(depth)) + 1
      })
    expect(ask(new RuleBook({}, {}))).toBe(8)
    expect(ask(new RuleBook({ 'a.depth': 2 }, {}))).toBe(3)
    // The inner one is found again; the outer one must know all the same what it rests on.
    const other = new StageCache()
    const inner = (book: RuleBook) => other.ruled('inner', {}, book, (_, inside) => inside.value(depth))
    inner(new RuleBook({}, {}))
    const around = (rules: RuleBook) => other.ruled('around', {}, rules, (_, book) => inner(book))
    expect([around(new RuleBook({}, {})), around(new RuleBook({ 'a.depth': 9 }, {}))]).toEqual([7, 9])
    expect(outer).toBe(2)
  })
  it('cannot keep its book: one that is read after the stage has ended says so', () => {
    const cache = new StageCache()
    const kept = cache.ruled('s', {}, new RuleBook({}, {}), (_, book) => () => book.value(width))
    expect(kept).toThrow(/"s" are closed.*a\.width/)
  })
})

describe('a dear stage', () => {
  const disk = () => {
    const kept = new Map<string, unknown>()
    // As a disk would: what comes back is another object of the same content.
    const keeper: Keeper = {
      get: (key) => (kept.has(key) ? (JSON.parse(JSON.stringify(kept.get(key))) as unknown) : undefined),
      put: (key, value) => kept.set(key, value),
    }
    return { kept, keeper }
  }
  const chain = (cache: StageCache, body: { length: number }, factor: number) => {
    const last = cache.dear('last', { body: cache.same('last', body) }, (i) => ({ points: [i.body.length] }))
    return cache.dear('forme', { last, factor }, (i) => ({ flat: i.last.points.map((p) => p * i.factor) }))
  }
  it('is found again by its content after everything was forgotten', () => {
    const { keeper, kept } = disk()
    const first = new StageCache(6, keeper)
    const made = chain(first, { length: 250 }, 2)
    expect([...first.computed.keys()]).toEqual(['last', 'forme'])
    const second = new StageCache(6, keeper)
    expect(chain(second, { length: 250 }, 2)).toEqual(made)
    expect([...second.computed.keys()]).toEqual([])
    expect(chain(second, { length: 250 }, 2)).toBe(chain(second, { length: 250 }, 2))
    expect(kept.size).toBe(2)
  })
  it('is made anew from another document or another figure, however far back that lies', () => {
    const { keeper } = disk()
    chain(new StageCache(6, keeper), { length: 250 }, 2)
    expect(chain(new StageCache(6, keeper), { length: 251 }, 2).flat).toEqual([502])
    expect(chain(new StageCache(6, keeper), { length: 250 }, 3).flat).toEqual([750])
  })
  it('whose input has no name by its content is kept in this cache alone', () => {
    const { keeper, kept } = disk()
    const cache = new StageCache(6, keeper)
    const ask = () => cache.dear('forme', { last: nameless }, (i) => ({ flat: i.last.points }))
    const nameless = { points: [1] }
    expect(ask()).toBe(ask())
    expect(kept.size).toBe(0)
  })
})
