import { planPair, progress, type StepEvent } from '@gentle-awl/core'
import { mount, RouterLinkStub } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import { sample } from '../../../../../test/pair.ts'
import WorkTable from './WorkTable.vue'
import { workRows, workSums } from './workTable.ts'

const { steps } = planPair(sample)
const [first, second] = steps
const T = Date.parse('2026-05-04T08:00:00Z')
const event = (step: string, what: StepEvent['what'], minute: number): StepEvent => ({
  step,
  what,
  at: new Date(T + minute * 60_000).toISOString(),
})
const log = [
  event(first!.id, 'started', 0),
  event(first!.id, 'finished', first!.minutes.value + 7),
  event(second!.id, 'started', 90),
]
const now = progress(steps, log, T + 100 * 60_000)

describe('the work as a table', () => {
  it('has every step in working order, with what it took beside what was planned', () => {
    const rows = workRows(now)
    expect(rows.map((r) => r.id)).toEqual(steps.map((s) => s.id))
    expect(rows.map((r) => r.place)).toEqual(steps.map((_, i) => i + 1))
    expect(rows[0]).toMatchObject({ standing: 'done', took: first!.minutes.value + 7, over: 7 })
    expect(rows[1]).toMatchObject({ standing: 'running', took: null, over: null })
    // Each row stands where the cards say: it waits just when something holds it.
    rows.slice(2).forEach((r, k) => expect(r.standing === 'waits').toBe(now[k + 2]!.heldBy.length > 0))
  })
  it('sums what was planned over all, and what it took over those that are done', () => {
    const rows = workRows(now)
    const sums = workSums(rows)
    expect(sums.planned).toBeCloseTo(
      steps.reduce((all, s) => all + s.minutes.value, 0),
      9,
    )
    expect(sums).toMatchObject({ took: first!.minutes.value + 7, over: 7 })
    expect(workSums(rows.slice(1))).toMatchObject({ took: null, over: null })
  })
  it('has what a step usually takes here where that is known, and else what is planned', () => {
    const rows = workRows(now, { [first!.key]: { factor: 1.5, times: 4 } })
    expect(rows[0]!.usual).toBe(Math.round(1.5 * first!.minutes.value))
    expect(rows.slice(1).every((r) => r.usual === r.planned)).toBe(true)
    expect(workSums(rows).usual).toBe(workSums(rows).planned + rows[0]!.usual - rows[0]!.planned)
  })
  it('is found by words, sorted by a press on a head, and says when nothing matches', async () => {
    const table = mount(WorkTable, {
      props: { steps: now, pace: {}, to: (id: string) => `#${id}` },
      global: { stubs: { RouterLink: RouterLinkStub } },
      attachTo: document.body,
    })
    await nextTick()
    const names = () => table.findAll('tbody tr').map((tr) => tr.find('[data-col-key="name"]').text())
    expect(names().slice(0, -1)).toEqual(steps.map((s) => s.name))
    expect(table.text()).toContain(`${steps.length} steps`)
    const search = table.get('input[type="search"]')
    await search.setValue(first!.name)
    expect(names()[0]).toBe(first!.name)
    expect(table.get('tbody').text()).toContain('+7 min')
    await search.setValue('no such step')
    expect(table.text()).toContain('No step matches.')
    await search.setValue('')
    await table.get('thead [data-col-key="planned"]').trigger('click')
    const planned = names()
      .slice(0, -1)
      .map((n) => steps.find((s) => s.name === n)!.minutes.value)
    expect(planned).toEqual([...planned].sort((a, b) => b - a))
  })
})
