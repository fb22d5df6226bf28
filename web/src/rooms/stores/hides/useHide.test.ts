import { HideFields, type Hide } from '@gentle-awl/core'
import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent } from 'vue'
import { routerKey, type Router } from 'vue-router'
import { ApiError, type Stored } from '../../../api/ask.ts'
import { api } from '../../../api/client.ts'
import { straight } from './hideFigures.ts'
import { useHide } from './useHide.ts'

const ID = '01930000-0006-7000-8000-000000000009'
const stored = (version: number, some: Partial<Hide> = {}): Stored<Hide> => ({
  ...HideFields.parse({ name: 'Calf 9', outline: straight(900, 400) }),
  id: ID,
  version,
  updatedAt: '2026-11-01T00:00:00.000Z',
  ...some,
})
const router = { replace: vi.fn(), push: vi.fn() }
/** A room of a hide, as it is opened. */
async function opened(id = ID) {
  let hide!: ReturnType<typeof useHide>
  const room = mount(
    defineComponent({
      setup() {
        hide = useHide(() => id)
        return () => null
      },
    }),
    { global: { provide: { [routerKey as symbol]: router as unknown as Router } } },
  )
  await flushPromises()
  return { hide, leave: () => room.unmount() }
}

beforeEach(() => {
  localStorage.clear()
  router.replace.mockClear()
})
afterEach(() => vi.restoreAllMocks())

describe('a hide that is changed', () => {
  it('is as it was changed after a reload, until it is kept or given up', async () => {
    vi.spyOn(api.hides, 'one').mockResolvedValue(stored(3))
    const first = await opened()
    expect(first.hide.changed.value).toBe(false)
    first.hide.set({ name: 'Calf nine' })
    await flushPromises()
    first.leave()
    const again = await opened()
    expect(again.hide.fields.value!.name).toBe('Calf nine')
    expect(again.hide.changed.value).toBe(true)
    again.hide.giveUp()
    expect(again.hide.fields.value!.name).toBe('Calf 9')
    expect(again.hide.changed.value).toBe(false)
  })
  it('is kept on the version that stands there, and says when that is not the one it was begun on', async () => {
    const one = vi.spyOn(api.hides, 'one').mockResolvedValue(stored(3))
    const change = vi.spyOn(api.hides, 'change').mockResolvedValue(stored(5, { name: 'Mine' }))
    const first = await opened()
    first.hide.set({ name: 'Mine' })
    await flushPromises()
    first.leave()
    one.mockResolvedValue(stored(4, { name: 'Theirs' }))
    const { hide } = await opened()
    expect(hide.overtaken.value).toBe(true)
    expect(hide.fields.value!.name).toBe('Mine')
    await hide.keep()
    expect(change).toHaveBeenCalledWith(ID, 4, expect.objectContaining({ name: 'Mine' }))
    expect(hide.changed.value).toBe(false)
  })
  it('that is refused stays on the screen, with what the server said, and can be kept at the next press', async () => {
    const one = vi.spyOn(api.hides, 'one').mockResolvedValue(stored(3))
    const change = vi
      .spyOn(api.hides, 'change')
      .mockRejectedValueOnce(new ApiError(409, 'It was changed meanwhile.'))
      .mockResolvedValueOnce(stored(5))
    const { hide } = await opened()
    hide.set({ tight: 15 })
    one.mockResolvedValue(stored(4))
    await hide.keep()
    expect(hide.refused.value).toBe('It was changed meanwhile.')
    expect(hide.fields.value!.tight).toBe(15)
    await hide.keep()
    expect(change.mock.calls.map((c) => c[1])).toEqual([3, 4])
  })
  it('without a name is not sent', async () => {
    const add = vi.spyOn(api.hides, 'add')
    const { hide } = await opened('new')
    await hide.keep()
    expect(hide.refused.value).toBe('Give it a name or a number.')
    expect(add).not.toHaveBeenCalled()
    add.mockResolvedValue(stored(1))
    hide.set({ name: 'Calf 9' })
    await hide.keep()
    expect(router.replace).toHaveBeenCalledWith(`/stores/hides/${ID}`)
  })
})
