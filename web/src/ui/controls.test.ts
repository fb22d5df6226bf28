import { mount, type DOMWrapper, type VueWrapper } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import { lengthUnit } from '../app/settings.ts'
import ChoiceBar from './ChoiceBar.vue'
import DayField from './DayField.vue'
import FileButton from './FileButton.vue'
import LengthField from './LengthField.vue'
import SelectField from './SelectField.vue'
import SliderField from './SliderField.vue'
import TextField from './TextField.vue'

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

describe('a text field', () => {
  const input = (f: VueWrapper) => f.find('input').element as HTMLInputElement
  it('keeps the text while the page is drawn anew around it, and gives it out when left', async () => {
    const f = mount(TextField, { props: { label: 'Order number', value: '8' } })
    await f.find('input').setValue('85')
    // The parent renders again with the same value: what is typed stays.
    await f.setProps({ value: '8' })
    f.vm.$forceUpdate()
    await nextTick()
    expect(input(f).value).toBe('85')
    expect(f.emitted('update:value')).toEqual([['85']])
    expect(f.emitted('change')).toEqual([['85']])
    // A value that really changed is shown.
    await f.setProps({ value: '7' })
    expect(input(f).value).toBe('7')
  })
  it('is named by its label, and what is wrong is said at it', async () => {
    const f = mount(TextField, { props: { label: 'Order number', value: '', name: 'order' }, attachTo: document.body })
    expect(f.element.tagName).toBe('LABEL')
    const name = () => document.getElementById(f.find('input').attributes('aria-labelledby') ?? '')?.textContent
    expect(name()).toBe('Order number')
    expect(f.find('input').attributes('aria-invalid')).toBe('false')
    await f.setProps({ wrong: 'Give the order a number.' })
    const said = document.getElementById(f.find('input').attributes('aria-describedby') ?? '')
    expect(said?.textContent).toBe('Give the order a number.')
    expect(name()).toBe('Order number')
    expect(f.find('input').attributes()).toMatchObject({ 'aria-invalid': 'true', name: 'order' })
    f.unmount()
  })
  it('says a hint, and refuses nothing for it', async () => {
    const f = mount(TextField, {
      props: { label: 'Name', value: 'Bend', hint: 'There is one.' },
      attachTo: document.body,
    })
    const box = f.get('input')
    expect(box.attributes('aria-invalid')).toBe('false')
    expect(document.getElementById(box.attributes('aria-describedby') ?? '')?.textContent).toBe('There is one.')
    expect(f.find('[role="alert"]').exists()).toBe(false)
    await f.setProps({ wrong: 'Write a name.' })
    expect(f.text()).not.toContain('There is one.')
    f.unmount()
  })
  it('has lines where it is given some', () => {
    expect(mount(TextField, { props: { label: 'Note', value: 'a', rows: 3 } }).find('textarea').element.value).toBe('a')
  })
})

