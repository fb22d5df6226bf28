import type { CuttingGroup, LaidPlace, PairLayout, Path } from '@gentle-awl/core'
import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { api, ApiError, type Stored } from '../../../../api/client.ts'
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
/** What the server has. */
let kept: Stored<PairLayout>[] = []
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
