import {
  patternKinds,
  planPair,
  ruleChapters,
  stepState,
  type PairFile,
  type PairLike,
  type PairPage,
  type PairRow,
  type RuleReach,
} from '@gentle-awl/core'
import { eq, sql } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { PairCards } from '../src/db/pairCards.ts'
import { stepEvents } from '../src/db/recordSchema.ts'
import { materials, pairCards, pairRevisions, pairs, workshop } from '../src/db/schema.ts'
import { seedDemo } from '../src/demo/seed.ts'
import { demoInput, demoPairs } from '../src/demo/workshop.ts'
import { testServer, type TestServer } from './testServer.ts'
import { keptCache } from '../../core/test/keptCache.ts'

let server: TestServer
beforeAll(async () => {
  server = await testServer()
  await seedDemo(server.store)
})
afterAll(() => server.end())

const derby = demoPairs[0]!
const list = async (query = '') => (await server.call('GET', `/pairs${query}`)).body as unknown as PairPage
/** The list once every card of it has been made. */
const withCards = async (query = ''): Promise<PairPage> =>
  vi.waitFor(async () => {
    const page = await list(query)
    for (const row of page.pairs) if (row.unreadable === '') expect(row.card, row.label.order).not.toBeNull()
    return page
  }, 30_000)
const rowOf = (page: PairPage, id: string) => page.pairs.find((p) => p.id === id) as PairRow