describe('one of a few', () => {
  const options = [
    { value: 'none', name: 'no padding' },
    { value: 'half', name: 'half' },
    { value: 'full', name: 'full' },
  ]
  const bar = (value: string) => mount(ChoiceBar<string>, { props: { label: 'Padding', options, value } })
  it('is a named group of radio buttons of its own', () => {
    const both = mount({
      components: { ChoiceBar },
      setup: () => ({ options }),
      template: `<div><ChoiceBar label="Padding" :options="options" value="half" /><ChoiceBar label="Other" :options="options" value="none" /></div>`,
    })
    const [b, other] = both.findAll('[role="radiogroup"]') as [DOMWrapper<Element>, DOMWrapper<Element>]
    expect(b.attributes()).toMatchObject({ role: 'radiogroup', 'aria-label': 'Padding' })
    const radios = b.findAll<HTMLInputElement>('input[type="radio"]')
    expect(radios.map((r) => r.element.checked)).toEqual([false, true, false])
    const names = [...radios, ...other.findAll('input')].map((r) => r.attributes('name'))
    expect(new Set(names.slice(0, 3)).size).toBe(1)
    expect(names[0]).not.toBe(names[3])
  })
  it('tells what was chosen', async () => {
    const b = bar('full')
    await b.findAll('input')[0]!.setValue(true)
    expect(b.emitted('choose')).toEqual([['none']])
  })
  it('gives out what is chosen already only where that means something', async () => {
    for (const again of [false, true]) {
      const b = mount(ChoiceBar<string>, { props: { label: 'View', options, value: 'half', again } })
      await b.findAll('label')[1]!.trigger('click')
      expect(b.emitted('choose') ?? []).toEqual(again ? [['half']] : [])
    }
  })
  it('keeps its arrow keys to itself, and no other key', async () => {
    const heard: string[] = []
    const hear = (event: KeyboardEvent) => heard.push(event.key)
    window.addEventListener('keydown', hear)
    const b = mount(ChoiceBar<string>, { props: { label: 'Padding', options, value: 'full' }, attachTo: document.body })
    for (const key of ['ArrowRight', 'ArrowUp', ']']) await b.trigger('keydown', { key })
    window.removeEventListener('keydown', hear)
    expect(heard).toEqual([']'])
    b.unmount()
  })
})

describe('one of several', () => {
  const options = (n: number) => Array.from({ length: n }, (_, i) => ({ value: `${i}`, name: `Last ${i}` }))
  const select = (n: number, props: { wrong?: string } = {}) =>
    mount(SelectField<string>, {
      props: { label: 'Last', name: 'last', value: '1', options: options(n), ...props },
      attachTo: document.body,
    })
  const list = () => document.querySelector('[role="listbox"]')
  const lines = () => [...document.querySelectorAll('[role="option"]')]
  /** What is drawn a moment later, as the arrow that is drawn with the next frame. */
  const settled = () => new Promise((resolve) => setTimeout(resolve, 30))
  it.each([
    ['few', 3],
    ['many', 40],
  ])('of %s has a name, says whether it is open, and what is chosen', async (_, n) => {
    const f = select(n)
    const box = f.get('[role="combobox"]')
    expect(document.getElementById(box.attributes('aria-labelledby') ?? '')?.textContent).toBe('Last')
    expect(box.attributes()).toMatchObject({ name: 'last', 'aria-expanded': 'false', 'aria-invalid': 'false' })
    expect(f.text()).toContain('Last 1')
    await f.get('.n-base-selection').trigger('keydown', { key: 'Enter' })
    await settled()
    expect(box.attributes('aria-expanded')).toBe('true')
    expect(list()?.id).toBe(box.attributes('aria-controls'))
    expect(lines().length).toBeGreaterThan(2)
    expect(lines().find((l) => l.getAttribute('aria-selected') === 'true')?.textContent).toBe('Last 1')
    f.unmount()
  })
  it('goes by the arrow keys, tells which line they are on, and what was chosen', async () => {
    const f = select(3)
    const keys = f.get('.n-base-selection')
    await keys.trigger('keydown', { key: 'ArrowDown' })
    await settled()
    await keys.trigger('keydown', { key: 'ArrowDown' })
    await settled()
    const on = f.get('[role="combobox"]').attributes('aria-activedescendant') ?? ''
    expect(document.getElementById(on)?.textContent).toBe('Last 2')
    await keys.trigger('keydown', { key: 'Enter' })
    expect(f.emitted('choose')).toEqual([['2']])
    f.unmount()
  })
  it('is searched by typing when it is long', async () => {
    const f = select(40)
    await f.get('.n-base-selection').trigger('keydown', { key: 'Enter' })
    await f.get('input').setValue('last 37')
    await settled()
    expect(lines().map((l) => l.textContent)).toEqual(['Last 37'])
    f.unmount()
  })
  it('says at the field what is wrong', () => {
    const f = select(3, { wrong: 'Choose one.' })
    const box = f.get('[role="combobox"]')
    expect(box.attributes('aria-invalid')).toBe('true')
    expect(document.getElementById(box.attributes('aria-describedby') ?? '')?.textContent).toBe('Choose one.')
    f.unmount()
  })
})

