import { flushPromises, mount } from '@vue/test-utils'
import { expect, it, vi } from 'vitest'
import { defineComponent, h, nextTick } from 'vue'
import { saidLast, say } from './say.ts'

it('what was done is shown for a moment and heard, the same sentence as often as it is said', async () => {
  const heard: string[] = []
  const Listener = defineComponent(() => () => {
    heard.push(saidLast.value)
    return h('p', saidLast.value)
  })
  mount(Listener)
  await say('Point 25 is on the shelf.')
  await nextTick()
  await say('Point 25 is on the shelf.')
  await flushPromises()
  expect(heard).toEqual(['', 'Point 25 is on the shelf.', '', 'Point 25 is on the shelf.'])
  await vi.waitFor(() => expect(document.querySelectorAll('.n-message')).toHaveLength(2))
  expect(document.querySelector('.n-message')!.textContent).toContain('Point 25 is on the shelf.')
})