describe('the list of pairs', () => {
  it('says of each pair what its plan and its log say, from a card that is kept', async () => {
    const page = await withCards()
    for (const pair of demoPairs) {
      const row = rowOf(page, pair.id)
      const plan = planPair(demoInput(pair), keptCache())
      const { list: log } = await server.call('GET', `/pairs/${pair.id}/steps`)
      const states = plan.steps.map((o) => stepState(log as never, o))
      expect(row.standing).toEqual({
        done: states.filter((s) => s === 'finished').length,
        of: plan.steps.length,
        running: plan.steps[states.indexOf('started')]?.name ?? null,
        next: plan.steps[states.indexOf('open')]?.name ?? null,
      })
      expect(row.card?.worst).toBe(plan.worst)
      expect(row).toMatchObject({
        construction: pair.decisions.construction,
        size: pair.decisions.size,
        unreadable: '',
      })
    }
    const planned = vi.spyOn(server.jobs, 'run')
    await list()
    expect(planned).not.toHaveBeenCalled()
    planned.mockRestore()
  })
  it('a card is made once of many changes in a row, and of a pair that is gone none', async () => {
    const planned = vi
      .spyOn(server.jobs, 'run')
      .mockResolvedValue({ problem: '', worst: null, steps: [], shapes: [], rules: [] })
    const failed = vi.fn()
    const cards = new PairCards(server.store, server.jobs, failed, 40)
    const [a, b] = [demoPairs[0]!.id, demoPairs[1]!.id]
    await server.store.write((tx) => tx.delete(pairCards))
    for (let change = 0; change < 5; change++) for (const id of [a, b]) cards.onceSettled(id)
    cards.forget(b)
    expect(planned).not.toHaveBeenCalled()
    await vi.waitFor(async () =>
      expect((await server.store.db.select().from(pairCards)).map((c) => c.pairId)).toEqual([a]),
    )
    await new Promise((r) => setTimeout(r, 80))
    expect(planned).toHaveBeenCalledTimes(1)
    expect(failed).not.toHaveBeenCalled()
    planned.mockRestore()
    await server.store.write((tx) => tx.delete(pairCards))
  })
  it('a card is made anew when the pair, its material or a house rule is another, and for no other reason', async () => {
    const { body: pair } = await server.call('GET', `/pairs/${derby.id}`)
    await withCards()
    const outlineOf = (page: PairPage) => JSON.stringify(rowOf(page, derby.id).card?.shapes)
    const before = outlineOf(await list())
    await server.call('PUT', `/pairs/${derby.id}`, {
      version: pair.version as number,
      body: {
        label: pair.label,
        decisions: { ...derby.decisions, heel: { ...derby.decisions.heel, lifts: 1 } },
      },
    })
    const changed = outlineOf(await withCards())
    expect(changed).not.toBe(before)
    const leather = derby.decisions.materials.midsole
    await server.store.write((tx) =>
      tx
        .update(materials)
        .set({ thickness: 5.1, version: sql`version + 1` })
        .where(eq(materials.id, leather)),
    )
    expect(rowOf(await list(), derby.id).card).toBeNull()
    const thick = outlineOf(await withCards())
    expect(thick).not.toBe(changed)
    await server.store.write((tx) =>
      tx.insert(workshop).values({ id: 'workshop', houseRules: { 'midsole.roomSewn': 9 }, updatedAt: '' }),
    )
    expect(outlineOf(await withCards())).not.toBe(thick)
    const { standing, card } = (await server.call('GET', `/pairs/${derby.id}/card`)).body
    expect({ standing, card }).toEqual({
      standing: rowOf(await list(), derby.id).standing,
      card: rowOf(await list(), derby.id).card,
    })
  })
  it('what was taken back counts as taken back', async () => {
    const { pairs: rows } = await withCards()
    const row = rows.find((r) => r.standing?.running === null && r.standing.next !== null)
    const pair = demoPairs.find((p) => p.id === row?.id) ?? derby
    const { id } = pair
    const begin = async () => rowOf(await withCards(), id).standing
    const before = await begin()
    const next = planPair(demoInput(pair), keptCache()).steps.find((o) => o.name === before?.next)
    const log = (what: string) => server.call('POST', `/pairs/${id}/steps`, { body: { step: next?.id, what } })
    await log('started')
    expect((await begin())?.running).toBe(next?.name)
    await log('finished')
    expect((await begin())?.done).toBe((before?.done ?? 0) + 1)
    await log('undone')
    expect((await begin())?.running).toBe(next?.name)
    await log('undone')
    expect(await begin()).toEqual(before)
  })
  it('is searched, sorted and turned over page by page on the server', async () => {
    const orders = (page: PairPage) => page.pairs.map((p) => p.label.order)
    const byOrder = orders(await list('?sort=order'))
    expect(byOrder).toEqual([...byOrder].sort())
    const first = await list('?sort=order&size=2')
    expect(first).toMatchObject({ total: demoPairs.length, page: 1, pages: Math.ceil(demoPairs.length / 2) })
    const second = await list('?sort=order&size=2&page=2')
    expect([...orders(first), ...orders(second)]).toEqual(byOrder.slice(0, 4))
    expect(await list('?size=2&page=99')).toMatchObject({ page: first.pages })
    for (const pair of demoPairs) {
      const { order, name } = pair.label
      expect(orders(await list(`?search=${order}`)), order).toContain(order)
      expect(orders(await list(`?search=${encodeURIComponent(name.toUpperCase())}`)), name).toContain(order)
    }
    expect(
      (await list(`?search=${encodeURIComponent(`${derby.label.order} ${derby.label.name.split(' ')[1]}`)}`)).total,
    ).toBe(1)
    expect((await list('?search=%25')).total).toBe(0)
    expect((await list('?search=no-such-pair')).pairs).toEqual([])
  })
  it('stays small: a row is its own label, standing and picture, whatever the log', async () => {
    const page = await withCards()
    expect(JSON.stringify(page).length / page.pairs.length).toBeLessThan(3_000)
    const { list: names } = await server.call('GET', '/pairs/names')
    expect(names).toHaveLength(page.total)
    expect(JSON.stringify(names).length / names.length).toBeLessThan(250)
    const oxford = demoPairs.find((p) => p.decisions.left?.lastId)
    expect(names.find((n) => n.id === oxford?.id)).toMatchObject({ leftLastId: oxford?.decisions.left?.lastId })
  })
})

describe('a pair that cannot be read', () => {
  const bring = async (): Promise<string> => {
    const { body } = await server.call('POST', '/pairs', {
      body: { label: { ...derby.label, order: '7007' }, decisions: derby.decisions },
    })
    return body.id as string
  }
  it.each([
    [
      'its revision is lost',
      (id: string) => server.store.write((tx) => tx.delete(pairRevisions).where(eq(pairRevisions.pairId, id))),
    ],
    [
      'its decisions are cut off',
      (id: string) =>
        server.store.write((tx) =>
          tx.run(sql`UPDATE pair_revisions SET decisions = substr(decisions, 1, 40) WHERE pair_id = ${id}`),
        ),
    ],
    [
      'a number in it is larger than any',
      (id: string) =>
        server.store.write((tx) => tx.run(sql`UPDATE pairs SET head = 9007199254740993 WHERE id = ${id}`)),
    ],
  ])('is named on the list, says so when it is opened, and can be deleted: %s', async (_why, spoil) => {
    const id = await bring()
    await spoil(id)
    const page = await list('?size=100')
    expect(page.total).toBe(demoPairs.length + 1)
    const row = rowOf(page, id)
    expect(row.label.order).toBe('7007')
    expect(row.unreadable).toMatch(/damaged. Delete it, or put it back/)
    const opened = await server.call('GET', `/pairs/${id}`)
    expect(opened.status).toBe(422)
    expect(opened.body.detail).toMatch(/cannot be read/)
    expect((await server.call('GET', '/pairs/names')).status).toBe(200)
    expect((await server.call('DELETE', `/pairs/${id}`, { version: row.version })).status).toBe(204)
    expect((await list()).total).toBe(demoPairs.length)
  })
})

