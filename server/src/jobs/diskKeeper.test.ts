import { mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { planPair, StageCache } from '@gentle-awl/core'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { demoInput, demoPairs } from '../demo/workshop.ts'
import { diskKeeper } from './diskKeeper.ts'

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'gentle-awl-kept-'))
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))

describe('what is kept on the disk', () => {
  const input = demoInput(demoPairs[0]!)
  const cacheOf = (edition = 'one') => new StageCache(6, diskKeeper(folder, edition))
  it('gives the very plan that is made without it, and lays nothing flat again', () => {
    const plan = planPair(input, cacheOf())
    expect(readdirSync(folder)).toHaveLength(4)
    const again = cacheOf()
    expect(planPair(input, again)).toEqual(plan)
    for (const dear of ['last', 'forme', 'heelFlat', 'toeFlat']) expect(again.computed.has(dear), dear).toBe(false)
    expect(planPair(input, new StageCache())).toEqual(plan)
  })
  it('is not believed when it was written by another program, and is cleared away', () => {
    planPair(input, cacheOf('one'))
    const other = cacheOf('two')
    planPair(input, other)
    expect(other.computed.get('last')).toBe(1)
    expect(readdirSync(folder).filter((n) => n.startsWith('one-'))).toEqual([])
  })
  it('is done without where it is damaged or cannot be written', () => {
    planPair(input, cacheOf())
    for (const name of readdirSync(folder)) writeFileSync(join(folder, name), 'rot')
    const cache = cacheOf()
    expect(planPair(input, cache).parts.length).toBeGreaterThan(4)
    expect(cache.computed.get('forme')).toBe(1)
    const gone = diskKeeper(join(folder, 'gone'), 'one')
    rmSync(join(folder, 'gone'), { recursive: true })
    expect(() => gone.put('key', { a: 1 })).not.toThrow()
    expect(gone.get('key')).toBeUndefined()
  })
  it('does not grow without end, and is for its owner alone', () => {
    const keeper = diskKeeper(folder, 'one')
    for (let i = 0; i < 130; i++) keeper.put(`key${i}`, new Float64Array([i]))
    expect(readdirSync(folder).length).toBeLessThanOrEqual(91)
    expect(keeper.get('key129')).toEqual(new Float64Array([129]))
    expect(statSync(join(folder, readdirSync(folder)[0]!)).mode & 0o077).toBe(0)
  })
})
