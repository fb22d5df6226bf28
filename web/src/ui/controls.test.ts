import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { lengthUnit } from '../app/settings.ts'
import ChoiceBar from './ChoiceBar.vue'
import KeptInput from './KeptInput.vue'
import LengthField from './LengthField.vue'

describe('a length typed by hand', () => {
  const field = (value = 58) => mount(LengthField, { props: { value, min: 30, max: 70, label: 'Height' } })
  const type = async (wrapper: ReturnType<typeof field>, text: string) => {
    // setValue also fires the change event.
    await wrapper.find('input').setValue(text)
  }
  it('is taken when it reads well', async () => {
    const f = field()
    await type(f, '61,5')
    expect(f.emitted('change')).toEqual([[61.5]])
    expect(f.text()).not.toContain('From')
  })
  it.each([
    ['tall', /Write a number/],
    ['90', /From 30 mm to 70 mm/],
    ['-3', /From 30 mm/],
  ])('"%s" is refused with a sentence and changes nothing', async (text, sentence) => {
    const f = field()
    await type(f, text)
    expect(f.emitted('change')).toBeUndefined()
    expect(f.find('[role="alert"]').text()).toMatch(sentence)
    expect(f.find('input').attributes('aria-invalid')).toBe('true')
  })
  it('reads fractions in inches, and a bare number as inches there', async () => {
    lengthUnit.value = 'inch'
    const f = field()
    expect((f.find('input').element as HTMLInputElement).value).toBe('2 5/16″')
    await type(f, '2 1/2 in')
    await type(f, '1.5')
    const [[first], [second]] = f.emitted('change') as [[number], [number]]
    expect(first).toBeCloseTo(63.5, 9)
    expect(second).toBeCloseTo(38.1, 9)
  })
  it('shows a new figure when the plan changes it', async () => {
    const f = field()
    await f.setProps({ value: 44.26 })
    expect((f.find('input').element as HTMLInputElement).value).toBe('44.3')
  })
})

describe('a field that is being typed in', () => {
  it('keeps the text while the page is drawn anew around it, and gives it out when left', async () => {
    const f = mount(KeptInput, { props: { value: 8.5 } })
    const input = f.find('input').element as HTMLInputElement
    input.value = '5'
    await f.find('input').trigger('input')
    // The parent renders again with the same value: what is typed stays.
    await f.setProps({ value: 8.5 })
    f.vm.$forceUpdate()
    await f.vm.$nextTick()
    expect(input.value).toBe('5')
    await f.find('input').trigger('change')
    expect(f.emitted('change')).toEqual([['5']])
    await f.setProps({ value: 8.5 })
    const number = mount(KeptInput, { props: { value: 3 }, attrs: { type: 'number' } })
    await number.find('input').setValue('4.5')
    expect(number.emitted('change')).toEqual([['4.5']])
    // A value that really changed is shown.
    await f.setProps({ value: 7 })
    expect(input.value).toBe('7')
  })
})

describe('one of a few', () => {
  const options = [
    { value: 'none', name: 'no padding' },
    { value: 'half', name: 'half' },
    { value: 'full', name: 'full' },
  ]
  const bar = (value: string) =>
    mount(ChoiceBar<string>, { props: { label: 'Padding', options, value }, attachTo: document.body })
  it('is a radio group with one stop for the tab key', () => {
    const b = bar('half')
    expect(b.attributes('role')).toBe('radiogroup')
    expect(b.findAll('button').map((x) => [x.attributes('aria-checked'), x.attributes('tabindex')])).toEqual([
      ['false', '-1'],
      ['true', '0'],
      ['false', '-1'],
    ])
  })
  it('goes round with the arrow keys', async () => {
    const b = bar('full')
    await b.trigger('keydown', { key: 'ArrowRight' })
    await b.trigger('keydown', { key: 'ArrowLeft' })
    await b.trigger('keydown', { key: 'x' })
    expect(b.emitted('choose')).toEqual([['none'], ['half']])
  })
  it('can be reached even when nothing is chosen yet', () => {
    expect(bar('other').findAll('button')[0]!.attributes('tabindex')).toBe('0')
  })
})
