import type { StepEvent } from '@gentle-awl/core'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { view } from '../../../../../test/pair.ts'
import { api } from '../../../../api/client.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { useWorkLog } from './useWorkLog.ts'

vi.mock('../../../../workers/plan/planner.ts', () => ({ planLatest: vi.fn() }))
const news = vi.hoisted(() => ({ come: (): void => undefined }))
vi.mock('../../../../app/news.ts', () => ({
  useNews: (_: unknown, changed: () => void) => (news.come = changed),
}))

const event = (what: StepEvent['what'], step: string): StepEvent => ({ step, what, at: '2026-05-02T08:00:00.000Z' })
/** An answer that comes when it is let go. */
function answer<T>() {
  let come: (value: T) => void = () => undefined
  const promise = new Promise<T>((resolve) => (come = resolve))
  return { promise, come }
}
const settled = () => vi.advanceTimersByTimeAsync(0)

let scope: ReturnType<typeof effectScope>
async function room(first: StepEvent[]) {
  const pair = usePair()
  pair.view = view()
  vi.spyOn(api, 'made').mockResolvedValue([])
  vi.spyOn(api, 'pace').mockResolvedValue({})
  const log = vi.spyOn(api, 'log').mockResolvedValueOnce(first)
  scope = effectScope()
  const work = scope.run(useWorkLog)!
  await settled()
  return { log, work }
}
beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('BroadcastChannel', undefined)
  setActivePinia(createPinia())
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

describe('the log of the work', () => {
  it('is not taken back by an answer that was asked for before a step was begun and comes after', async () => {
    const { log, work } = await room([])
    const [old, begun] = [answer<StepEvent[]>(), [event('started', 'cut-insole')]]
    log.mockReturnValueOnce(old.promise)
    vi.spyOn(api, 'logStep').mockResolvedValueOnce(begun)
    news.come()
    await work.say('cut-insole', 'started')
    expect(work.log.value).toEqual(begun)
    old.come([])
    await settled()
    expect(work.log.value).toEqual(begun)
  })
  it('asks again for what came while a step was being said', async () => {
    const { log, work } = await room([])
    const [said, mine] = [answer<StepEvent[]>(), event('started', 'print')]
    const both = [mine, event('started', 'cut-insole')]
    vi.spyOn(api, 'logStep').mockReturnValueOnce(said.promise)
    log.mockResolvedValueOnce(both)
    const saying = work.say('print', 'started')
    await settled()
    news.come()
    said.come([mine])
    await saying
    await settled()
    expect(work.log.value).toEqual(both)
  })
})
