import { generateLast, landmarks, lastReadings } from '@gentle-awl/core'
import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { START } from './figures.ts'

/** Builds that were asked for, answered when the test says so. */
const asked: ((done: boolean) => void)[] = []
const surface = generateLast(START)
const readings = lastReadings(surface, landmarks(surface))
vi.mock('../../../workers/last/lastBench.ts', () => ({
  plain: <T>(v: T): T => JSON.parse(JSON.stringify(v)) as T,
  lastBench: () => ({
    build: () =>
      new Promise((resolve) => {
        asked.push(() => resolve({ value: { surface, readings }, problem: null }))
      }),
  }),
}))

describe('a last that is drawn by its figures', () => {
  beforeEach(() => vi.useFakeTimers())
  afterEach(() => {
    vi.useRealTimers()
    asked.length = 0
  })
  it('is never kept as it was built before the last figure was typed', async () => {
    const { default: ShapeBench } = await import('./ShapeBench.vue')
    const bench = mount(ShapeBench, {
      props: { start: 'measures', title: 'New last' },
      global: { stubs: { LastViewer: true, TracingDrawing: true, BecausePanel: { template: '<div><slot /></div>' } } },
    })
    const keep = () => bench.get('button[type="submit"]')
    await flushPromises()
    expect(asked).toHaveLength(1)
    // A figure changes while the first last is still being built; then that one comes back.
    const joint = bench
      .findAll('label')
      .find((l) => l.text() === 'Joint girth, mm')
      ?.get('input')
    await joint?.setValue('238')
    asked[0]!(true)
    await flushPromises()
    expect(keep().attributes('disabled')).toBeDefined()
    await vi.advanceTimersByTimeAsync(400)
    expect(asked).toHaveLength(2)
    asked[1]!(true)
    await flushPromises()
    expect(keep().attributes('disabled')).toBeUndefined()
    await bench.get('form').trigger('submit')
    expect(bench.emitted('keep')?.[0]).toMatchObject([{ kind: 'measures', measures: { jointGirth: 238 } }])
  })
  it('takes what follows from a foot, leaves the other figures, and refuses what no last can have', async () => {
    const { default: ShapeBench } = await import('./ShapeBench.vue')
    const bench = mount(ShapeBench, {
      props: { start: 'measures', title: 'New last' },
      global: { stubs: { LastViewer: true, TracingDrawing: true, BecausePanel: { template: '<div><slot /></div>' } } },
    })
    await bench.setProps({ given: { length: 276, jointGirth: 240 } })
    await vi.advanceTimersByTimeAsync(400)
    asked.forEach((answer) => answer(true))
    await flushPromises()
    await bench.get('form').trigger('submit')
    expect(bench.emitted('keep')?.[0]).toEqual([
      { kind: 'measures', measures: { ...START, length: 276, jointGirth: 240 } },
    ])
    await bench.setProps({ given: { length: 134 } })
    await vi.advanceTimersByTimeAsync(400)
    await flushPromises()
    expect(bench.get('[role="alert"]').text()).toBe('Length: a last has from 150.0 mm to 350.0 mm, not 134.0 mm.')
    await bench.get('form').trigger('submit')
    expect(bench.emitted('keep')).toHaveLength(1)
  })
})
