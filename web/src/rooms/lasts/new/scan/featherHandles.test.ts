import { noShift, type FeatherShift } from '@gentle-awl/core'
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import FeatherHandles from './FeatherHandles.vue'
import { pick } from '../../../../../test/pick.ts'

const last = (w: ReturnType<typeof mount>) => w.emitted('change')?.at(-1)?.[0] as FeatherShift
const press = (w: ReturnType<typeof mount>, name: string) =>
  w.find(`[aria-label="${name} by half a millimetre"]`).trigger('click')

describe('the feather line by hand', () => {
  it('moves one place of one side, half a millimetre a time', async () => {
    const shift = noShift()
    const w = mount(FeatherHandles, { props: { shift } })
    await press(w, 'waist up')
    expect(last(w).lateral[3]).toBe(0.5)
    expect(last(w).medial).toEqual(noShift().medial)
    // What was handed in stays as it was: the page decides.
    expect(shift).toEqual(noShift())
    await pick(w, 'Medial')
    await press(w, 'joint down')
    expect(last(w).medial[5]).toBe(-0.5)
    expect(last(w).lateral[5]).toBe(0)
  })
  it('moves heel and toe for both sides at once', async () => {
    const w = mount(FeatherHandles, { props: { shift: noShift() } })
    await press(w, 'toe tip up')
    expect(last(w).lateral.at(-1)).toBe(0.5)
    expect(last(w).medial.at(-1)).toBe(0.5)
    await press(w, 'heel back down')
    expect(last(w).medial[0]).toBe(-0.5)
  })
  it('stops before it would be another line', async () => {
    const shift = noShift()
    shift.lateral[2] = 6
    const w = mount(FeatherHandles, { props: { shift } })
    await press(w, 'seat front up')
    expect(last(w).lateral[2]).toBe(6)
  })
})
