import type { PairSketch } from '@gentle-awl/core'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { flushPromises } from '@vue/test-utils'
import { decisions, last, materials } from '../../../../test/pair.ts'
import { useWorkshop } from '../../../stores/workshopStore.ts'
import { usePairSketches } from './usePairSketches.ts'

/** Plans that were asked for, answered when the test says so. */
const asked: ((sketch: PairSketch) => void)[] = []
vi.mock('../../../workers/plan/planner.ts', () => ({
  sketchOfPair: () => new Promise((resolve) => asked.push((value) => resolve({ value, problem: null }))),
}))
const sketch: PairSketch = { shapes: [], worst: 'fine', stops: [] }
const wish = (...keys: string[]) => keys.map((key) => ({ key, decisions }))

beforeEach(() => {
  asked.length = 0
  setActivePinia(createPinia())
  const workshop = useWorkshop()
  workshop.lasts = [last] as never
  workshop.materials = materials
})

it('plans one after the other; another wish is begun at once, and what is drawn already is not drawn again', async () => {
  const { of, draw } = effectScope().run(() => usePairSketches())!
  void draw(wish('a', 'b', 'c'))
  await flushPromises()
  expect(asked).toHaveLength(1)
  // Wished anew while the first is planned: its answer is kept, and what else was wished for is not begun.
  void draw(wish('d', 'a'))
  await flushPromises()
  expect(asked).toHaveLength(2)
  asked[0]!(sketch)
  asked[1]!(sketch)
  await flushPromises()
  expect([of('a'), of('d')].map((s) => s?.value)).toEqual([sketch, sketch])
  expect(of('b')).toBeUndefined()
  expect(asked).toHaveLength(2)
})

it('stops when the page is left', async () => {
  const scope = effectScope()
  const { draw } = scope.run(() => usePairSketches())!
  void draw(wish('a', 'b'))
  await flushPromises()
  scope.stop()
  asked[0]!(sketch)
  await flushPromises()
  expect(asked).toHaveLength(1)
})
