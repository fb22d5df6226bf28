import { usualWeek, WorkshopDays, type StepWish, type TimetableEntry } from '@gentle-awl/core'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { plainStep } from '../../../../core/test/plainStep.ts'
import { ApiError } from '../../api/ask.ts'
import { api, type Schedule, type TriedMove } from '../../api/client.ts'
import { useSchedule } from '../../stores/scheduleStore.ts'
import DayField from '../../ui/DayField.vue'
import MoveStepDialog from './MoveStepDialog.vue'

const days = WorkshopDays.parse({
  zone: 'Europe/Copenhagen',
  makers: [
    { id: 'window', name: 'Window bench', hours: usualWeek() },
    { id: 'stove', name: 'Stove bench', skills: ['finish'], hours: usualWeek() },
  ],
})
// In winter the town is an hour ahead.
const at = Date.parse('2026-12-07T09:15:00Z')
const entry: TimetableEntry = {
  pair: 'p',
  step: 'cut',
  part: 0,
  parts: 1,
  maker: 'window',
  start: at,
  end: at + 30 * 60_000,
  begun: false,
}
const pair = (id: string, order: string) => ({
  id,
  order,
  name: 'Shoe',
  due: null,
  weight: 1,
  lasts: [],
  steps: [plainStep('cut'), plainStep('sew', { after: ['cut'] })],
})
const schedule = (wishes: StepWish[] = []): Schedule => ({
  timetable: { madeAt: 0, entries: [entry], pairs: [], lost: [], nobody: [] },
  open: [{ ...pair('p', '7'), wishes }, pair('q', '8')],
  leftOut: [],
  more: 0,
  bench: { clocks: [], free: [] },
})
const still: TriedMove = { start: at, maker: 'window', changes: { pairs: [], steps: 0, lost: [] } }
const tries = vi.fn<(pair: string, wish: StepWish) => Promise<TriedMove>>()

beforeEach(() => {
  setActivePinia(createPinia())
  tries.mockReset().mockResolvedValue(still)
  vi.spyOn(api, 'workshopDays').mockResolvedValue({ version: 3, days })
  vi.spyOn(api, 'trySchedule').mockImplementation(tries)
})
afterEach(() => vi.restoreAllMocks())

async function opened(wishes: StepWish[] = []) {
  vi.spyOn(api, 'schedule').mockResolvedValue(schedule(wishes))
  await useSchedule().load()
  const dialog = mount(MoveStepDialog, {
    props: { open: false, entry, maker: 'window', at },
    global: { stubs: { HouseDialog: { template: '<div><slot /><slot name="actions" /></div>' } } },
  })
  await dialog.setProps({ open: true })
  await flushPromises()
  const button = (name: string) => dialog.findAll('button').find((b) => b.text() === name)
  const press = async (name: string) => {
    await button(name)!.trigger('click')
    await flushPromises()
  }
  const type = async (time: string) => {
    const field = dialog.get('input[name="move-time"], [name="move-time"] input')
    await field.setValue(time)
    await flushPromises()
  }
  return { dialog, button, press, type }
}

describe('moving a step', () => {
  it('is tried where it was dropped, before anything is kept', async () => {
    const keep = vi.spyOn(api, 'keepWish').mockResolvedValue()
    const { dialog, press } = await opened()
    expect(tries.mock.calls).toEqual([['p', { step: 'cut', maker: 'window', notBefore: at }]])
    expect(dialog.text()).toContain('Nothing else moves.')
    expect(keep).not.toHaveBeenCalled()
    await press('Put it there')
    expect(keep).toHaveBeenCalledExactlyOnceWith('p', { step: 'cut', maker: 'window', notBefore: at })
  })
  it('says which pairs are later or sooner by it, which become late, and which glue would die', async () => {
    const hour = 3_600_000
    tries.mockResolvedValue({
      start: at + hour,
      maker: 'stove',
      changes: {
        pairs: [
          { pair: 'q', from: at, to: at + 50 * hour, lateFrom: 0, lateTo: 60 },
          { pair: 'p', from: at, to: at - 3 * hour, lateFrom: 0, lateTo: 0 },
        ],
        steps: 1,
        lost: [{ pair: 'q', from: 'cut', to: 'sew' }],
      },
    })
    const { dialog } = await opened()
    const text = dialog.get('.moves').text()
    expect(text).toContain('Stove bench')
    expect(text).toContain('One other step moves by half')
    expect(text).toMatch(/8 Shoe is ready 2 days later, .*, and late\./)
    expect(text).toMatch(/7 Shoe is ready 3 h sooner/)
    expect(text).toMatch(/8 Shoe: “.*” would come too late after/)
  })
  it('what was said of one place is gone once another is asked for, and an answer that comes late is not taken for it', async () => {
    const { dialog, press, type } = await opened()
    expect(dialog.find('.moves').exists()).toBe(true)
    await type('14:30')
    expect(dialog.find('.moves').exists()).toBe(false)
    let late: (tried: TriedMove) => void = () => undefined
    tries.mockReturnValueOnce(new Promise((resolve) => (late = resolve)))
    await press('What that moves')
    expect(tries.mock.lastCall?.[1].notBefore).toBe(Date.parse('2026-12-07T13:30:00Z'))
    await type('15:00')
    late(still)
    await flushPromises()
    expect(dialog.find('.moves').exists()).toBe(false)
  })
  it('cannot be put nowhere: a time that is none, or neither bench nor day', async () => {
    const { dialog, button, type } = await opened()
    await type('25:99')
    expect(dialog.text()).toContain('Write the time as 8:30.')
    expect(button('Put it there')!.attributes('disabled')).toBeDefined()
    await type('8:30')
    expect(button('Put it there')!.attributes('disabled')).toBeUndefined()
    dialog.getComponent(DayField).vm.$emit('update:value', '')
    dialog.getComponent({ name: 'SelectField' }).vm.$emit('choose', '')
    await flushPromises()
    expect(button('Put it there')!.attributes('disabled')).toBeDefined()
  })
  it('what is in the way is said and the dialog stays; what was put can be let go', async () => {
    vi.spyOn(api, 'keepWish').mockRejectedValue(new ApiError(422, '“Cut” is begun already: it stays where it is.'))
    const drop = vi.spyOn(api, 'dropWish').mockResolvedValue()
    const { dialog, press, button } = await opened([{ step: 'cut', maker: 'window', notBefore: null }])
    await press('Put it there')
    expect(dialog.get('[role="alert"]').text()).toContain('begun already')
    expect(dialog.emitted('update:open')).toBeUndefined()
    await press('Leave it to the timetable')
    expect(drop).toHaveBeenCalledExactlyOnceWith('p', 'cut')
    expect(dialog.emitted('update:open')).toEqual([[false]])
    expect(button('Cancel')).toBeDefined()
    expect((await opened()).button('Leave it to the timetable')).toBeUndefined()
  })
})
