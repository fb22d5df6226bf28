import { generateLast, Last, landmarks, lastReadings } from '@gentle-awl/core'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Stored } from '../api/ask.ts'
import { START } from '../rooms/lasts/shape/figures.ts'
import { useLast } from './lastStore.ts'

const id = '01900000-0000-7000-8000-000000000001'
const row = (change: Partial<Last> = {}, version = 1): Stored<Last> => ({
  ...Last.parse({ id, name: 'Pier 25', shape: { kind: 'measures', measures: START } }),
  ...change,
  version,
  updatedAt: '2026-01-01T00:00:00.000Z',
})
const surface = generateLast(START)
vi.mock('../workers/last/lastBench.ts', () => ({
  builtLast: async () => ({
    value: { surface, readings: lastReadings(surface, landmarks(surface)), side: null, bottom: null },
    problem: null,
  }),
}))

/** The shelf as one row that keeps versions, as the server does. */
let shelf: Stored<Last>
let down: boolean
beforeEach(() => {
  setActivePinia(createPinia())
  shelf = row()
  down = false
  vi.stubGlobal('fetch', async (_path: string, init: RequestInit = {}) => {
    if (down) throw new TypeError('Failed to fetch')
    const answer = (status: number, body: unknown) => new Response(JSON.stringify(body), { status })
    if ((init.method ?? 'GET') === 'GET') return answer(200, shelf)
    const version = new Headers(init.headers).get('if-match')
    if (version !== `"${shelf.version}"`) return answer(409, { detail: 'Changed elsewhere.', current: shelf })
    shelf = { ...shelf, ...(JSON.parse(String(init.body)) as Partial<Last>), version: shelf.version + 1 }
    return answer(200, shelf)
  })
})

describe('the last that is open', () => {
  it('is fetched and built', async () => {
    const store = useLast()
    await store.load(id)
    expect(store.last?.name).toBe('Pier 25')
    expect(store.built?.readings.length).toBeCloseTo(280, 3)
    expect(store.loadProblem).toBe('')
  })
  it('keeps some fields changed and leaves the others', async () => {
    const store = useLast()
    await store.load(id)
    expect(await store.change({ note: 'for boots' })).toBe(true)
    expect(shelf).toMatchObject({ note: 'for boots', name: 'Pier 25', version: 2 })
    expect(await store.change({ name: 'Pier 26' })).toBe(true)
    expect(shelf).toMatchObject({ note: 'for boots', name: 'Pier 26', version: 3 })
  })
  it('changed elsewhere meanwhile: nothing is overwritten, mine can be kept all the same', async () => {
    const store = useLast()
    await store.load(id)
    shelf = row({ name: 'Theirs' }, 2)
    expect(await store.change({ note: 'mine' })).toBe(false)
    expect(shelf.note).toBe('')
    expect(store.clash?.theirs.name).toBe('Theirs')
    expect(await store.keepMine()).toBe(true)
    expect(shelf).toMatchObject({ note: 'mine', name: 'Pier 25', version: 3 })
    expect(store.clash).toBeNull()
  })
  it('or theirs is taken', async () => {
    const store = useLast()
    await store.load(id)
    shelf = row({ name: 'Theirs' }, 2)
    await store.change({ note: 'mine' })
    await store.takeTheirs()
    expect(store.last).toMatchObject({ name: 'Theirs', version: 2, note: '' })
    expect(await store.change({ note: 'now' })).toBe(true)
    expect(shelf).toMatchObject({ name: 'Theirs', note: 'now' })
  })
  it('says when the server does not answer, and keeps what stands on the screen', async () => {
    const store = useLast()
    await store.load(id)
    down = true
    expect(await store.change({ note: 'lost?' })).toBe(false)
    expect(store.saveProblem).toMatch(/does not answer/)
    expect(store.last?.note).toBe('')
    await store.load('01900000-0000-7000-8000-000000000002')
    expect(store.loadProblem).toMatch(/does not answer/)
  })
})
