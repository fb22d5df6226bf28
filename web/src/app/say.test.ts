// Naive UI keeps its messages in the page that it met first: this file has a world of its own.
import { flushPromises, mount } from '@vue/test-utils'
import { expect, it, vi } from 'vitest'
import { defineComponent, h, nextTick } from 'vue'
import { saidLast, say } from './say.ts'

it('what was done is shown for a moment and heard, the same sentence as often as it is said', async () => {
  // Other files say things too, and share this page.
  saidLast.value = ''
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
  const shown = () => [...document.querySelectorAll('.n-message')].map((m) => m.textContent)
  await vi.waitFor(() => expect(shown().filter((t) => t.includes('Point 25 is on the shelf.'))).toHaveLength(2))
})
