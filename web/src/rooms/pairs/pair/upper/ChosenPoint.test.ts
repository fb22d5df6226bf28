import type { KeyPoint, PointPlaces } from '@gentle-awl/core'
import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import ChosenPoint from './ChosenPoint.vue'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

const at = (x: number): KeyPoint =>
  ({
    id: 'ankle',
    name: 'Ankle',
    sides: ['lateral'],
    track: {},
    at: { lateral: [x, 0] },
    moved: null,
    sentence: '',
  }) as unknown as KeyPoint
const board = {
  whereIs: (point: KeyPoint) => point.at.lateral,
  figures: (_track: unknown, [x]: [number]) => [{ name: 'from the heel', value: x }],
} as unknown as PointPlaces

describe('the chosen point', () => {
  it('is told at a distance while it is pulled, and in the end where it is', async () => {
    const shown = mount(ChosenPoint, { props: { point: at(40), board, front: 'lateral' } })
    const field = () => shown.get<HTMLInputElement>('input').element.value
    expect(field()).toBe('40')
    const seen = new Set<string>()
    for (let x = 41; x <= 60; x++) {
      await shown.setProps({ point: at(x) })
      await vi.advanceTimersByTimeAsync(16)
      seen.add(field())
    }
    // Twenty places in a third of a second.
    expect(seen.size).toBeLessThan(5)
    await vi.advanceTimersByTimeAsync(200)
    await nextTick()
    expect(field()).toBe('60')
  })
})
