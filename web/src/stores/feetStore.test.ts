import { FootMeasures, type Feet } from '@gentle-awl/core'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { ApiError, type Stored } from '../api/ask.ts'
import { api } from '../api/client.ts'
import { NEW_FEET, useFeet } from './feetStore.ts'

const blank = FootMeasures.parse({})
const row = (version: number, length: number): Stored<Feet> => ({
  id: '01900000-0000-7000-8000-000000000077',
  version,
  updatedAt: '2026-01-05T08:00:00.000Z',
  order: '1041',
  trade: 'cook',
  note: '',
  right: { ...blank, length },
  left: blank,
})
const { id } = row(1, 0)

describe('feet that are being measured', () => {
  beforeEach(() => {
    localStorage.clear()
    setActivePinia(createPinia())
    vi.spyOn(api.feet, 'list').mockResolvedValue([row(1, 262)])
  })

  it('stay as they were typed, through another page and a page that is opened anew, until they are kept', async () => {
    const feet = useFeet()
    await feet.load()
    feet.change(id, { right: { ...blank, length: 264 } })
    feet.change(NEW_FEET, { order: '2000' })
    await nextTick()
    setActivePinia(createPinia())
    const again = useFeet()
    await again.load()
    expect(again.typedOf(id)).toEqual({
      order: '1041',
      trade: 'cook',
      note: '',
      right: { ...blank, length: 264 },
      left: blank,
    })
    expect(again.typedOf(NEW_FEET).order).toBe('2000')
    expect([again.isDraft(id), again.isStale(id)]).toEqual([true, false])

    const change = vi.spyOn(api.feet, 'change').mockResolvedValue(row(2, 264))
    vi.spyOn(api.feet, 'list').mockResolvedValue([row(2, 264)])
    const fields = { ...again.typedOf(id) }
    await again.keep(id, fields)
    expect(change).toHaveBeenCalledWith(id, 1, fields)
    expect(again.isDraft(id)).toBe(false)
    expect(again.isDraft(NEW_FEET)).toBe(true)
  })
  it('are not lost when they cannot be kept', async () => {
    const feet = useFeet()
    await feet.load()
    feet.change(id, { right: { ...blank, length: 264 } })
    vi.spyOn(api.feet, 'change').mockRejectedValue(new ApiError(503, 'Busy.'))
    await expect(feet.keep(id, feet.typedOf(id))).rejects.toThrow('Busy.')
    expect(feet.typedOf(id).right.length).toBe(264)
    feet.drop(id)
    expect(feet.typedOf(id).right.length).toBe(262)
  })
  it('say when what is kept was changed by somebody else meanwhile', async () => {
    const feet = useFeet()
    await feet.load()
    feet.change(id, { note: 'thick socks' })
    vi.spyOn(api.feet, 'list').mockResolvedValue([row(2, 270)])
    await feet.load()
    expect(feet.isStale(id)).toBe(true)
    expect(feet.typedOf(id)).toMatchObject({ note: 'thick socks', right: { length: 262 } })
    // A second change does not make it look fresh.
    feet.change(id, { trade: 'baker' })
    expect(feet.isStale(id)).toBe(true)
  })
  it('what a browser kept that is none is dropped, the rest stays', async () => {
    const typed = { order: '1', trade: '', note: '', right: blank, left: blank }
    localStorage.setItem('gentle-awl.feet', JSON.stringify({ broken: { version: 'x' }, [id]: { version: 1, typed } }))
    const feet = useFeet()
    await feet.load()
    expect(feet.isDraft('broken')).toBe(false)
    expect(feet.isDraft(id)).toBe(true)
  })
})
