import { planPair } from '@gentle-awl/core'
import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { samplePair } from '../../../../../../core/test/samplePair.ts'
import LacingPanel from './LacingPanel.vue'

beforeEach(() => setActivePinia(createPinia()))

describe('what is decided about the lacing', () => {
  const input = samplePair()
  const decided = input.decisions.upper.lacing
  it('says on a last how many pairs and how long a lace', () => {
    const { lacing } = planPair(input).upper
    const panel = mount(LacingPanel, { props: { decided, lacing } })
    expect(panel.html()).toContain(`${lacing!.pairs.length} by rule`)
    expect(panel.get('[data-testid="lace"]').text()).toContain(`Lace: ${lacing!.lace.toFixed(0)} mm`)
  })
  it('of a pattern that lies on no last says that the length is not known, and takes the rest all the same', async () => {
    const panel = mount(LacingPanel, { props: { decided, lacing: null } })
    expect(panel.find('[data-testid="lace"]').exists()).toBe(false)
    expect(panel.text()).toContain('How long the lace must be is not known')
    await panel.get('[role="checkbox"]').trigger('click')
    expect(panel.emitted('change')).toEqual([[{ ...decided, guard: true }]])
  })
})