describe('a pair file', () => {
  const fileOf = async () => (await server.call('GET', `/pairs/${derby.id}/file`)).body as unknown as PairFile
  it('with a revision that no pair reaches is refused, and one at the limit can be saved on', async () => {
    const file = await fileOf()
    const bring = (revision: number) =>
      server.call('POST', '/pairs/import', { body: { ...file, id: uuid(), revision } })
    const refused = await bring(9007199254740991)
    expect(refused.status).toBe(422)
    expect(refused.body.detail).toMatch(/revision: No pair has so many revisions/)
    const { status, body: pair } = await bring(1_000_000)
    expect(status).toBe(201)
    const saved = await server.call('PUT', `/pairs/${pair.id as string}`, {
      version: pair.version as number,
      body: { label: pair.label, decisions: { ...file.decisions, puff: { length: 51 } } },
    })
    expect(saved.body.revision).toBe(900_001)
    // Its own file comes back in.
    const own = await server.call('GET', `/pairs/${pair.id as string}/file`)
    expect((await server.call('POST', '/plan', { raw: own.bytes.toString() })).status).toBe(200)
    expect((await list()).pairs.some((p) => p.id === pair.id)).toBe(true)
    await server.call('DELETE', `/pairs/${pair.id as string}`, { version: saved.body.version as number })
  })
  it('comes back in whatever its log has grown to', async () => {
    const file = await fileOf()
    const at = (n: number) => new Date(Date.UTC(2026, 0, 1) + n * 1000).toISOString()
    const log = Array.from({ length: 12_000 }, (_, n) => ({
      step: 'print',
      what: (['started', 'finished', 'undone', 'undone'] as const)[n % 4],
      at: at(n),
    }))
    const { status, body } = await server.call('POST', '/pairs/import', { body: { ...file, id: uuid(), log } })
    expect(status).toBe(201)
    const again = await server.call('GET', `/pairs/${body.id as string}/file`)
    expect(again.body.log).toEqual(log)
    const twice = await server.call('POST', '/pairs/import', { raw: again.bytes.toString() })
    expect(twice.status).toBe(201)
    expect(
      await server.store.db
        .select({ n: sql<number>`count(*)` })
        .from(stepEvents)
        .where(eq(stepEvents.pairId, twice.body.id as string)),
    ).toEqual([{ n: 12_000 }])
    await server.store.write((tx) =>
      tx.delete(pairs).where(sql`${pairs.id} IN (${body.id as string}, ${twice.body.id as string})`),
    )
  })
})

describe('what a house rule touches', () => {
  const reach = async () => (await server.call('GET', '/house-rules/reach')).body as unknown as RuleReach
  it('is counted from the cards: every pair that reads it, but for those with a figure of their own', async () => {
    await withCards()
    const { rules, pairs: count, unknown } = await reach()
    expect({ count, unknown }).toEqual({ count: demoPairs.length, unknown: 0 })
    const read = demoPairs.map((pair) => {
      const keys = new Set<string>()
      planPair(demoInput(pair), keptCache(), ({ key }) => keys.add(key))
      return { order: pair.label.order, keys, own: pair.decisions.rules }
    })
    for (const rule of ruleChapters.flatMap((c) => c.rules)) {
      const reads = read.filter(({ keys }) => keys.has(rule.key))
      const touched = reads.filter(({ own }) => own[rule.key] === undefined).map(({ order }) => order)
      expect(rules[rule.key]?.own ?? 0, rule.key).toBe(reads.length - touched.length)
      expect([...(rules[rule.key]?.orders ?? [])].sort(), rule.key).toEqual(touched.sort())
      expect(rules[rule.key]?.pairs ?? 0).toBe(touched.length)
    }
  })
  it('does not touch a pair that has its own figure, and of one without a card it is not known', async () => {
    const { body: pair } = await server.call('GET', `/pairs/${derby.id}`)
    const key = 'puff.base'
    const before = (await reach()).rules[key]!
    await server.call('PUT', `/pairs/${derby.id}`, {
      version: pair.version as number,
      body: { label: derby.label, decisions: { ...derby.decisions, rules: { [key]: 60 } } },
    })
    await withCards()
    const after = (await reach()).rules[key]!
    expect(after).toMatchObject({ pairs: before.pairs - 1, own: before.own + 1 })
    expect(after.orders).not.toContain(derby.label.order)
    await server.store.write((tx) => tx.delete(pairCards).where(eq(pairCards.pairId, derby.id)))
    expect((await reach()).unknown).toBe(1)
    await server.call('POST', `/pairs/${derby.id}/undo`, { version: (pair.version as number) + 1 })
    await withCards()
    expect((await reach()).rules[key]).toEqual(before)
  })
})

