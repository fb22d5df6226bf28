import { describe, expect, it } from 'vitest'
import { inTurn } from './turn.ts'

const later = <T>(ms: number, value: T) => new Promise<T>((resolve) => setTimeout(() => resolve(value), ms))

describe('one at a time', () => {
  it('runs in the order asked for, never two at once', async () => {
    const turn = inTurn()
    const log: string[] = []
    const work = (name: string, ms: number) =>
      turn(async () => {
        log.push(`${name} begins`)
        await later(ms, null)
        log.push(`${name} ends`)
        return name
      })
    expect(await Promise.all([work('a', 15), work('b', 1), work('c', 5)])).toEqual(['a', 'b', 'c'])
    expect(log).toEqual(['a begins', 'a ends', 'b begins', 'b ends', 'c begins', 'c ends'])
  })
  it('a failure is its own: the next one still gets its turn', async () => {
    const turn = inTurn()
    const bad = turn(async () => {
      throw new Error('no leather')
    })
    const good = turn(async () => 'fine')
    await expect(bad).rejects.toThrow('no leather')
    await expect(good).resolves.toBe('fine')
  })
})
