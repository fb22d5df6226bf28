import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { ApiError } from '../../../../api/ask.ts'
import { api, type TableReport } from '../../../../api/client.ts'
import { useTable } from './useTable.ts'

const report = (some: Partial<TableReport> = {}): TableReport => ({
  id: 'one',
  name: '',
  state: 'cutting',
  progress: 0,
  cut: [],
  lines: [],
  ...some,
})
let scope: EffectScope
const table = () => scope.run(() => useTable())!
const passes = async (ms: number) => {
  await vi.advanceTimersByTimeAsync(ms)
  await flushPromises()
}
beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  scope = effectScope()
  vi.spyOn(api.table, 'send').mockResolvedValue(report())
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
  vi.restoreAllMocks()
})

describe('work on the table', () => {
  it('is followed until it is done, and asked for no longer', async () => {
    const work = vi.spyOn(api.table, 'work').mockResolvedValueOnce(report({ progress: 0.5, cut: [100] }))
    work.mockResolvedValueOnce(report({ state: 'done', progress: 1, cut: [100, 50] }))
    const t = table()
    await t.send('Calf', 'IN;')
    await passes(400)
    expect(t.report.value).toMatchObject({ state: 'cutting', cut: [100] })
    await passes(400)
    expect(t.report.value).toMatchObject({ state: 'done', cut: [100, 50] })
    await passes(5000)
    expect(work).toHaveBeenCalledTimes(2)
  })
  it('that is lost says so, keeps what was cut until then, and can be sent again', async () => {
    vi.spyOn(api.table, 'work')
      .mockResolvedValueOnce(report({ cut: [100] }))
      .mockRejectedValueOnce(new ApiError(503, 'The cutting table does not answer: is it switched on?'))
    const t = table()
    await t.send('Calf', 'IN;')
    await passes(400)
    await passes(400)
    expect(t.problem.value).toBe('The cutting table does not answer: is it switched on?')
    expect(t.report.value).toMatchObject({ state: 'stopped', cut: [100] })
    await t.send('Calf', 'IN;')
    expect([t.problem.value, t.report.value?.state]).toEqual(['', 'cutting'])
  })
  it('of somebody else is not taken for its own', async () => {
    vi.spyOn(api.table, 'work').mockResolvedValue(report({ id: 'other', cut: [9, 9, 9] }))
    const t = table()
    await t.send('Calf', 'IN;')
    await passes(400)
    expect(t.problem.value).toMatch(/at other work/)
    expect(t.report.value).toMatchObject({ id: 'one', state: 'stopped', cut: [] })
  })
})