describe('an earlier pair to go by', () => {
  const like = async (style: string, construction: string) =>
    (await server.call('GET', `/pairs/like?${new URLSearchParams({ style, construction }).toString()}`))
      .body as unknown as PairLike
  const begin = async (order: string, change: Partial<typeof derby.decisions>) => {
    const answer = await server.call('POST', '/pairs', {
      body: { label: { ...derby.label, order }, decisions: { ...derby.decisions, ...change } },
    })
    expect(answer.status).toBe(201)
    return answer.body.id as string
  }
  it('is the newest of its style, one made in the same way before all others, as it is decided now', async () => {
    const oxford = { ...derby.decisions.upper, style: 'oxford' as const }
    const first = await begin('L1', { upper: oxford, construction: 'welted' })
    const second = await begin('L2', { upper: oxford, construction: 'cemented' })
    expect((await like('oxford', 'cemented')).id).toBe(second)
    expect((await like('oxford', 'welted')).id).toBe(first)
    // One that is newer and of the same way comes before it.
    const third = await begin('L3', { upper: oxford, construction: 'welted' })
    expect(await like('oxford', 'welted')).toMatchObject({ id: third, order: 'L3' })
    // In no way of which there is one: the newest of the style.
    expect((await like('oxford', 'cup sole')).id).toBe(third)
    // A pair that was changed into another style is none of this one any more.
    await server.call('PUT', `/pairs/${third}`, {
      version: 1,
      body: { label: derby.label, decisions: { ...derby.decisions, construction: 'welted' } },
    })
    expect((await like('oxford', 'welted')).id).toBe(first)
    await server.store.write((tx) => tx.delete(pairs).where(sql`${pairs.id} IN (${first}, ${second}, ${third})`))
  })
  it('is none where there is none, and a style that is none is refused', async () => {
    const absent = patternKinds.find((kind) => demoPairs.every((p) => p.decisions.upper.style !== kind))
    expect(absent).toBeDefined()
    expect(await like(absent ?? '', 'welted')).toBeNull()
    expect((await server.call('GET', '/pairs/like?style=clog&construction=welted')).status).toBe(422)
  })
})

describe('what is refused when it is saved, not when it is printed', () => {
  it.each([
    ['a rule that is none', { rules: { 'puff.colour': 3 } }, /no house rule called "puff.colour"/],
    ['a figure out of its range', { rules: { 'puff.base': 9000 } }, /outside/],
    [
      'a material that cannot serve',
      { materials: { ...derby.decisions.materials, midsole: derby.decisions.materials.lining } },
      /cannot serve here/,
    ],
  ])('%s', async (_what, change, says) => {
    const decisions = { ...derby.decisions, ...change }
    const answer = await server.call('POST', '/pairs', { body: { label: derby.label, decisions } })
    expect(answer.status).toBe(422)
    expect(answer.body.detail).toMatch(says)
    expect(answer.body.fields).toHaveLength(1)
  })
  it('a name with characters that nobody can see', async () => {
    for (const name of ['Der\u0000by', 'Derby\u001b[31m', 'Der\ud800by', 'Der\u2028by']) {
      const answer = await server.call('POST', '/pairs', {
        body: { label: { ...derby.label, name }, decisions: derby.decisions },
      })
      expect(answer.status, JSON.stringify(name)).toBe(422)
      expect(answer.body.fields).toEqual([
        { field: 'label.name', message: expect.stringMatching(/cannot be seen or printed/) as string },
      ])
    }
    // What is stored already is shown without breaking a drawing.
    await server.store.write((tx) => tx.update(pairs).set({ name: 'Der\u001bby <1>' }).where(eq(pairs.id, derby.id)))
    const svg = (await server.call('GET', `/pairs/${derby.id}/parts.svg`)).bytes.toString()
    expect(svg).toContain('Der\ufffdby &lt;1&gt;')
    expect(svg).not.toContain('\u001b')
    await server.store.write((tx) => tx.update(pairs).set({ name: derby.label.name }).where(eq(pairs.id, derby.id)))
  })
})
