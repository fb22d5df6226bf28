import type { CuttingGroup, LaidPlace, LayoutSearch, PairLayout, Path } from '@gentle-awl/core'
import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { ApiError, type Stored } from '../../../../api/ask.ts'
import { api } from '../../../../api/client.ts'
import { useLayout } from './useLayout.ts'

const [PAIR, OTHER] = ['01900000-0000-7000-8000-0000000000a1', '01900000-0000-7000-8000-0000000000a2']
const HIDE = '01900000-0000-7000-8000-0000000000b1'
const box: Path = [
  [0, 0],
  [60, 0],
  [60, 40],
  [0, 40],
]
const group: CuttingGroup = {
  material: 'Calf',
  face: 'grain up',
  area: 4800,
  pieces: [
    {
      id: 'vamp',
      name: 'Vamp',
      record: 'upper.vamp',
      thickness: 1.4,
      mirrored: true,
      strip: false,
      count: 2,
      area: 4800,
      cuts: (['right', 'left'] as const).map((foot) => ({
        foot,
        outline: box,
        seen: null,
        arrow: { from: [0, 0], to: [60, 0] },
        tight: 0,
        count: 1,
      })),
    },
  ],
}
const at = (foot: 'right' | 'left', x: number, on = 0, pair = PAIR): LaidPlace => ({
  pair: pair,
  record: 'upper.vamp',
  foot,
  copy: 0,
  on,
  x,
  y: 0,
  rotation: 0,
  pinned: false,
})
const laid: PairLayout = {
  material: 'Calf',
  grounds: [{ length: 1200, width: 600 }],
  gap: 2,
  turn: 'along',
  hidesFlaws: false,
  also: [],
  places: [at('right', 0), at('left', 100)],
}
/** What the server has, and what it is looking for. */
let kept: Stored<PairLayout>[] = []
let searches: LayoutSearch[] = []
let scopes: EffectScope[] = []
async function room() {
  const scope = effectScope()
  scopes.push(scope)
  const made = scope.run(() => useLayout(PAIR, () => group))!
  await flushPromises()
  return made
}
beforeEach(() => {
  localStorage.clear()
  kept = [{ ...laid, version: 3, updatedAt: '' }]
  searches = []
  vi.spyOn(api, 'layoutSearches').mockImplementation(() => Promise.resolve(searches))
  vi.spyOn(api, 'searchLayout').mockImplementation((_pair, version, material, seconds) => {
    const blank = { progress: 0, left: null, why: '' }
    searches = [{ ...blank, material, seconds, state: 'runs', from: version, version }]
    return Promise.resolve(searches)
  })
  vi.spyOn(api, 'stopLayoutSearch').mockImplementation(() => {
    searches = searches.map((s) => ({ ...s, state: 'stopped' }))
    return Promise.resolve(searches)
  })
  vi.spyOn(api, 'layouts').mockImplementation(() => Promise.resolve(kept))
  vi.spyOn(api.hides, 'list').mockResolvedValue([])
  vi.spyOn(api, 'pairNames').mockResolvedValue([{ id: OTHER, order: '1044', name: '', lastId: '', leftLastId: null }])
  vi.spyOn(api, 'keepLayout').mockImplementation((_pair, version, layout) => {
    const now = kept[0]?.version ?? 0
    if (version !== now) return Promise.reject(new ApiError(409, 'This layout was changed meanwhile.'))
    kept = [{ ...layout, version: now + 1, updatedAt: '' }]
    return Promise.resolve(kept)
  })
})
afterEach(() => {
  scopes.forEach((s) => s.stop())
  scopes = []
  vi.restoreAllMocks()
})

