import { diagnose, faultCase, faultsOf, planPair, remedied, type PlanInput } from '@gentle-awl/core'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { keptCache } from '../../../../../../core/test/keptCache.ts'
import { decisions, label, sample, view } from '../../../../../test/pair.ts'
import { ApiError } from '../../../../api/ask.ts'
import { api } from '../../../../api/client.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { useWorkshop } from '../../../../stores/workshopStore.ts'
import SuspectCard from './SuspectCard.vue'

const cache = keptCache()
vi.mock('../../../../workers/plan/planner.ts', () => ({
  planLatest: vi.fn(),
  planInTurn: (input: PlanInput) => Promise.resolve({ problem: null, value: planPair(input, cache) }),
}))

const plan = planPair(sample, cache)
const given = faultCase({
  plan,
  decisions,
  materials: sample.materials,
  houseRules: {},
  log: [],
  readings: [],
  foot: 'right',
})
const suspect = (fault: string, cause: string) =>
  diagnose(
    faultsOf(given).find((f) => f.id === fault)!,
    given,
  ).find((s) => s.id === cause)!
const crease = suspect('crease', 'longPuff')

beforeEach(() => {
  vi.stubGlobal('BroadcastChannel', undefined)
  setActivePinia(createPinia())
  const pair = usePair()
  pair.view = view()
  pair.decisions = decisions
  pair.label = label
  pair.whole = plan
  vi.spyOn(useWorkshop(), 'inputOf').mockImplementation((of) => ({ ...sample, decisions: of }))
})
afterEach(() => {
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})
const shown = (of = crease) => {
  const card = mount(SuspectCard, {
    props: { suspect: of, first: true, foot: 'right' },
    global: { stubs: { RouterLink: { props: ['to'], template: '<a :href="to"><slot /></a>' }, RemedyButton: true } },
  })
  const press = async (name: string) => {
    await card
      .findAll('button')
      .find((b) => b.text() === name)!
      .trigger('click')
    await flushPromises()
  }
  return { card, press }
}

describe('a suspect on its card', () => {
  it('says how likely in a word and a figure, and which way each piece of evidence points', () => {
    const { card } = shown({
      ...crease,
      share: 0.56,
      evidence: [
        { factor: 4, sentence: 'The puff is long.' },
        { factor: 1, sentence: 'The leather is of any kind.' },
        { factor: 0.5, sentence: 'It was measured.' },
      ],
    })
    expect(card.get('.name').text()).toMatch(/most likely, 56 %/)
    expect(card.findAll('.evidence li').map((li) => li.get('svg').attributes('aria-label'))).toEqual([
      'Points to it:',
      'Says nothing either way:',
      'Speaks against it:',
    ])
  })
  it('shows what would change beside the pair, which stays as it is', async () => {
    const add = vi.spyOn(api, 'addPair')
    const { card, press } = shown()
    await press('See what that would change')
    await vi.waitFor(() => expect(card.findAll('li').length).toBeGreaterThan(crease.evidence.length))
    expect(usePair().decisions).toEqual(decisions)
    expect(add).not.toHaveBeenCalled()
  })
  it('keeps a copy with that change under a number of its own, due on no day', async () => {
    const names = [{ id: 'a', order: '1041', name: 'Derby', lastId: 'b', leftLastId: null }]
    vi.spyOn(api, 'pairNames').mockResolvedValue(names)
    const add = vi
      .spyOn(api, 'addPair')
      .mockImplementation((given, what) => Promise.resolve(view(1, { id: 'copy', label: given, decisions: what })))
    const { card, press } = shown()
    await press('Try it on a copy')
    await vi.waitFor(() => expect(card.find('[role="status"]').exists()).toBe(true))
    const { remedy } = crease.prevents
    if (!remedy || remedy.kind === 'open') throw new Error('nothing to try')
    const changed = remedied(decisions, remedy, false)
    expect(changed).not.toEqual(decisions)
    expect(add).toHaveBeenCalledExactlyOnceWith(
      { ...label, order: '1042', name: 'Sample pair, tried', due: null },
      changed,
    )
    expect(card.get('[role="status"] a').attributes('href')).toBe('/pairs/copy/decisions')
    expect(usePair().decisions).toEqual(decisions)
  })
  it('what the server refuses is said, and no copy is claimed', async () => {
    vi.spyOn(api, 'pairNames').mockRejectedValue(new ApiError(503, 'Its hands are full.'))
    const { card, press } = shown()
    await press('Try it on a copy')
    expect(card.get('[role="alert"]').text()).toContain('Its hands are full.')
    expect(card.find('[role="status"]').exists()).toBe(false)
  })
})
