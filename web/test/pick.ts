import type { DOMWrapper, VueWrapper } from '@vue/test-utils'

/** Chooses one of a few by its name, as a press on it does. */
export async function pick(place: VueWrapper | DOMWrapper<Element>, name: string): Promise<void> {
  const choice = place.findAll('.n-radio-button').find((c) => c.text() === name)
  if (!choice) throw new Error(`There is no choice called ${name}.`)
  await choice.get('input').setValue(true)
}
