import { samplePair } from '../../../core/test/samplePair.ts'
import { mm, say, type Finding, type PairDecisions, type Remedy } from '@gentle-awl/core'
import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import { createMemoryHistory, createRouter, type Router } from 'vue-router'
import { lengthUnit } from '../app/settings.ts'
import { usePair } from '../stores/pairStore.ts'
import FindingItem from './FindingItem.vue'
import { IN_PAIR } from './inPair.ts'

const finding = (remedy?: Remedy): Finding => ({
  id: 'puff.crease',
  level: 'stop',
  where: 'back edge',
  sentence: 'Too near.',
  measured: 1,
  limit: 4,
  unit: 'mm',
  mend: 'Shorten it.',
  remedy,
})
const nowhere = { template: '<p />' }
let router: Router
beforeEach(async () => {
  setActivePinia(createPinia())
  router = createRouter({ history: createMemoryHistory(), routes: [{ path: '/:all(.*)*', component: nowhere }] })
  await router.push('/pairs/7/parts')
})
function open(remedy?: Remedy, inPair = true) {
  const pair = usePair()
  pair.decisions = samplePair().decisions
  return mount(FindingItem, {
    props: { finding: finding(remedy) },
    global: { plugins: [router], provide: inPair ? { [IN_PAIR]: true } : {} },
    attachTo: document.body,
  })
}
const decided = () => usePair().decisions as PairDecisions

describe('the button of a finding', () => {
  it.each<[string, Remedy, (d: PairDecisions) => unknown, unknown]>([
    [
      'Mend it: Lasting margin, 21.0 mm',
      { kind: 'rule', key: 'upper.lastingMargin', value: 21 },
      (d) => d.rules['upper.lastingMargin'],
      21,
    ],
    [
      'Mend it: Length of the puff, 44.0 mm',
      { kind: 'hand', decision: 'puff.length', value: 44 },
      (d) => d.puff.length,
      44,
    ],
    ['Mend it: Lifts, 3', { kind: 'hand', decision: 'heel.lifts', value: 3 }, (d) => d.heel.lifts, 3],
    [
      'Mend it: Half padding',
      { kind: 'choice', name: 'half padding', decisions: { sock: { padding: 'half' } } },
      (d) => [d.sock.padding, d.sock.extent],
      ['half', 'full'],
    ],
  ])('“%s” does just that', async (name, remedy, read, value) => {
    const item = open(remedy)
    expect(item.get('button').text()).toBe(name)
    await item.get('button').trigger('click')
    expect(read(decided())).toEqual(value)
    // The button goes with the next plan: the focus is not to go with it.
    expect(document.activeElement).toBe(item.element)
  })
  it.each<[string, Remedy, string]>([
    [
      'Choose another material: toe puff',
      { kind: 'open', control: { room: 'decisions', at: 'puff' } },
      '/decisions?at=material-puff',
    ],
    [
      'Choose another material: Vamp lining',
      { kind: 'open', control: { room: 'decisions', piece: { id: 'vampLining', name: 'Vamp lining' } } },
      '/decisions?at=piece-vampLining',
    ],
    ['Choose another last', { kind: 'open', control: { room: 'decisions', at: 'last' } }, '/decisions?at=last'],
    [
      'Show the point on the forme',
      { kind: 'open', control: { room: 'upper', point: 'backMiddle' } },
      '/upper?point=backMiddle',
    ],
    ['Go to the stores', { kind: 'open', control: { room: 'stores' } }, '/stores'],
    [
      'Build this last up',
      { kind: 'open', control: { room: 'last', page: 'build-ups' } },
      `/lasts/${samplePair().decisions.lastId}/build-ups`,
    ],
  ])('“%s” leads there and changes nothing', async (name, remedy, place) => {
    const item = open(remedy)
    const before = decided()
    expect(item.get('button').text()).toBe(name)
    await item.get('button').trigger('click')
    await new Promise((resolve) => setTimeout(resolve))
    expect(router.currentRoute.value.fullPath.endsWith(place)).toBe(true)
    expect(decided()).toEqual(before)
  })
  it('gives lengths in the unit of the screen', () => {
    lengthUnit.value = 'inch'
    expect(open({ kind: 'hand', decision: 'puff.length', value: 50.8 }).get('button').text()).toMatch(/, 2″$/)
  })
  it('is not there for what is mended at the bench, nor where no pair is open', () => {
    expect(open().find('button').exists()).toBe(false)
    const stores: Remedy = { kind: 'open', control: { room: 'stores' } }
    expect(open(stores, false).find('button').exists()).toBe(false)
  })
})

it('says its lengths in the unit of the screen, and changes with it', async () => {
  const sentence = say`The puff comes within ${mm(6.35, 1)} of the crease line.`
  const item = mount(FindingItem, {
    props: { finding: { ...finding(), sentence, mend: say`Shorten it to ${mm(50.8)}.` } },
    global: { plugins: [router] },
  })
  expect(item.text()).toContain('within 6.3 mm of')
  lengthUnit.value = 'inch'
  await nextTick()
  expect(item.text()).toContain('within 1/4″ of the crease line.')
  expect(item.text()).toContain('Shorten it to 2″.')
})