describe('a figure that is moved', () => {
  const slider = () =>
    mount(SliderField, { props: { label: 'Puff', value: 58, min: 30, max: 70, step: 0.5, said: '58.0 mm' } })
  it('has a name, a value in words, and ends', () => {
    expect(slider().get('[role="slider"]').attributes()).toMatchObject({
      'aria-label': 'Puff',
      'aria-valuetext': '58.0 mm',
      'aria-valuenow': '58',
      'aria-valuemin': '30',
      'aria-valuemax': '70',
      tabindex: '0',
    })
  })
  it('says its new value when it has moved', async () => {
    const s = slider()
    await s.setProps({ value: 59, said: '59.0 mm' })
    expect(s.get('[role="slider"]').attributes('aria-valuetext')).toBe('59.0 mm')
  })
  it('stays where the hand has it while answers to older moves come in, and goes where something else moves it', async () => {
    const s = slider()
    const now = () => s.get('[role="slider"]').attributes('aria-valuenow')
    for (const key of ['PageUp', 'PageUp']) await s.trigger('keydown', { key })
    expect([now(), s.emitted('move')]).toEqual(['68', [[63], [68]]])
    await s.setProps({ value: 63 })
    expect(now()).toBe('68')
    await s.setProps({ value: 68 })
    expect(now()).toBe('68')
    // Undone: the first figure comes back, which was never sent from here.
    await s.setProps({ value: 58 })
    expect(now()).toBe('58')
  })
  it.each([
    ['PageUp', 63],
    ['PageDown', 53],
    ['Home', 30],
    ['End', 70],
  ])('goes far by %s, never past its ends', async (key, to) => {
    const s = slider()
    await s.trigger('keydown', { key })
    expect(s.emitted('move')).toEqual([[to]])
  })
})

describe('a file of the person’s own', () => {
  const file = new File(['0 0'], 'points.txt', { type: 'text/plain' })
  it('is handed over when it is chosen, as often as it is', async () => {
    const f = mount(FileButton, { props: { label: 'Choose a drawing', accept: '.txt', name: 'drawing' } })
    const input = f.get('input[type="file"]')
    expect(input.attributes()).toMatchObject({ accept: '.txt', name: 'drawing', 'aria-label': 'Choose a drawing' })
    for (const n of [1, 2]) {
      Object.defineProperty(input.element, 'files', { value: [file], configurable: true })
      await input.trigger('change')
      await new Promise((resolve) => setTimeout(resolve))
      expect(f.emitted('file')).toHaveLength(n)
    }
    expect(f.emitted('file')![0]).toEqual([file])
  })
  it('may be dropped on the button, which says so', async () => {
    const f = mount(FileButton, { props: { label: 'Choose a drawing', accept: '.txt' } })
    await f.trigger('dragover')
    expect(f.get('button').text()).toBe('Let it go here')
    await f.trigger('drop', { dataTransfer: { files: [file] } })
    expect(f.emitted('file')).toEqual([[file]])
    expect(f.get('button').text()).toBe('Choose a drawing')
  })
})

describe('a day', () => {
  it('is written one way, typed or picked, and kept as the calendar has it', async () => {
    const f = mount(DayField, { props: { label: 'From', name: 'from', value: '2026-11-05' }, attachTo: document.body })
    const box = f.get('input')
    expect(box.element.value).toBe('5 Nov 2026')
    expect(box.attributes('name')).toBe('from')
    expect(document.getElementById(box.attributes('aria-labelledby') ?? '')?.textContent).toBe('From')
    await box.trigger('focus')
    await box.setValue('24 Dec 2026')
    await box.trigger('blur')
    expect(f.emitted('update:value')?.at(-1)).toEqual(['2026-12-24'])
    f.unmount()
  })
})
