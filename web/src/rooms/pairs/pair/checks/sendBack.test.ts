import { planPair, verdictsOf, type CheckReading, type StepEvent } from '@gentle-awl/core'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { keptCache } from '../../../../../../core/test/keptCache.ts'
import { sample, view } from '../../../../../test/pair.ts'
import { pick } from '../../../../../test/pick.ts'
import { recordApi, type NewSetback } from '../../../../api/record.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import CheckItem from './CheckItem.vue'
import SendBackDialog from './SendBackDialog.vue'

vi.mock('../../../../workers/plan/planner.ts', () => ({ planLatest: vi.fn() }))

const plan = planPair(sample, keptCache())
const at = '2026-05-02T08:00:00.000Z'
/** Everything up to a step was done, one after the other. */
const doneUpTo = (id: string): StepEvent[] =>
  plan.steps
    .slice(0, plan.steps.findIndex((s) => s.id === id) + 1)
    .flatMap((s) => (['started', 'finished'] as const).map((what) => ({ step: s.id, what, at })))
const height = plan.checks.find((c) => c.id === 'backHeight')!
const reading = (foot: 'right' | 'left', off: number): CheckReading => ({
  check: height.id,
  foot,
  value: height.figure!.planned[foot] + off,
  fine: null,
  note: '',
  revision: 1,
  at,
})
const sent: NewSetback[] = []

beforeEach(() => {
  vi.stubGlobal('BroadcastChannel', undefined)
  setActivePinia(createPinia())
  const pair = usePair()
  pair.view = view()
  pair.whole = plan
  sent.length = 0
  vi.spyOn(recordApi, 'sendBack').mockImplementation((_id, body) => {
    sent.push(body)
    return Promise.resolve({ readings: [], setbacks: [], photographs: [], givenUp: null })
  })
})
afterEach(() => {
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

async function opened(log: StepEvent[], off = 4) {
  const [verdict] = verdictsOf([height], [reading('right', off)])
  const dialog = mount(SendBackDialog, {
    props: { open: false, verdict: verdict!, log, pace: {} },
    global: { stubs: { HouseDialog: { template: '<div><slot /><slot name="actions" /></div>' } } },
  })
  await dialog.setProps({ open: true })
  await flushPromises()
  const send = () => dialog.findAll('button').find((b) => b.text() === 'Send it back')!
  const again = () => dialog.findAll('[aria-label="Done again"] .n-checkbox').map((c) => c.text())
  return { dialog, send, again }
}

describe('sending a shoe back', () => {
  it('goes to the step that the check names, on its foot, with all that was done on top of it and nothing of the other', async () => {
    const { send, again } = await opened(doneUpTo('last-toe.left'))
    expect(again()[0]).toMatch(/last the back, right/)
    expect(again().some((name) => name.endsWith(', left'))).toBe(false)
    await send().trigger('click')
    await flushPromises()
    const [one] = sent
    expect(one).toMatchObject({ step: 'last-back.right', foot: 'right', check: 'backHeight', parts: [] })
    expect(one!.reason).toMatch(/^Right: .* 4\.0 mm too much\.$/)
    // What is told to be done again is what the days are laid out by.
    const of = plan.steps.filter((s) => one!.steps.includes(s.id))
    expect(of.map((s) => s.foot)).not.toContain('left')
    expect(one!.minutes).toBeCloseTo(
      of.reduce((sum, s) => sum + s.minutes.value, 0),
      6,
    )
    expect(of.map((s) => s.id)).toContain('last-toe.right')
  })
  it('what stays as it is is left out, and its minutes with it; the step itself cannot be', async () => {
    const { dialog, send } = await opened(doneUpTo('last-toe.left'))
    const boxes = dialog.findAll('[aria-label="Done again"] .n-checkbox')
    expect(boxes[0]!.classes()).toContain('n-checkbox--disabled')
    await boxes.at(-1)!.trigger('click')
    await send().trigger('click')
    await flushPromises()
    expect(sent[0]!.steps).toHaveLength(boxes.length - 1)
    expect(sent[0]!.minutes).toBe(
      plan.steps.filter((s) => sent[0]!.steps.includes(s.id)).reduce((sum, s) => sum + s.minutes.value, 0),
    )
  })
  it('of both shoes opens the same step on either foot', async () => {
    const { dialog, again } = await opened(doneUpTo('last-toe.left'))
    await pick(dialog, 'Both shoes')
    expect(again().some((name) => /last the back, left/.test(name))).toBe(true)
    expect(again().some((name) => /last the back, right/.test(name))).toBe(true)
  })
  it('is not possible where nothing was begun, nor without a reason', async () => {
    const { dialog, send } = await opened([])
    expect(send().attributes('disabled')).toBeDefined()
    expect(dialog.text()).toContain('nothing was begun yet')
    const other = await opened(doneUpTo('last-toe.left'))
    expect(other.send().attributes('disabled')).toBeUndefined()
    await other.dialog.get('textarea').setValue('  ')
    expect(other.send().attributes('disabled')).toBeDefined()
  })
})

describe('a check on its card', () => {
  const card = (readings: CheckReading[], check = height) =>
    mount(CheckItem, {
      props: {
        check,
        readings: {
          right: readings.find((r) => r.foot === 'right') ?? null,
          left: readings.find((r) => r.foot === 'left') ?? null,
        },
        verdicts: verdictsOf([check], readings),
        busy: false,
      },
      global: { stubs: { PhotoStrip: true } },
    })
  it('says once that both are as planned, and how far they are apart', () => {
    const text = card([reading('right', 0.5), reading('left', 0)]).text()
    expect(text).toContain('As planned.')
    expect(text.match(/0\.5 mm apart/g)).toHaveLength(1)
  })
  it('names the shoe that misses with what mends it, and offers to send that one back', async () => {
    const shown = card([reading('right', 0), reading('left', -4)])
    expect(shown.text()).toContain('4.0 mm too little')
    expect(shown.text()).toContain('push the top line up')
    const buttons = shown.findAll('button').filter((b) => b.text().startsWith('Send the'))
    expect(buttons.map((b) => b.text())).toEqual(['Send the left shoe back …'])
    await buttons[0]!.trigger('click')
    expect(shown.emitted('back')![0]).toMatchObject([{ check: 'backHeight', foot: 'left', level: 'stop' }])
  })
  it('what is looked at is said in one press; a figure goes up as it was measured', async () => {
    const look = plan.checks.find((c) => c.id === 'look.folds')!
    const shown = card([], look)
    expect(shown.text()).not.toContain('Planned')
    await pick(shown, 'Not so')
    expect(shown.emitted('read')).toEqual([[{ check: 'look.folds', foot: 'right', fine: false }]])
    const measured = card([])
    const field = measured.get('input[name="backHeight-left"], [name="backHeight-left"] input')
    await field.setValue('61.5')
    await field.trigger('blur')
    expect(measured.emitted('read')?.at(-1)).toEqual([{ check: 'backHeight', foot: 'left', value: 61.5 }])
  })
  it('how much is planned reads as a tape is read: about, at most, at least, or a count', () => {
    const planned = (id: string) =>
      card(
        [],
        plan.checks.find((c) => c.id === id),
      )
        .get('.planned')
        .text()
    expect(planned('backHeight')).toMatch(/^Planned \d+\.\d mm ± \d/)
    expect(planned('backGap')).toMatch(/^Planned \d\.\d mm or less$/)
    expect(planned('room.toe')).toMatch(/^Planned \d+\.\d mm or more$/)
    expect(planned('tacks')).toMatch(/^Planned \d+$/)
  })
})
