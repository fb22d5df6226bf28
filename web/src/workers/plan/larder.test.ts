import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import { planPair, StageCache } from '@gentle-awl/core'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { sampleMeasures, samplePair } from '../../../../core/test/samplePair.ts'
import { Larder } from './larder.ts'

beforeEach(() => vi.stubGlobal('indexedDB', new IDBFactory()))

const input = samplePair()
const other = samplePair({}, sampleMeasures.flat)
const dear = ['last', 'forme', 'heelFlat', 'toeFlat']
/** What a page that was just opened has to work out of a pair. */
async function madeBy(edition: string, pair = input): Promise<{ made: string[]; plan: unknown }> {
  const larder = new Larder(edition)
  await larder.bringOut([pair.last])
  const cache = new StageCache(6, larder)
  const plan = planPair(pair, cache)
  // Writing goes on while nobody waits: this is asked after it, on the same shelves.
  await larder.keepPlan({ ...pair, houseRules: { 'puff.base': 51 } }, plan)
  return { made: dear.filter((name) => cache.computed.has(name)), plan }
}

/** Shelves that stand open, as on a page: nobody waits long for them, and a plan that is made first may take longer. */
async function opened(edition: string): Promise<Larder> {
  const larder = new Larder(edition)
  await larder.bringOut([input.last])
  return larder
}

describe('what is kept in the browser', () => {
  it('is found again by the next page, for just that last, and comes to the very same plan', async () => {
    const first = await madeBy('one')
    expect(first.made).toEqual(dear)
    const second = await madeBy('one')
    expect(second.made).toEqual([])
    expect(second.plan).toEqual(first.plan)
    expect((await madeBy('one', other)).made).toEqual(dear)
  })
  it('is not believed by another program, nor is what a page of an older one goes on writing', async () => {
    await madeBy('one')
    expect((await madeBy('two')).made).toEqual(dear)
    await madeBy('one')
    expect((await madeBy('two')).made).toEqual(dear)
  })
  it('holds whole plans, each for just its own input', async () => {
    const larder = await opened('one')
    const plan = planPair(input, new StageCache())
    await larder.keepPlan(input, plan)
    expect(await larder.plan(input)).toEqual(plan)
    expect(await larder.plan({ ...input, houseRules: { 'puff.base': 52 } })).toBeNull()
    expect(await new Larder('two').plan(input)).toBeNull()
  })
  it('does not grow without end', async () => {
    const larder = await opened('one')
    const plan = planPair(input, new StageCache())
    for (let i = 0; i < 30; i++) await larder.keepPlan({ ...input, houseRules: { 'puff.base': 40 + i } }, plan)
    expect(await larder.plan({ ...input, houseRules: { 'puff.base': 40 } })).toBeNull()
    expect(await larder.plan({ ...input, houseRules: { 'puff.base': 69 } })).not.toBeNull()
  })
  it('is done without where the browser keeps nothing', async () => {
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('Not allowed here', 'SecurityError')
      },
    })
    const { made, plan } = await madeBy('one')
    expect(made).toEqual(dear)
    expect(plan).toEqual(planPair(input, new StageCache()))
  })
})
