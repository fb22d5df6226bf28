import { type rolesOfKind } from '@gentle-awl/core'
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import ServesFields from './ServesFields.vue'

const show = async (serves: ReturnType<typeof rolesOfKind> | null) => {
  const w = mount(ServesFields, { props: { kind: 'puff leather', serves } })
  await w.get('button').trigger('click')
  return w
}
const on = (w: Awaited<ReturnType<typeof show>>) =>
  w
    .findAll('[role="checkbox"]')
    .filter((c) => c.attributes('aria-checked') === 'true')
    .map((c) => c.text())
const press = (w: Awaited<ReturnType<typeof show>>, name: string) =>
  w
    .findAll('[role="checkbox"]')
    .find((c) => c.text() === name)!
    .trigger('click')

it('says what the kind usually serves as, and more by a press', async () => {
  const w = await show(null)
  expect(w.get('button').text()).toBe('Serves as: toe puff')
  expect(on(w)).toEqual(['Toe puff'])
  await press(w, 'Midsole')
  expect(w.emitted('change')).toEqual([[['puff', 'midsole']]])
})
it('is no rule of its own once it says what is usual, and can be given back', async () => {
  const w = await show(['puff', 'midsole'])
  expect(on(w)).toEqual(['Toe puff', 'Midsole'])
  expect(w.text()).toContain('By your own rule.')
  await press(w, 'Midsole')
  await w.findAll('button').at(-1)!.trigger('click')
  expect(w.emitted('change')).toEqual([[null], [null]])
})
it('may serve as nothing: then it is offered nowhere', async () => {
  const w = await show(['puff'])
  expect(w.text()).toContain('By your own rule.')
  await press(w, 'Toe puff')
  expect(w.emitted('change')).toEqual([[[]]])
})
