import type { LastedStrip } from '@gentle-awl/core'
import { beforeEach, describe, expect, it } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'
import { useDriven } from './useDriven.ts'

const strip = (id: 'upper' | 'lining', xs: readonly number[]): LastedStrip => ({
  id,
  isInside: false,
  tacks: xs.map((x, i) => ({ number: i + 1, on: [x, 0], at: [x, 8], side: 'lateral', anchor: null, place: i })),
  between: [],
  folds: [],
  zones: [],
  tackLength: { least: 4, most: 5 },
  becauses: [],
  findings: [],
})
beforeEach(() => localStorage.clear())
function room() {
  const [foot, shown] = [ref('right'), ref<LastedStrip | null>(strip('upper', [0, 30, 60, 90]))]
  const driven = effectScope().run(() =>
    useDriven(
      () => 'pair',
      () => foot.value,
      () => shown.value,
    ),
  )!
  return { foot, shown, ...driven }
}

describe('tacks that are in', () => {
  it('are ticked in their order or by hand, and taken back', () => {
    const { driven, next, tick, back, clear } = room()
    expect(next.value?.number).toBe(1)
    tick(1)
    tick(3)
    expect([...driven.value]).toEqual([1, 3])
    expect(next.value?.number).toBe(2)
    back()
    expect([...driven.value]).toEqual([1])
    tick(1)
    expect(driven.value.size).toBe(0)
    for (const n of [1, 2, 3, 4]) tick(n)
    expect(next.value).toBeNull()
    clear()
    expect(next.value?.number).toBe(1)
  })
  it('are of one shoe and one strip, kept for the next time, and forgotten when the tacks stand elsewhere', async () => {
    const first = room()
    first.tick(1)
    await nextTick()
    first.foot.value = 'left'
    await nextTick()
    expect(first.driven.value.size).toBe(0)
    first.tick(2)
    await nextTick()
    const again = room()
    expect([...again.driven.value]).toEqual([1])
    again.shown.value = strip('upper', [0, 30, 60, 90.3])
    expect([...again.driven.value]).toEqual([1])
    again.shown.value = strip('upper', [0, 35, 70, 90])
    expect(again.driven.value.size).toBe(0)
    again.shown.value = strip('lining', [0, 30, 60, 90])
    await nextTick()
    expect(again.driven.value.size).toBe(0)
  })
})
