import { Material } from '@gentle-awl/core'
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import SelectField from '../../ui/SelectField.vue'
import MoreFields from './MoreFields.vue'

const bare = Material.parse({
  id: '01900000-0000-7000-8000-000000000001',
  name: 'Calf',
  kind: 'upper leather',
  thickness: 1.4,
})
async function show(more: Partial<Material> = {}) {
  const w = mount(MoreFields, { props: { more: { ...bare, ...more } } })
  await w.get('button').trigger('click')
  return {
    w,
    async type(field: string, text: string) {
      const input = w.get(`input[aria-label="${field}"]`)
      await input.setValue(text)
      await input.trigger('blur')
      return w.emitted('change')?.at(-1)?.[0]
    },
  }
}
function choose(w: Awaited<ReturnType<typeof show>>['w'], field: string, value: string): void {
  const select = w.findAllComponents(SelectField<string>).find((s) => s.html().includes(`name="${field}"`))
  select?.vm.$emit('choose', value)
}
const [TIGHT, LOOSE] = ['Gives in its tight direction, %', 'Gives in its loose direction, %'] as const

it('holds what a leather gives together: the loose direction never gives less', async () => {
  expect(await (await show()).type(LOOSE, '14')).toEqual({ stretch: { tight: 14, loose: 14 } })
  const { type } = await show({ stretch: { tight: 9, loose: 15 } })
  expect(await type(TIGHT, '18')).toEqual({ stretch: { tight: 18, loose: 18 } })
  expect(await type(LOOSE, '4')).toEqual({ stretch: { tight: 4, loose: 4 } })
  expect(await type(LOOSE, '')).toEqual({ stretch: null })
  for (const stretch of [{ tight: 18, loose: 18 }, null])
    expect(Material.parse({ ...bare, stretch }).stretch).toEqual(stretch)
  expect(Material.safeParse({ ...bare, stretch: { tight: 18, loose: 4 } }).error?.issues[0]?.message).toMatch(/loose/)
})
it('has a price for something, and none when it is emptied', async () => {
  const { w, type } = await show()
  expect(await type('Price, in your own money', '2.4')).toEqual({ price: { amount: 2.4, per: 'dm²' } })
  await w.setProps({ more: { ...bare, price: { amount: 2.4, per: 'dm²' } } })
  choose(w, 'price-for', 'metre')
  expect(w.emitted('change')?.at(-1)).toEqual([{ price: { amount: 2.4, per: 'metre' } }])
  expect(await type('Price, in your own money', '')).toEqual({ price: null })
})
it('says nothing of what nobody said', async () => {
  const { w, type } = await show({ face: 'suede', coats: 3 })
  choose(w, 'face', '')
  expect(w.emitted('change')?.at(-1)).toEqual([{ face: null }])
  expect(await type('Coats of dye it takes', '')).toEqual({ coats: null })
})