describe('a layout', () => {
  it('is kept as soon as it is changed, and taken back step by step, each kept too', async () => {
    const r = await room()
    r.move(r.places.value[0]!, { x: 300 })
    r.change({ gap: 3 })
    await flushPromises()
    expect(kept[0]).toMatchObject({ gap: 3, places: [{ x: 300, pinned: true }, { x: 100 }] })
    r.back()
    await flushPromises()
    expect(kept[0]).toMatchObject({ gap: 2, places: [{ x: 300 }, { x: 100 }] })
    r.back()
    await flushPromises()
    expect(kept[0]).toMatchObject({ gap: 2, places: [{ x: 0, pinned: false }, { x: 100 }] })
    expect(r.before.value).toEqual([])
  })
  it('is written one state after the other, however fast it is changed', async () => {
    const r = await room()
    for (let gap = 3; gap < 9; gap++) r.change({ gap })
    await flushPromises()
    expect(kept[0]!.gap).toBe(8)
    expect([r.note.value, r.cannotKeep.value]).toEqual(['', ''])
    // The first of them, and what was the last when that was written.
    expect(vi.mocked(api.keepLayout).mock.calls.map(([, version, l]) => [version, l.gap])).toEqual([
      [3, 3],
      [4, 8],
    ])
  })
  it('moved key after key is one step, another piece another', async () => {
    const r = await room()
    for (let k = 1; k <= 4; k++) r.move(r.places.value[0]!, { x: k }, { rests: true })
    r.move(r.places.value[1]!, { x: 90 }, { rests: true })
    expect(r.before.value).toHaveLength(2)
    r.back()
    r.back()
    expect(r.places.value.map((p) => p.x)).toEqual([0, 100])
  })
  it('says what is wrong while a piece is pulled, of that piece alone anew', async () => {
    const r = await room()
    expect(r.wrong.value).toEqual([])
    r.hold(r.places.value[1]!)
    r.move(r.places.value[1]!, { x: 30 }, { rests: true })
    expect(r.wrong.value).toMatchObject([{ kind: 'overlap', at: 1, other: 0 }])
    r.move(r.places.value[1]!, { x: 1190 }, { first: false, rests: true })
    expect(r.wrong.value).toMatchObject([{ kind: 'edge', at: 1 }])
    r.letGo()
    await flushPromises()
    expect(kept[0]!.places[1]!.x).toBe(1190)
  })
  it('that was changed in another window is shown as it is there; one step back is what was done here', async () => {
    const r = await room()
    kept = [{ ...laid, gap: 5, version: 4, updatedAt: '' }]
    r.move(r.places.value[0]!, { x: 300 })
    await flushPromises()
    expect(r.layout.value).toMatchObject({ gap: 5, places: [{ x: 0 }, { x: 100 }] })
    expect(r.note.value).toMatch(/changed in another window/)
    expect(kept[0]!.gap).toBe(5)
    r.back()
    await flushPromises()
    expect(kept[0]).toMatchObject({ gap: 2, places: [{ x: 300 }, { x: 100 }], version: 5 })
  })
  it('stopped before all lie that lay there stays as it was; stopped later it is as it was found', async () => {
    const r = await room()
    const looked = (places: LaidPlace[]) => {
      r.search.layOut = (_order, _seconds, found) => {
        found({ places, left: 2 - places.length, on: 0, reach: 90, apart: 0 })
        return Promise.resolve(null)
      }
      return r.layOut(60)
    }
    await looked([at('right', 7)])
    await flushPromises()
    expect(kept[0]!.places).toEqual(laid.places)
    await looked([at('right', 7), at('left', 80)])
    await flushPromises()
    expect(kept[0]!.places.map((p) => p.x)).toEqual([7, 80])
  })
  /** The server has found something better. */
  function find(x: number): void {
    const version = kept[0]!.version + 1
    kept = [{ ...kept[0]!, places: [at('right', x), at('left', 100)], version }]
    searches = searches.map((s) => ({ ...s, version, left: 0, progress: s.progress + 0.1 }))
  }
  it('left to the server is kept first, and shown as it gets better there; one step back is what was before', async () => {
    kept = []
    const r = await room()
    await r.leaveToServer(1800)
    expect(vi.mocked(api.searchLayout).mock.calls).toEqual([[PAIR, 1, 'Calf', 1800]])
    for (const x of [500, 300, 80]) {
      find(x)
      await r.follow()
      expect([r.places.value.map((p) => p.x), r.busy.value]).toEqual([[x, 100], true])
    }
    expect([r.note.value, r.before.value.length]).toEqual(['', 1])
    r.back()
    await flushPromises()
    expect([kept[0]!.places, searches[0]!.state, r.note.value]).toEqual([[], 'stopped', ''])
  })
  it('changed here while the server looks for it stays as it is changed, and the server looks no more', async () => {
    const r = await room()
    await r.leaveToServer(60)
    find(500)
    await r.follow()
    // What it has found since is not seen yet.
    find(400)
    r.change({ gap: 4 })
    await flushPromises()
    expect(searches[0]!.state).toBe('stopped')
    expect(kept[0]).toMatchObject({ gap: 4, places: [{ x: 500 }, { x: 100 }], version: 7 })
    expect([r.note.value, r.cannotKeep.value, r.busy.value]).toEqual(['', '', false])
  })
  it('is seen to be looked for by a page that is opened meanwhile; changed elsewhere besides, one step back is what was', async () => {
    searches = [
      { material: 'Calf', seconds: 60, state: 'runs', progress: 0.25, left: 0, from: 2, version: 3, why: '' },
      { material: 'Goat', seconds: 60, state: 'done', progress: 1, left: 0, from: 2, version: 3, why: '' },
    ]
    const r = await room()
    expect([r.busy.value, r.server.progress.value]).toEqual([true, 0.25])
    searches = [{ ...searches[0]!, state: 'ended', why: 'It was changed.' }]
    kept = [{ ...laid, gap: 5, version: 4, updatedAt: '' }]
    await r.follow()
    expect([r.busy.value, r.server.search.value!.why, r.layout.value.gap]).toEqual([false, 'It was changed.', 5])
    r.back()
    await flushPromises()
    expect(kept[0]).toMatchObject({ gap: 2, version: 5 })
  })
  it('is not left to a server that does not answer', async () => {
    vi.mocked(api.keepLayout).mockRejectedValueOnce(new ApiError(0, 'The workshop server does not answer.'))
    const r = await room()
    await r.leaveToServer(60)
    expect(api.searchLayout).not.toHaveBeenCalled()
    expect(r.cannotKeep.value).toBe('The workshop server does not answer.')
    vi.mocked(api.searchLayout).mockRejectedValueOnce(new ApiError(503, '12 layouts are being looked for.'))
    await r.leaveToServer(60)
    expect([r.server.problem.value, r.busy.value]).toEqual(['12 layouts are being looked for.', false])
  })
  it('that cannot be kept stays in this browser, and is kept when it is opened again', async () => {
    vi.mocked(api.keepLayout).mockRejectedValueOnce(new ApiError(0, 'The workshop server does not answer.'))
    const r = await room()
    r.move(r.places.value[0]!, { x: 300 })
    await flushPromises()
    expect(r.cannotKeep.value).toBe('The workshop server does not answer.')
    expect(kept[0]!.places[0]!.x).toBe(0)
    scopes.forEach((s) => s.stop())
    const again = await room()
    await flushPromises()
    expect(again.places.value[0]!.x).toBe(300)
    expect(kept[0]!.places[0]!.x).toBe(300)
  })
  it('whose hide is gone from the stores is laid on what is left, and says so', async () => {
    kept = [
      {
        ...laid,
        grounds: [{ hide: HIDE }, { length: 400, width: 300 }],
        places: [at('right', 0, 0), at('left', 9, 1)],
        version: 1,
        updatedAt: '',
      },
    ]
    const r = await room()
    expect(r.layout.value.grounds).toEqual([{ length: 400, width: 300 }])
    expect(r.places.value).toEqual([at('left', 9, 0)])
    expect(r.note.value).toMatch(/not in the stores any more/)
  })
  it('keeps the pieces of other pairs, also before it is known what is cut of those', async () => {
    const both = { ...laid, also: [OTHER], places: [at('right', 0), at('right', 200, 0, OTHER)] }
    kept = [{ ...both, version: 1, updatedAt: '' }]
    let answer: (groups: CuttingGroup[]) => void = () => undefined
    vi.spyOn(api, 'cutting').mockReturnValue(new Promise((resolve) => (answer = resolve)))
    const r = await room()
    expect([r.waiting.value, r.places.value.length]).toEqual([true, 1])
    r.move(r.places.value[0]!, { x: 5 })
    await flushPromises()
    expect(kept[0]!.places.map((p) => p.pair)).toEqual([PAIR, OTHER])
    answer([group])
    await flushPromises()
    expect([r.waiting.value, r.places.value.length, r.unlaid.value.length]).toEqual([false, 2, 2])
  })
  it('is rid of a pair that is gone, with its pieces', async () => {
    vi.mocked(api.pairNames).mockResolvedValue([])
    vi.spyOn(api, 'cutting').mockRejectedValue(new ApiError(404, 'Not there.'))
    kept = [{ ...laid, also: [OTHER], places: [at('right', 0), at('right', 200, 0, OTHER)], version: 1, updatedAt: '' }]
    const r = await room()
    expect(r.layout.value).toMatchObject({ also: [], places: [{ pair: PAIR }] })
    r.move(r.places.value[0]!, { x: 7 })
    await flushPromises()
    expect(kept[0]).toMatchObject({ also: [], places: [{ x: 7 }] })
  })
  it('takes what is put on it by hand, and gives it up again', async () => {
    kept = []
    const r = await room()
    expect(r.unlaid.value).toHaveLength(2)
    r.put(r.unlaid.value[0]!, 0, [50, 60])
    expect(r.places.value).toMatchObject([{ foot: 'right', x: 50 - 30, y: 60 - 20, pinned: true, copy: 0 }])
    expect(r.unlaid.value.map((u) => u.cut.foot)).toEqual(['left'])
    r.takeOff(r.places.value[0]!)
    expect(r.unlaid.value).toHaveLength(2)
    await flushPromises()
    expect(kept[0]!.places).toEqual([])
  })
})
