import { PairDecisions, PairLabel } from '@gentle-awl/core'
import { mount } from '@vue/test-utils'
import { afterEach, describe, expect, it } from 'vitest'
import { defineComponent, h, nextTick, ref } from 'vue'
import { z } from 'zod'
import { decisions, label } from '../../test/pair.ts'
import PictureChoice from './PictureChoice.vue'
import { useForm } from './useForm.ts'

afterEach(() => document.body.replaceChildren())

describe('a choice by pictures', () => {
  const choice = () =>
    mount(PictureChoice, {
      attachTo: document.body,
      props: {
        label: 'Way',
        value: 'welted',
        options: [
          { value: 'welted', name: 'Welted', says: 'Sewn to a welt.' },
          { value: 'cemented', name: 'Cemented', says: 'Cement alone.' },
          { value: 'cup sole', name: 'Cup sole', barred: 'Another style has one.' },
        ],
      },
      slots: { picture: ({ value }: { value: string }) => `picture of ${value}` },
    })
  it('is one group under its name: each field has its own name, and what it means', () => {
    const wrapper = choice()
    expect(wrapper.get('[role="radiogroup"]').attributes('aria-label')).toBe('Way')
    const fields = wrapper.findAll('input[type="radio"]')
    expect(fields.map((f) => f.attributes('aria-label'))).toEqual(['Welted', 'Cemented', 'Cup sole'])
    expect(new Set(fields.map((f) => f.attributes('name'))).size).toBe(1)
    expect(fields.map((f) => (f.element as HTMLInputElement).checked)).toEqual([true, false, false])
    for (const [i, says] of ['Sewn to a welt.', 'Cement alone.', 'Another style has one.'].entries()) {
      const id = fields[i]!.attributes('aria-describedby')!
      expect(document.getElementById(id)?.textContent).toBe(says)
    }
  })
  it('gives what was chosen, and nothing that is barred', async () => {
    const wrapper = choice()
    const fields = wrapper.findAll('input[type="radio"]')
    expect((fields[2]!.element as HTMLInputElement).disabled).toBe(true)
    await fields[1]!.setValue(true)
    expect(wrapper.emitted('choose')).toEqual([['cemented']])
  })
  it('shows every picture as a picture: not read out, since its name says it', () => {
    const pictures = choice().findAll('.shows')
    expect(pictures.map((p) => p.text())).toEqual(['picture of welted', 'picture of cemented', 'picture of cup sole'])
    expect(pictures.every((p) => p.attributes('aria-hidden') === 'true')).toBe(true)
  })
})

describe('a form that is read by the schema of its document', () => {
  const schema = z.object({ label: PairLabel, decisions: PairDecisions })
  const filledWrong = {
    label: { ...label, order: ' ' },
    decisions: { ...decisions, size: { system: 'paris', value: NaN } },
  }
  const says = { 'decisions.size': 'Give a size as a number.' }
  /** A page with the form on it: its fields are marked as the form says. */
  function page() {
    let form!: ReturnType<typeof useForm<typeof schema>>
    const wrapper = mount(
      defineComponent(() => {
        const root = ref<HTMLElement | null>(null)
        form = useForm(schema, root, says)
        const field = (name: string) =>
          h('input', { name, 'aria-invalid': form.at(name).wrong === undefined ? 'false' : 'true' })
        return () =>
          h('form', { ref: root }, [
            field('label.order'),
            field('decisions.size.value'),
            h('input', { name: 'figure' }),
          ])
      }),
      { attachTo: document.body },
    )
    const marked = () => wrapper.findAll('[aria-invalid="true"]').map((f) => f.attributes('name'))
    return { form, wrapper, marked }
  }

  it('what is wrong where there is no field is said by the form, and by no field', async () => {
    const { form, marked } = page()
    await form.read({ label: { ...label, note: 'n'.repeat(2000) }, decisions })
    expect(marked()).toEqual([])
    expect(form.elsewhere.value).not.toBe('')
    expect(form.elsewhere.value).toBe(form.wrong['label.note'])
    // Beside a field that says it itself, what has none is said all the same; as often as it is read.
    for (let k = 0; k < 2; k++) {
      await form.read({ label: { ...label, order: ' ', note: 'n'.repeat(2000) }, decisions })
      expect(marked()).toEqual(['label.order'])
      expect(form.elsewhere.value).toBe(form.wrong['label.note'])
    }
    await form.read({ label: { ...label, order: ' ' }, decisions })
    expect(form.elsewhere.value).toBe('')
    form.at('label.order')['onUpdate:value']()
    await nextTick()
    expect(marked()).toEqual([])
    await form.read({ label, decisions })
    expect(form.elsewhere.value).toBe('')
  })

  it('gives the document where all is well', async () => {
    const { form } = page()
    expect(await form.read({ label: { ...label, order: ' 12 ' }, decisions })).toEqual({
      label: { ...label, order: '12' },
      decisions,
    })
    expect(form.wrong).toEqual({})
  })
  it('says at each field what its schema says, or what the form says for it, and goes to the first; as often as it is pressed', async () => {
    const { form, marked } = page()
    for (let k = 0; k < 2; k++) {
      expect(await form.read(filledWrong)).toBeUndefined()
      expect(form.wrong).toEqual({
        'label.order': 'Give the order a number.',
        'decisions.size.value': 'Give a size as a number.',
      })
      expect(marked()).toEqual(['label.order', 'decisions.size.value'])
      expect(document.activeElement?.getAttribute('name')).toBe('label.order')
    }
    form.mended('label.order')
    await nextTick()
    expect(marked()).toEqual(['decisions.size.value'])
    // What is right now is not marked from before, and does not stand in the way.
    expect(await form.read({ label, decisions })).toEqual({ label, decisions })
    expect(marked()).toEqual([])
  })
  it('sends nothing while a figure on it cannot be read', async () => {
    const { form, wrapper } = page()
    wrapper.get('[name="figure"]').element.setAttribute('aria-invalid', 'true')
    expect(await form.read({ label, decisions })).toBeUndefined()
    expect(document.activeElement?.getAttribute('name')).toBe('figure')
  })
})
