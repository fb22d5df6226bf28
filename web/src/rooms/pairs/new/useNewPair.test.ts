import { PairDecisions, type PairLike } from '@gentle-awl/core'
import { flushPromises } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { decisions, last, materials } from '../../../../test/pair.ts'
import { ApiError } from '../../../api/ask.ts'
import { api, type PairName } from '../../../api/client.ts'
import { pieceWords } from './pieceWords.ts'
import { goesWith, useNewPair, wayFor } from './useNewPair.ts'

const named = (order: string): PairName => ({ id: order, order, name: 'Derby', lastId: last.id, leftLastId: null })
const other = { ...last, id: '01900000-0000-7000-8000-0000000000b2', name: 'Quay 20' }
/** A second upper leather, to tell proposals apart by. */
const deck = { ...materials.find((m) => m.kind === 'upper leather')!, id: '01900000-0000-7000-8000-0000000000b3' }

async function begun(like: PairLike | null = null, asked?: string) {
  vi.spyOn(api, 'pairLike').mockResolvedValue(like)
  const form = effectScope().run(() => useNewPair())!
  await form.load(asked)
  await flushPromises()
  return form
}
const likeIt = (change: Partial<typeof decisions> = {}): PairLike => ({
  id: 'x',
  order: '1041',
  name: 'Derby',
  decisions: { ...decisions, ...change },
})

describe('a new pair', () => {
  beforeEach(() => {
    setActivePinia(createPinia())
    vi.spyOn(api.lasts, 'list').mockResolvedValue([last, other] as never)
    vi.spyOn(api.materials, 'list').mockResolvedValue([...materials, deck])
    vi.spyOn(api.cupSoles, 'list').mockResolvedValue([])
    vi.spyOn(api, 'houseRules').mockResolvedValue({ version: 0, houseRules: {} })
    vi.spyOn(api, 'pairNames').mockResolvedValue([named('1044'), named('1041')])
  })

  it('begins with all that is known, and could be kept as it stands', async () => {
    const form = await begun()
    expect(form.label).toMatchObject({ order: '1045', name: `Derby on ${last.name}` })
    expect(PairDecisions.safeParse(form.decisionsAs(form.style.value, form.way.value)).success).toBe(true)
    // On the last that another page asked for.
    expect((await begun(null, other.id)).last.value?.name).toBe('Quay 20')
  })
  it('takes the materials of the newest pair of the style, but for what was chosen here', async () => {
    const from = likeIt({ materials: { ...decisions.materials, upper: deck.id } })
    const form = await begun(from)
    expect(form.materials.upper).toBe(deck.id)
    form.chooseMaterial('upper', decisions.materials.upper)
    form.chooseStyle('oxford')
    await flushPromises()
    expect(form.materials.upper).toBe(decisions.materials.upper)
    expect(form.materials.lining).toBe(decisions.materials.lining)
  })
  it('cuts the pieces from what they were cut from there, unless it is not wanted, gone, or another style', async () => {
    const own = { cap: deck.id, 'quarterLining.lateral': '01900000-0000-7000-8000-0000000000ff', insole: deck.id }
    const form = await begun(likeIt({ pieceMaterials: own }))
    expect(form.ownPieces.value.map((p) => [pieceWords(p.piece), p.material.id])).toEqual([['cap', deck.id]])
    const asked = (style = form.style.value) => form.decisionsAs(style, form.way.value).pieceMaterials
    expect(asked()).toEqual({ cap: deck.id })
    expect(asked('oxford')).toEqual({})
    form.piecesToo.value = false
    expect(asked()).toEqual({})
    expect(pieceWords('quarterLining.lateral')).toBe('quarter lining, lateral')
  })
  it('takes no material that is gone from the stores', async () => {
    const gone = '01900000-0000-7000-8000-0000000000ff'
    const form = await begun(likeIt({ materials: { ...decisions.materials, upper: gone } }))
    expect(form.materials.upper).not.toBe(gone)
    expect([...materials, deck].some((m) => m.id === form.materials.upper)).toBe(true)
  })
  it('offers name and size until they are typed', async () => {
    const form = await begun()
    const offered = form.size.value
    form.chooseSystem('mondopoint')
    await flushPromises()
    expect(form.size.value).not.toBe(offered)
    form.typeSize(38)
    form.label.name = 'Sunday shoe'
    form.nameTyped()
    form.lastId.value = other.id
    form.chooseSystem('paris')
    await flushPromises()
    expect([form.size.value, form.label.name]).toEqual([38, 'Sunday shoe'])
  })
  it('says when a pair bears the number already', async () => {
    const form = await begun()
    expect(form.doubled.value).toBe('')
    form.label.order = ' 1041'
    expect(form.doubled.value).toBe('Order 1041 has a pair already: Derby.')
  })
  it('goes on with what is likeliest when the newest pair cannot be asked for', async () => {
    const form = await begun()
    vi.spyOn(api, 'pairLike').mockRejectedValue(new ApiError(503, 'Busy.'))
    form.chooseStyle('court')
    await flushPromises()
    expect(form.unlike.value).toBe('Busy.')
    expect(PairDecisions.safeParse(form.decisionsAs('court', form.way.value)).success).toBe(true)
  })
  it('an upper that is turned outwards goes with the way that is sewn so, and no other', () => {
    expect(goesWith('stitch-down', 'welted')).toBe(false)
    expect(wayFor('stitch-down', 'welted')).toBe('stitch-down')
    expect(wayFor('derby', 'stitch-down')).toBe('welted')
    expect(wayFor('derby', 'cup sole')).toBe('cup sole')
  })
})
