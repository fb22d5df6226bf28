import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import { lengthUnit } from '../app/settings.ts'
import FigureField from './FigureField.vue'
import { unread } from './unread.ts'

type Props = InstanceType<typeof FigureField>['$props']
const field = (props: Partial<Props> = {}) =>
  mount(FigureField, { props: { value: 2, label: 'Thickness', min: 0.3, max: 12, ...props }, attachTo: document.body })
const input = (f: ReturnType<typeof field>) => f.find('input').element as HTMLInputElement
/** Writes the text and leaves the field. */
const type = (f: ReturnType<typeof field>, text: string) => f.find('input').setValue(text)
/** Writes the text and stays. */
const press = (f: ReturnType<typeof field>, text: string) => {
  input(f).value = text
  return f.find('input').trigger('input')
}

describe('a figure typed by hand', () => {
  it('where a shape follows what is typed, each figure that can be goes out at once, and no half of one is scolded', async () => {
    const f = field({ live: true, value: 280, min: 150, max: 350 })
    for (const text of ['2', '29', '290', '290x']) await press(f, text)
    expect(f.emitted('change')).toEqual([[290]])
    expect(f.find('[role="alert"]').exists()).toBe(false)
    await f.find('input').trigger('change')
    expect(f.get('[role="alert"]').text()).toMatch(/is no number/)
    const patient = field({ value: 280, min: 150, max: 350 })
    await press(patient, '290')
    expect(patient.emitted('change')).toBeUndefined()
  })
  it.each([
    ['1,2', 1.2],
    ['1.2', 1.2],
    ['1/2', 0.5],
    ['1 1/2', 1.5],
    [' 3 ', 3],
  ])('"%s" is read as %d', async (text, value) => {
    const f = field()
    await type(f, text)
    expect(f.emitted('change')).toEqual([[value]])
    expect(f.find('[role="alert"]').exists()).toBe(false)
  })
  it.each([
    ['thick', {}, /“thick” is no number/],
    ['1,2,3', {}, /is no number/],
    ['-1', {}, /From 0.3 to 12\./],
    ['120', {}, /From 0.3 to 12\./],
    ['', {}, /Write a number\./],
    ['2,5', { whole: true, min: 1, max: 9 }, /Write a whole number\. From 1 to 9\./],
    ['-1', { min: 0, max: undefined }, /0 or more\./],
  ])('"%s" is refused at the field and goes nowhere', async (text, props, sentence) => {
    const f = field(props)
    await type(f, text)
    expect(f.emitted('change')).toBeUndefined()
    const said = f.find('[role="alert"]')
    expect(said.text()).toMatch(sentence)
    // The sentence belongs to the field, for those who hear the page.
    expect(input(f).getAttribute('aria-describedby')).toBe(said.attributes('id'))
    expect(input(f).getAttribute('aria-invalid')).toBe('true')
    expect(input(f).value).toBe(text)
  })
  it('takes its sentence back at the key that mends it', async () => {
    const f = field()
    await type(f, '12x')
    expect(f.find('[role="alert"]').exists()).toBe(true)
    await press(f, '11')
    expect(f.find('[role="alert"]').exists()).toBe(false)
    expect(f.emitted('change')?.at(-1)).toEqual([11])
  })
  it('may be empty only where that means something', async () => {
    const f = field({ empty: 'as the rule says' })
    await type(f, '')
    expect(f.emitted('change')).toEqual([[null]])
    expect(f.find('[role="alert"]').exists()).toBe(false)
  })
  it('goes up and down by its step, and not past its range', async () => {
    const f = field({ value: 11.9, step: 0.1 })
    await f.find('input').trigger('keydown', { key: 'ArrowUp' })
    await f.setProps({ value: 12 })
    await f.find('input').trigger('keydown', { key: 'ArrowUp' })
    expect(input(f).value).toBe('12')
    await f.find('input').trigger('keydown', { key: 'ArrowDown' })
    expect(f.emitted('change')).toEqual([[12], [11.9]])
  })
  it('keeps what is being typed while the page is drawn anew, and shows a figure that another changed', async () => {
    const f = field()
    await press(f, '2,')
    await f.setProps({ value: 2, label: 'Thickness, mm' })
    expect(input(f).value).toBe('2,')
    await f.setProps({ value: 4.5 })
    expect(input(f).value).toBe('4.5')
  })
})

describe('a form with a figure that could not be read', () => {
  it('is not to be kept, and the focus goes to that figure', async () => {
    const form = mount(
      {
        components: { FigureField },
        template: '<form><FigureField :value="1" label="One" /><FigureField :value="2" label="Two" /></form>',
      },
      { attachTo: document.body },
    )
    expect(unread(form.element)).toBe(false)
    const two = form.findAll('input')[1]!
    await two.setValue('2,,5')
    expect(unread(form.element)).toBe(true)
    expect(document.activeElement).toBe(two.element)
    await two.setValue('2,5')
    expect(unread(form.element)).toBe(false)
    expect(unread(null)).toBe(false)
  })
})

describe('a length on a screen in inches', () => {
  const inches = (props: Partial<Props> = {}) => {
    lengthUnit.value = 'inch'
    return field({ value: 6.35, unit: 'mm', ...props })
  }
  it.each([
    ['3/8', 9.525],
    ['3/8″', 9.525],
    ['0.25 in', null],
    ['8 mm', 8],
  ])('"%s" is read in inches unless it says otherwise', async (text, value) => {
    const f = inches()
    expect(input(f).value).toBe('1/4″')
    await type(f, text)
    expect(f.emitted('change') ?? []).toEqual(value === null ? [] : [[value]])
    expect(f.find('[role="alert"]').exists()).toBe(false)
  })
  it('is not made coarser by being looked at', async () => {
    const f = inches({ value: 2.3 })
    await f.find('input').trigger('change')
    expect(f.emitted('change')).toBeUndefined()
  })
  it('says its range and how it is written in inches', async () => {
    const f = inches()
    await type(f, '2')
    expect(f.get('[role="alert"]').text()).toBe('From 1/64″ to 15/32″.')
    await type(f, 'thick')
    expect(f.get('[role="alert"]').text()).toMatch(/no length\. Write it like 1\/2 or 1 3\/8″/)
  })
  it('goes over to the other unit and back', async () => {
    const f = inches()
    lengthUnit.value = 'mm'
    await nextTick()
    expect(input(f).value).toBe('6.35')
    lengthUnit.value = 'inch'
    await nextTick()
    expect(input(f).value).toBe('1/4″')
  })
  it('leaves what is no length alone', () => {
    expect(input(inches({ value: 0.25, unit: 'share' })).value).toBe('0.25')
  })
})
