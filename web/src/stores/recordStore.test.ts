import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { view } from '../../test/pair.ts'
import { ApiError } from '../api/ask.ts'
import { recordApi, type PairRecord } from '../api/record.ts'
import { usePair } from './pairStore.ts'
import { useRecord } from './recordStore.ts'

vi.mock('../workers/plan/planner.ts', () => ({ planLatest: vi.fn() }))

const at = '2026-05-02T08:00:00.000Z'
const record = (value: number): PairRecord => ({
  readings: [{ check: 'heel', foot: 'right', value, fine: null, note: '', revision: 1, at }],
  setbacks: [],
  photographs: [],
  givenUp: null,
})
/** An answer that comes when it is let go. */
function answer<T>() {
  let come: (value: T) => void = () => undefined
  const promise = new Promise<T>((resolve) => (come = resolve))
  return { promise, come }
}

beforeEach(() => {
  vi.stubGlobal('BroadcastChannel', undefined)
  setActivePinia(createPinia())
  usePair().view = view()
})
afterEach(() => {
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

describe('the record of the pair on the bench', () => {
  it('is what was asked for last: an old answer takes no reading back', async () => {
    const kept = useRecord()
    const { id } = usePair().view!
    const old = answer<PairRecord>()
    vi.spyOn(recordApi, 'read').mockReturnValueOnce(old.promise)
    const loading = kept.load(id)
    await kept.change(() => Promise.resolve(record(26)))
    old.come(record(20))
    await loading
    expect(kept.record?.readings[0]?.value).toBe(26)
  })
  it('of another pair shows nothing of the one before, also when its answer comes late', async () => {
    const kept = useRecord()
    const first = answer<PairRecord>()
    const read = vi.spyOn(recordApi, 'read').mockReturnValueOnce(first.promise)
    const loading = kept.load('one')
    read.mockResolvedValueOnce(record(5))
    await kept.load('two')
    first.come(record(1))
    await loading
    expect(kept.record?.readings[0]?.value).toBe(5)
  })
  it('keeps what it had when the server refuses, and whoever asked is told', async () => {
    const kept = useRecord()
    await kept.change(() => Promise.resolve(record(26)))
    await expect(kept.change(() => Promise.reject(new ApiError(422, 'No such check.')))).rejects.toThrow(
      'No such check.',
    )
    expect(kept.record?.readings[0]?.value).toBe(26)
  })
})
