import { usualWeek, WorkshopDays } from '@gentle-awl/core'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { plainStep } from '../../../core/test/plainStep.ts'
import { ApiError } from '../api/ask.ts'
import { api, type Schedule } from '../api/client.ts'
import { useSchedule } from './scheduleStore.ts'

const days = WorkshopDays.parse({ makers: [{ id: 'window', name: 'Window bench', hours: usualWeek() }] })
const answer = (order: string): Schedule => ({
  timetable: { madeAt: 0, entries: [], pairs: [], lost: [], nobody: [] },
  open: [{ id: 'p', order, name: 'Shoe', due: null, weight: 1, lasts: [], steps: [plainStep('cut')] }],
  leftOut: [],
  more: 0,
  bench: { clocks: [], free: [] },
})

beforeEach(() => {
  setActivePinia(createPinia())
  vi.spyOn(api, 'workshopDays').mockResolvedValue({ version: 3, days })
})
afterEach(() => vi.restoreAllMocks())

describe('the schedule as rooms read it', () => {
  it('is what was asked for last, in whatever order the answers come', async () => {
    const schedule = useSchedule()
    let late: (value: Schedule) => void = () => undefined
    vi.spyOn(api, 'schedule')
      .mockReturnValueOnce(new Promise((resolve) => (late = resolve)))
      .mockResolvedValueOnce(answer('new'))
    const first = schedule.load()
    await schedule.load()
    late(answer('old'))
    await first
    expect(schedule.pairOf('p')?.order).toBe('new')
    expect([schedule.stepOf('p', 'cut')?.name, schedule.stepOf('p', 'none')]).toEqual(['cut', null])
    expect([schedule.makerName('window'), schedule.makerName('gone')]).toEqual(['Window bench', 'gone'])
    expect(schedule.busy).toBe(false)
  })
  it('keeps what it had when the server refuses, and says why', async () => {
    const schedule = useSchedule()
    vi.spyOn(api, 'schedule')
      .mockResolvedValueOnce(answer('kept'))
      .mockRejectedValueOnce(new ApiError(503, 'Its hands are full.'))
    await schedule.load()
    await schedule.load()
    expect(schedule.problem).toBe('Its hands are full.')
    expect(schedule.pairOf('p')?.order).toBe('kept')
  })
  it('changes the calendar on the version that was read, and lays out anew', async () => {
    const schedule = useSchedule()
    const asked = vi.spyOn(api, 'schedule').mockResolvedValue(answer('1'))
    const change = vi.spyOn(api, 'changeWorkshopDays').mockResolvedValue({ version: 4, days })
    await schedule.load()
    await schedule.keepDays({ ...days, aim: 'soonest' })
    expect(change).toHaveBeenCalledWith(3, { ...days, aim: 'soonest' })
    expect(asked).toHaveBeenCalledTimes(2)
  })
})
