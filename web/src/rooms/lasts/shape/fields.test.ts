import { BottomTracing } from '@gentle-awl/core'
import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { measureGroups, START } from './figures.ts'
import MeasureFields from './MeasureFields.vue'
import TracingFields from './TracingFields.vue'
import { lengthUnit } from '../../../app/settings.ts'
import SelectField from '../../../ui/SelectField.vue'
import { pick } from '../../../../test/pick.ts'

// Read here and not beside the page: there are no workers in this test.
vi.mock('../../../workers/outlines/outlinesOf.ts', async () => {
  const { readOutlines } = await import('../../../formats/readOutlines.ts')
  return { outlinesOf: async (...file: Parameters<typeof readOutlines>) => readOutlines(...file) }
})

describe('the fields of a last by measures', () => {
  const show = (without: string[] = []) =>
    mount(MeasureFields, { props: { modelValue: START, without, wrong: 'waistGirth' } })

  it('has a labelled field for every figure, the wrong one marked', () => {
    const w = show()
    const names = measureGroups.flatMap((g) => g.fields.map((f) => f.name))
    expect(w.findAll('label.field').map((l) => l.find('span').text().replace(/, mm$/, ''))).toEqual(names)
    expect(w.findAll('[aria-invalid="true"]')).toHaveLength(1)
  })
  it('leaves out what a tracing tells by itself', () => {
    const w = show(['length', 'jointWidth'])
    expect(w.text()).not.toContain('Joint width')
    expect(w.text()).toContain('Seat width')
  })
  it('takes lengths in the unit of the screen, shares as they are', async () => {
    lengthUnit.value = 'inch'
    const w: ReturnType<typeof show> = show()
    const field = (name: string) =>
      w
        .findAll('label.field')
        .find((l) => l.text().startsWith(name))!
        .get('input')
    await field('Joint girth, inches').setValue('9 1/2')
    const measures = { ...START, jointGirth: 241.3 }
    expect(w.emitted('update:modelValue')?.at(-1)).toEqual([measures])
    await w.setProps({ modelValue: measures })
    await field('Swing').setValue('0.06')
    expect(w.emitted('update:modelValue')?.at(-1)).toEqual([{ ...measures, swing: 0.06 }])
    const before = w.emitted('update:modelValue')!.length
    await field('Short heel girth, inches').setValue('')
    expect(w.emitted('update:modelValue')).toHaveLength(before)
  })
  it('hands on another toe', async () => {
    const w = show()
    w.getComponent(SelectField<string>).vm.$emit('choose', 'pointed')
    await nextTick()
    expect(w.emitted('update:modelValue')?.at(-1)).toEqual([{ ...START, toeShape: 'pointed' }])
  })
})

describe('the fields of a tracing', () => {
  const points = Array.from({ length: 24 }, (_, i) => [140 * Math.cos(i / 3.8197), 45 * Math.sin(i / 3.8197)])
  const tracing = BottomTracing.parse({ points })
  const show = (value: BottomTracing | null) => mount(TracingFields, { props: { modelValue: value, view: null } })
  const handed = (w: ReturnType<typeof show>) => w.emitted('update:modelValue')?.at(-1)?.[0] as BottomTracing

  it('asks for the tracing first, then how to read it', () => {
    expect(show(null).text()).not.toContain('Pencil line')
    expect(show(tracing).text()).toContain('Pencil line')
  })
  it('takes points by hand and says which line cannot be read', async () => {
    const w = show(null)
    const button = (name: string) => w.findAll('button').find((b) => b.text() === name)
    await button('Points by hand')?.trigger('click')
    await w.find('textarea').setValue('0 0\nx y')
    await button('Take these points')?.trigger('click')
    await flushPromises()
    expect(w.find('[role="alert"]').text()).toContain('Line 2')
    expect(w.emitted('update:modelValue')).toBeUndefined()
    await w.find('textarea').setValue(points.map((p) => p.join(' ')).join('\n'))
    await button('Take these points')?.trigger('click')
    await flushPromises()
    expect(handed(w).points).toHaveLength(24)
    expect(handed(w).digitised).toBe('middle')
    expect(w.find('[role="alert"]').exists()).toBe(false)
  })
  it('keeps pencil and smoothing within what a pencil can be', async () => {
    const w = show(tracing)
    const [pencil, smoothing] = w.findAll('input[inputmode="decimal"]')
    await pencil!.setValue('40')
    await pencil!.trigger('change')
    expect(w.text()).toContain('From 0 to 3.')
    await smoothing!.setValue('-2')
    await smoothing!.trigger('change')
    expect(w.text()).toContain('From 0 to 15.')
    // Neither was handed on; with a comma it is read.
    expect(w.emitted('update:modelValue')).toBeUndefined()
    await pencil!.setValue('1,2')
    await pencil!.trigger('change')
    expect(handed(w).pencil).toBe(1.2)
  })
  it('turns, flips and says which edge of the line was followed', async () => {
    const w = show(tracing)
    const click = async (name: string) => {
      await w
        .findAll('button')
        .find((b) => b.text() === name)
        ?.trigger('click')
      await nextTick()
    }
    await click('Heel at the other end')
    expect(handed(w).turned).toBe(true)
    await click('Medial is the other side')
    expect(handed(w).flipped).toBe(true)
    await pick(w, 'Outer edge')
    expect(handed(w).digitised).toBe('outside')
    await pick(w, 'Laid on the bottom')
    expect(handed(w).laid).toBe('wrapped')
  })
})
