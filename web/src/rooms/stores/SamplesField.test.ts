import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import GaugeButton from '../../ui/gauge/GaugeButton.vue'
import SamplesField from './SamplesField.vue'

const show = (thickness: number, samples: number[]) => {
  const w = mount(SamplesField, { props: { thickness, samples } })
  return {
    w,
    last: () => w.emitted('change')?.at(-1)?.[0],
    button: (name: string) => w.findAll('button').find((b) => (b.attributes('aria-label') ?? b.text()) === name)!,
  }
}

it('has one reading until there is another, and is planned with their mean', async () => {
  const { w, last, button } = show(1.4, [])
  expect(w.findAll('input')).toHaveLength(1)
  await button('Another reading over the hide').trigger('click')
  expect(last()).toEqual({ thickness: 1.4, samples: [1.4, 1.4] })
  await w.setProps({ samples: [1.4, 1.4] })
  const field = w.get('input[aria-label="Reading 2, mm"]')
  await field.setValue('1.7')
  await field.trigger('blur')
  expect(last()).toEqual({ thickness: 1.55, samples: [1.4, 1.7] })
  await w.setProps({ thickness: 1.55, samples: [1.4, 1.7] })
  expect(w.text()).toContain('2 readings, 1.4 mm to 1.7 mm; planned with their mean, 1.55 mm.')
})
it('is one reading again when all others are struck out', async () => {
  const { last, button } = show(1.55, [1.4, 1.7])
  await button('Strike out reading 1').trigger('click')
  expect(last()).toEqual({ thickness: 1.7, samples: [] })
})
it('takes what the gauge reads: the first in the place of what was typed, the rest over the hide', async () => {
  const { w, last } = show(1.4, [])
  const reads = (mm: number) => w.getComponent(GaugeButton).vm.$emit('read', mm)
  reads(1.31)
  expect(last()).toEqual({ thickness: 1.31, samples: [] })
  await w.setProps({ thickness: 1.31 })
  reads(1.37)
  expect(last()).toEqual({ thickness: 1.34, samples: [1.31, 1.37] })
})
