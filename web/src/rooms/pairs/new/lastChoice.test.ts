import { mount } from '@vue/test-utils'
import { expect, it, vi } from 'vitest'
import { last } from '../../../../test/pair.ts'
import LastChoice from './LastChoice.vue'

const pictured: string[] = []
vi.mock('../../../viewer/LastPicture.vue', () => ({
  default: {
    props: ['last'],
    setup: (props: { last: { id: string } }) => {
      pictured.push(props.last.id)
      return () => null
    },
  },
}))

const shelf = Array.from({ length: 300 }, (_, i) => ({ ...last, id: `last-${i}`, name: `Last ${i}` }))

it('of a shelf of 300 lasts only those of the page are pictured; the others are a search or a page away', async () => {
  const wrapper = mount(LastChoice, { props: { lasts: shelf as never, value: 'last-0' } })
  const names = () => wrapper.findAll('input[type="radio"]').map((f) => f.attributes('aria-label'))
  expect(names()).toEqual(shelf.slice(0, 8).map((l) => l.name))
  expect(pictured).toHaveLength(8)
  await wrapper.get('input[type="search"]').setValue('last 29')
  const found = ['Last 29', 'Last 129', 'Last 229', ...Array.from({ length: 10 }, (_, i) => `Last 29${i}`)]
  expect(names()).toEqual(found.slice(0, 8))
  await wrapper
    .findAll('.n-pagination-item')
    .find((p) => p.text() === '2')!
    .trigger('click')
  expect(names()).toEqual(found.slice(8))
  expect(pictured.length).toBeLessThan(24)
  // Another search begins on its first page.
  await wrapper.get('input[type="search"]').setValue('no such')
  expect(wrapper.text()).toContain('No last matches “no such”.')
  await wrapper.findAll('input')[0]!.setValue('last 5')
  await wrapper.get('input[type="radio"][aria-label="Last 5"]').setValue(true)
  expect(wrapper.emitted('choose')).toEqual([['last-5']])
})
