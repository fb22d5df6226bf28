import type { PairSketch } from '@gentle-awl/core'
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import ChosenPair from './ChosenPair.vue'

const shoe: PairSketch['shapes'] = [
  {
    kind: 'upper',
    path: [
      [0, 0],
      [100, 0],
      [50, 60],
    ],
  },
]
const answer = (change: Partial<PairSketch> = {}) => ({
  value: { shapes: shoe, worst: 'fine' as const, stops: [], ...change },
  problem: null,
})
const show = (props: Partial<InstanceType<typeof ChosenPair>['$props']> = {}) =>
  mount(ChosenPair, {
    props: { name: 'Sunday', choice: 'Derby, welted', sketch: undefined, problem: '', missing: false, ...props },
  })

describe('the pair as chosen', () => {
  it('shows the shoe and what stands against it; while the next is planned no word of the one before', async () => {
    const wrapper = show()
    expect(wrapper.get('[role="status"]').text()).toBe('Planning it …')
    await wrapper.setProps({ sketch: answer() })
    expect(wrapper.get('svg').attributes('aria-label')).toBe('Derby, welted, from its side')
    expect(wrapper.text()).toContain('Nothing stands against it.')
    await wrapper.setProps({ sketch: undefined, choice: 'Court, welted' })
    expect(wrapper.find('svg').exists()).toBe(true)
    expect(wrapper.text()).not.toContain('Nothing stands against it.')
    expect(wrapper.get('aside').attributes('aria-busy')).toBe('true')
  })
  it('reads the first few stops and counts the rest', async () => {
    const stops = Array.from({ length: 6 }, (_, i) => ({ where: `Part ${i}`, sentence: `Wrong ${i}.` }))
    const wrapper = show()
    await wrapper.setProps({ sketch: answer({ worst: 'stop', stops }) })
    expect(wrapper.findAll('.stops li').map((l) => l.text())).toEqual([
      'Part 0: Wrong 0.',
      'Part 1: Wrong 1.',
      'Part 2: Wrong 2.',
      'Part 3: Wrong 3.',
      'and 2 more.',
    ])
  })
  it('says why there is no plan, and when something is missing for one', async () => {
    const wrapper = show({ sketch: undefined, missing: true })
    expect(wrapper.text()).toContain('missing yet')
    await wrapper.setProps({
      missing: false,
      sketch: { value: null, problem: 'The throat lies in front of the joint.' },
    })
    expect(wrapper.get('[role="alert"]').text()).toBe('The throat lies in front of the joint.')
    expect(wrapper.find('svg').exists()).toBe(false)
  })
})
