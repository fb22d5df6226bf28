import { ruleOf } from '@gentle-awl/core'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { api } from '../../api/client.ts'
import { learnedApi, type Learned } from '../../api/learned.ts'
import { useLessons } from '../../stores/lessonsStore.ts'
import { useWorkshop } from '../../stores/workshopStore.ts'
import WaitsView from './WaitsView.vue'
import WearView from './WearView.vue'

const learned = (change: Partial<Learned>): Learned => ({
  minutes: [],
  waits: [],
  wear: [],
  changes: [],
  pairs: 0,
  pending: 0,
  ...change,
})
beforeEach(() => setActivePinia(createPinia()))
afterEach(() => {
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

describe('waits in this air', () => {
  const rule = 'wait.overnight'
  const wait = (proposed: number) => ({ rule, times: 4, planned: 600, seen: proposed, proposed })
  it('one that differs is taken over beside all other house rules; one that does not is left', async () => {
    const workshop = useWorkshop()
    workshop.houseRules = { 'puff.turnUnder': 9 }
    workshop.houseRulesVersion = 3
    const put = vi.spyOn(api, 'changeHouseRules').mockResolvedValue({ version: 4, houseRules: {} })
    vi.spyOn(workshop, 'load').mockResolvedValue()
    const shown = mount(WaitsView, { props: { learned: learned({ waits: [wait(510)] }) } })
    await shown.get('button').trigger('click')
    await flushPromises()
    expect(put).toHaveBeenCalledExactlyOnceWith(3, { 'puff.turnUnder': 9, [rule]: 510 })
    await vi.waitFor(() => expect(shown.emitted('changed')).toHaveLength(1))
    const same = mount(WaitsView, { props: { learned: learned({ waits: [wait(600)] }) } })
    expect(same.find('button').exists()).toBe(false)
    expect(same.text()).toContain('as it is')
  })
  it('no further than the rule may go, whatever the air is said to do', () => {
    const { min } = ruleOf(rule)!
    const shown = mount(WaitsView, { props: { learned: learned({ waits: [wait(min / 4)] }) } })
    expect(shown.get('button').text()).toMatch(new RegExp(`Make it ${min / 60} h$`))
  })
  it('what the server refuses is said, and changes nothing', async () => {
    vi.stubGlobal('fetch', () =>
      Promise.resolve(new Response(JSON.stringify({ detail: 'Changed elsewhere.' }), { status: 409 })),
    )
    const shown = mount(WaitsView, { props: { learned: learned({ waits: [wait(510)] }) } })
    await shown.get('button').trigger('click')
    await flushPromises()
    expect(shown.get('[role="alert"]').text()).toContain('Changed elsewhere.')
    expect(shown.emitted('changed')).toBeUndefined()
  })
})

describe('blades and needles', () => {
  const change = { id: 'c2', tool: 'knife' as const, note: 'From the new box', at: '2026-05-02T08:00:00.000Z' }
  const worn = learned({
    wear: [
      { tool: 'knife', since: 41_000, changedAt: Date.parse(change.at), lives: [30_000, 38_000], usual: 34_000 },
      { tool: 'needle', since: 950, changedAt: null, lives: [], usual: null },
    ],
    changes: [{ ...change, id: 'c1', note: '', at: '2026-04-02T08:00:00.000Z' }, change],
  })
  const shown = () => {
    useLessons().learned = worn
    const view = mount(WearView, { props: { learned: worn } })
    const card = (tool: string) => view.get(`[data-tool="${tool}"]`)
    const press = async (tool: string, name: string) => {
      await card(tool)
        .findAll('button')
        .find((b) => b.text() === name)!
        .trigger('click')
      await flushPromises()
    }
    return { view, card, press }
  }
  it('one that has done more than such a one mostly does is to be changed, with why; of an unknown one nothing is claimed', () => {
    const { card } = shown()
    expect(card('knife').text()).toContain('41 m cut')
    expect(card('knife').text()).toContain('It mostly came to 34 m.')
    expect(card('knife').get('[role="status"]').text()).toMatch(/^Change it or sharpen it now\. A dull blade/)
    expect(card('needle').text()).toContain('0.9 m sewn since the first record')
    expect(card('needle').text()).toContain('not known yet')
    expect(card('needle').find('[role="status"]').exists()).toBe(false)
  })
  it('a change is told with its note, once; the latest one can be taken back', async () => {
    const add = vi.spyOn(learnedApi, 'addChange').mockResolvedValue(worn)
    const remove = vi.spyOn(learnedApi, 'removeChange').mockResolvedValue(worn)
    const { view, card, press } = shown()
    expect(card('knife').text()).toContain('From the new box')
    await view.get('input').setValue('Half a packet left')
    await press('needle', 'It was changed')
    await press('needle', 'It was changed')
    expect(add.mock.calls).toEqual([[{ tool: 'needle', note: 'Half a packet left' }], [{ tool: 'needle', note: '' }]])
    expect(card('needle').text()).not.toContain('Take back')
    await press('knife', 'Take back')
    expect(remove).toHaveBeenCalledExactlyOnceWith('c2')
  })
})
