import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import DayField from '../../ui/DayField.vue'
import DaysOffFields from './DaysOffFields.vue'

it('days are added in their order, one alone as one day; a last day before the first is refused with why', async () => {
  const known = [{ from: '2026-12-24', to: '2026-12-27', why: '' }]
  const fields = mount(DaysOffFields, {
    props: { days: known, name: 'off', words: { add: 'Close these days', remove: 'Open again' } },
  })
  const [from, to] = fields.findAllComponents(DayField)
  const add = fields.findAll('button').find((b) => b.text() === 'Close these days')!
  await add.trigger('click')
  expect(fields.text()).toContain('Give the first day')
  from!.vm.$emit('update:value', '2026-11-30')
  to!.vm.$emit('update:value', '2026-11-29')
  await add.trigger('click')
  expect(fields.emitted('change')).toBeUndefined()
  to!.vm.$emit('update:value', '')
  await add.trigger('click')
  expect(fields.emitted('change')).toEqual([[[{ from: '2026-11-30', to: '2026-11-30', why: '' }, ...known]]])
  await fields.get('[aria-label="Open again: 2026-12-24"]').trigger('click')
  expect(fields.emitted('change')!.at(-1)).toEqual([[]])
})
