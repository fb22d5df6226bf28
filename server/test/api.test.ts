import http from 'node:http'
import { planJson, planPair, progress, type Pace, type PairFile } from '@gentle-awl/core'
import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { seedDemo } from '../src/demo/seed.ts'
import { demoMeasures } from '../src/demo/lasts.ts'
import { demoInput, demoPairs } from '../src/demo/workshop.ts'
import { logStep } from '../src/db/stepLog.ts'
import { testServer, type TestServer } from './testServer.ts'
import { keptCache } from '../../core/test/keptCache.ts'

let server: TestServer
const derby = demoPairs[0]!

beforeAll(async () => {
  server = await testServer()
  await seedDemo(server.store)
})
afterAll(() => server.end())

const snapshot = async () => ({
  // Without their cards, which are made while nobody waits.
  pairs: (
    (await server.call('GET', '/pairs?size=100')).body.pairs as { id: string; version: number; label: object }[]
  ).map(({ id, version, label }) => ({ id, version, label })),
  lasts: (await server.call('GET', '/lasts')).list,
  materials: (await server.call('GET', '/materials')).list,
  rules: (await server.call('GET', '/house-rules')).body,
})
const newPair = async () => {
  const made = await server.call('POST', '/pairs', {
    body: { label: { order: '2001', name: 'Try-out', trade: 'net mender', note: '' }, decisions: derby.decisions },
  })
  expect(made.status).toBe(201)
  return made.body as { id: string; version: number; revision: number }
}

describe('the demo workshop', () => {
  it('has lasts of 10, 20, 25 and 45 mm heels, ten materials, five pairs at different stages, and every pair plans', async () => {
    expect(demoMeasures.map((m) => m.heelHeight).sort((a, b) => a - b)).toEqual([10, 20, 25, 45])
    const { pairs, materials } = await snapshot()
    expect(materials.length).toBeGreaterThanOrEqual(8)
    const logs = await Promise.all(
      pairs.map(async (p) => (await server.call('GET', `/pairs/${p.id}/steps`)).list.length),
    )
    expect(new Set(logs).size).toBe(5)
    const cache = keptCache()
    for (const pair of demoPairs) {
      const plan = planPair(demoInput(pair), cache)
      expect(plan.findings.find((f) => f.id === 'pair.size')?.level, pair.label.name).toBe('fine')
    }
  })
  it('is made once only', async () => {
    expect(await seedDemo(server.store)).toBe(false)
  })
})

describe('health and doors', () => {
  it('answers when ready', async () => {
    expect(await server.call('GET', '/health')).toMatchObject({ status: 200, body: { status: 'ready' } })
  })
  it('answers only pages of this computer', async () => {
    expect((await server.call('GET', '/pairs', { headers: { origin: 'http://elsewhere.example' } })).status).toBe(403)
  })
  it('a request under a foreign host name is refused', async () => {
    const status = await new Promise<number | undefined>((resolve, reject) => {
      // fetch does not let the Host header be set.
      http
        .get(
          { host: '127.0.0.1', port: server.port, path: '/api/v1/health', headers: { host: 'workshop.example' } },
          (res) => {
            res.resume()
            resolve(res.statusCode)
          },
        )
        .on('error', reject)
    })
    expect(status).toBe(403)
  })
  it('has a sentence for an address that is not there', async () => {
    const answer = await server.call('GET', '/cobblers')
    expect(answer.status).toBe(404)
    expect(answer.type).toContain('application/problem+json')
    expect(answer.body.detail).toMatch(/nothing at this address/)
  })
})

describe('bad input says what, where and what to do, and changes nothing', () => {
  it.each<
    [
      string,
      () => Promise<{
        status: number
        type: string
        body: { detail?: string; fields?: { field: string; message: string }[] }
      }>,
      number,
      RegExp,
    ]
  >([
    [
      'a wrong field',
      () => server.call('POST', '/pairs', { body: { label: { order: '', name: 'x' }, decisions: derby.decisions } }),
      422,
      /label, order: Give the order a number/,
    ],
    [
      'a wrong type',
      () => server.call('POST', '/materials', { body: { name: 'Calf', kind: 'upper leather', thickness: 'thick' } }),
      422,
      /thickness/,
    ],
    [
      'an unknown kind',
      () => server.call('POST', '/materials', { body: { name: 'Calf', kind: 'cheese', thickness: 2 } }),
      422,
      /kind/,
    ],
    [
      'a last that cannot be',
      () =>
        server.call('POST', '/lasts', {
          body: { name: 'Odd', shape: { kind: 'measures', measures: { ...demoMeasures[0], jointGirth: 150 } } },
        }),
      422,
      /joint girth of 150 mm cannot be met/,
    ],
    [
      'broken JSON',
      () => server.call('POST', '/pairs/import', { raw: '{"format": "gentle-awl-pair", ' }),
      400,
      /not a whole JSON file/,
    ],
    [
      'another JSON',
      () => server.call('POST', '/pairs/import', { body: { hello: 1 } }),
      422,
      /This file cannot be used. At format: /,
    ],
    [
      'an unknown id',
      () => server.call('GET', '/pairs/01930000-0003-7000-8000-00000000ffff'),
      404,
      /no pair with this id/,
    ],
    ['no id at all', () => server.call('GET', '/pairs/..%2f..'), 404, /nothing with this id/],
    [
      'a write without its version',
      () => server.call('PUT', `/pairs/${derby.id}`, { body: { label: derby.label, decisions: derby.decisions } }),
      428,
      /If-Match/,
    ],
    [
      'an unknown rule',
      () => server.call('PUT', '/house-rules', { version: 0, body: { houseRules: { 'puff.colour': 3 } } }),
      422,
      /no house rule called "puff.colour"/,
    ],
    [
      'a rule out of range',
      () => server.call('PUT', '/house-rules', { version: 0, body: { houseRules: { 'puff.base': 400 } } }),
      422,
      /outside 35 to 75/,
    ],
    [
      'an unknown material',
      () =>
        server.call('POST', '/pairs', {
          body: {
            label: derby.label,
            decisions: { ...derby.decisions, materials: { ...derby.decisions.materials, puff: derby.id } },
          },
        }),
      422,
      /Toe puff: the material is not in the stores/,
    ],
    [
      'an unknown last',
      () =>
        server.call('POST', '/pairs', {
          body: { label: derby.label, decisions: { ...derby.decisions, lastId: derby.id } },
        }),
      422,
      /last is not on the shelf/,
    ],
    [
      'an unknown step',
      () => server.call('POST', `/pairs/${derby.id}/steps`, { body: { step: 'dance', what: 'started' } }),
      422,
      /no step "dance"/,
    ],
    [
      'a part that is not there',
      () => server.call('GET', `/pairs/${derby.id}/part.svg?part=padding`),
      404,
      /no such part/,
    ],
    ['a paper that is not there', () => server.call('GET', `/pairs/${derby.id}/parts.pdf?paper=a9`), 422, /paper/],
  ])('%s', async (_name, ask, status, sentence) => {
    const before = await snapshot()
    const answer = await ask()
    expect(answer.status).toBe(status)
    expect(answer.type).toContain('application/problem+json')
    expect(answer.body.detail).toMatch(sentence)
    if (status === 422 && !/girth/.test(answer.body.detail ?? ''))
      expect(answer.body.fields?.[0]!.field.length).toBeGreaterThan(0)
    expect(await snapshot()).toEqual(before)
  })
})

describe('a pair and its revisions', () => {
  it('each change is a revision; undo and redo walk them and a stale write is refused with what is there', async () => {
    const pair = await newPair()
    const label = { order: '2001', name: 'Try-out', trade: 'net mender', note: '' }
    const longer = { ...derby.decisions, puff: { length: 66 } }
    const saved = await server.call('PUT', `/pairs/${pair.id}`, { version: 1, body: { label, decisions: longer } })
    expect(saved.body).toMatchObject({ version: 2, revision: 2, canUndo: true, canRedo: false })
    expect(saved.etag).toBe('"2"')

    const stale = await server.call('PUT', `/pairs/${pair.id}`, {
      version: 1,
      body: { label, decisions: derby.decisions },
    })
    expect(stale.status).toBe(409)
    expect(stale.body.current).toMatchObject({ version: 2, decisions: { puff: { length: 66 } } })

    const undone = await server.call('POST', `/pairs/${pair.id}/undo`, { version: 2 })
    expect(undone.body).toMatchObject({
      version: 3,
      revision: 1,
      canUndo: false,
      canRedo: true,
      decisions: { puff: { length: null } },
    })
    expect((await server.call('POST', `/pairs/${pair.id}/undo`, { version: 3 })).status).toBe(409)
    const redone = await server.call('POST', `/pairs/${pair.id}/redo`, { version: 3 })
    expect(redone.body).toMatchObject({ version: 4, revision: 2, decisions: { puff: { length: 66 } } })

    // A change after an undo starts a branch; nothing that was saved is lost.
    await server.call('POST', `/pairs/${pair.id}/undo`, { version: 4 })
    const branch = await server.call('PUT', `/pairs/${pair.id}`, {
      version: 5,
      body: { label, decisions: { ...derby.decisions, puff: { length: 50 } } },
    })
    expect(branch.body).toMatchObject({ revision: 3, canUndo: true, canRedo: false })
  })
  it('saving the same decisions makes no new revision', async () => {
    const pair = await newPair()
    const label = { order: '2001', name: 'Another name', trade: '', note: '' }
    const saved = await server.call('PUT', `/pairs/${pair.id}`, {
      version: 1,
      body: { label, decisions: derby.decisions },
    })
    expect(saved.body).toMatchObject({ version: 2, revision: 1, label: { name: 'Another name' } })
  })
  it('of two writes on one version exactly one wins', async () => {
    const pair = await newPair()
    const label = { order: '2001', name: 'Race', trade: '', note: '' }
    const write = (length: number) =>
      server.call('PUT', `/pairs/${pair.id}`, {
        version: 1,
        body: { label, decisions: { ...derby.decisions, puff: { length } } },
      })
    const answers = await Promise.all([write(51), write(52), write(53), write(54)])
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409, 409, 409])
  })
  it('the left shoe’s own last goes with the pair file, is looked for on the shelf, and stays there', async () => {
    const label = { order: '2039', name: 'Two lasts', trade: '', note: '' }
    const own = demoPairs[4]!.decisions
    const made = await server.call('POST', '/pairs', { body: { label, decisions: own } })
    const file = await server.call('GET', `/pairs/${String(made.body.id)}/file`)
    expect(file.body.leftLast).toMatchObject({ id: own.left?.lastId })
    const gone = { ...own, left: { ...own.left, lastId: '01930000-0001-7000-8000-0000000000ff' } }
    const refused = await server.call('POST', '/pairs', { body: { label, decisions: gone } })
    expect(refused.status).toBe(422)
    expect(refused.body.fields).toMatchObject([{ field: 'decisions.left.lastId' }])
    const last = await server.call('GET', `/lasts/${own.left?.lastId}`)
    const kept = await server.call('DELETE', `/lasts/${own.left?.lastId}`, { version: last.body.version as number })
    expect(kept.status).toBe(409)
  })
  it('a cup sole goes with the pair file, is looked for in the stores, and stays there while a pair is planned in it', async () => {
    const [sole] = (await server.call('GET', '/cup-soles')).list as { id: string; version: number }[]
    const label = { order: '2041', name: 'In a cup', trade: '', note: '' }
    const decisions = { ...demoPairs[2]!.decisions, construction: 'cup sole', cupSoleId: sole!.id }
    const made = await server.call('POST', '/pairs', { body: { label, decisions } })
    expect(made.status).toBe(201)
    const { body: file } = await server.call('GET', `/pairs/${String(made.body.id)}/file`)
    expect(file.cupSole).toMatchObject({ id: sole!.id, seat: 17, tread: 8 })
    const plan = await server.call('POST', '/plan', { body: file })
    expect(plan.status).toBe(200)
    expect((plan.body as unknown as { bottom: { cup: unknown } }).bottom.cup).not.toBeNull()
    const gone = { ...decisions, cupSoleId: '01930000-0005-7000-8000-0000000000ff' }
    const refused = await server.call('POST', '/pairs', { body: { label, decisions: gone } })
    expect(refused.body.fields).toMatchObject([{ field: 'decisions.cupSoleId' }])
    const kept = await server.call('DELETE', `/cup-soles/${sole!.id}`, { version: sole!.version })
    expect(kept.status).toBe(409)
    expect(kept.body.detail).toMatch(/stays in the stores/)
  })
  it('what is cut of a part that differs counts for each foot', async () => {
    const label = { order: '2040', name: 'Two lasts', trade: '', note: '' }
    const made = await server.call('POST', '/pairs', { body: { label, decisions: demoPairs[4]!.decisions } })
    const id = String(made.body.id)
    for (const what of ['started', 'finished']) {
      await server.call('POST', `/pairs/${id}/steps`, { body: { step: 'cut-insole', what } })
    }
    const list = await server.call('GET', `/pairs/${id}/made`)
    expect(list.list.map((m) => m.part).sort()).toEqual(['left.insole', 'right.insole'])
  })
  it('a last or material in use cannot be deleted', async () => {
    const last = (await server.call('GET', `/lasts/${derby.decisions.lastId}`)).body
    const refused = await server.call('DELETE', `/lasts/${derby.decisions.lastId}`, { version: last.version as number })
    expect(refused.status).toBe(409)
    expect(refused.body.detail).toMatch(/stays on the shelf/)
  })
})

describe('the log of steps', () => {
  it('follows start, finish, take back, and refuses what does not follow', async () => {
    const pair = await newPair()
    const say = (what: string, step = 'print') =>
      server.call('POST', `/pairs/${pair.id}/steps`, { body: { step, what } })
    expect((await say('finished')).body.detail).toMatch(/not started yet/)
    expect((await say('started')).status).toBe(201)
    expect((await say('started')).body.detail).toMatch(/running already/)
    expect((await say('finished')).list).toHaveLength(2)
    expect((await say('undone')).status).toBe(201)
    expect((await say('finished')).status).toBe(201)
    const log = (await server.call('GET', `/pairs/${pair.id}/steps`)).list
    expect(log.map((e) => e.what)).toEqual(['started', 'finished', 'undone', 'finished'])
    expect(log.every((e) => Math.abs(Date.parse(String(e.at)) - Date.now()) < 60_000)).toBe(true)
  })
})

describe('the time that a step took', () => {
  it('is corrected once it is done: finished when it was, begun so much before, and what stood there stays in the log', async () => {
    const { id } = await newPair()
    const say = (what: string) => server.call('POST', `/pairs/${id}/steps`, { body: { step: 'print', what } })
    const correct = (minutes: unknown) => server.call('PUT', `/pairs/${id}/steps/print/minutes`, { body: { minutes } })
    expect((await say('started')).status).toBe(201)
    const early = await correct(20)
    expect(early.status).toBe(409)
    expect(early.body.detail).toMatch(/step that is done/)
    await say('finished')
    const { list: before } = await server.call('GET', `/pairs/${id}/steps`)
    expect((await correct(20)).status).toBe(200)
    const { list: after } = await server.call('GET', `/pairs/${id}/steps`)
    expect(after.slice(0, before.length)).toEqual(before)
    const standing = progress(planPair(demoInput(demoPairs[0]!), keptCache()).steps, after as never, Date.now())
    const print = standing.find((s) => s.step.id === 'print')!
    expect(print.finishedAt).toBe(Date.parse(before.at(-1)!.at as string))
    expect(print.finishedAt! - print.startedAt!).toBe(20 * 60_000)
    // It can be corrected again, and taken back like any other.
    expect((await correct(0)).status).toBe(200)
    for (const bad of [-1, 20_000, 'long', null]) expect((await correct(bad)).status).toBe(422)
    expect((await say('undone')).status).toBe(201)
    expect((await say('undone')).status).toBe(201)
    expect((await say('undone')).status).toBe(409)
  })
})

describe('a step of one foot', () => {
  it('is told by itself; one entry for both, as older logs have them, counts for either until it is said otherwise', async () => {
    const { id } = await newPair()
    const say = async (step: string, what: string) =>
      (await server.call('POST', `/pairs/${id}/steps`, { body: { step, what } })).status
    expect(await say('last-back.right', 'started')).toBe(201)
    expect(await say('last-back.right', 'started')).toBe(409)
    expect(await say('last-back.left', 'finished')).toBe(409)
    // No step goes by this any more, but a log may: it is only taken back.
    expect(await say('last-back', 'started')).toBe(422)
    await server.store.write((tx) => logStep(tx, id, { id: 'last-toe', formerly: [] }, 'started'))
    await server.store.write((tx) => logStep(tx, id, { id: 'last-toe', formerly: [] }, 'finished'))
    expect(await say('last-toe.left', 'started')).toBe(409)
    expect(await say('last-toe.left', 'undone')).toBe(201)
    expect(await say('last-toe.left', 'finished')).toBe(201)
    const minutes = await server.call('PUT', `/pairs/${id}/steps/last-toe.right/minutes`, { body: { minutes: 33 } })
    expect(minutes.status).toBe(200)
  })
})

describe('the pace of the workshop', () => {
  it('is learned from what was done, step by step', async () => {
    const { id } = await newPair()
    const pace = async () => (await server.call('GET', '/pace')).body as unknown as Record<string, Pace>
    await server.call('GET', `/pairs/${id}/card`)
    const before = await pace()
    const planned = planPair(demoInput(demoPairs[0]!), keptCache()).steps.find((s) => s.id === 'cut-puff')!.minutes
      .value
    for (const what of ['started', 'finished']) {
      await server.call('POST', `/pairs/${id}/steps`, { body: { step: 'cut-puff', what } })
    }
    // So far it took no time at all, which tells nothing.
    expect(await pace()).toEqual(before)
    const minutes = 3 * planned
    await server.call('PUT', `/pairs/${id}/steps/cut-puff/minutes`, { body: { minutes } })
    const after = await pace()
    const times = before['cut-puff']?.times ?? 0
    expect(after['cut-puff']!.times).toBe(times + 1)
    expect(after['cut-puff']!.factor).toBeGreaterThan(before['cut-puff']?.factor ?? 1)
    const { 'cut-puff': _, ...others } = after
    const { 'cut-puff': __, ...unchanged } = before
    expect(others).toEqual(unchanged)
  })
})

describe('the open pair file', () => {
  it('goes out and comes into an empty workshop without loss', async () => {
    const file = (await server.call('GET', `/pairs/${derby.id}/file`)).body as unknown as PairFile
    const elsewhere = await testServer()
    try {
      const brought = await elsewhere.call('POST', '/pairs/import', { body: file })
      expect(brought.status).toBe(201)
      const again = (await elsewhere.call('GET', `/pairs/${derby.id}/file`)).body
      expect(again).toEqual(file)
    } finally {
      await elsewhere.end()
    }
  })
  it('comes in as a copy where it is already, and carries house rules that differ', async () => {
    const file = (await server.call('GET', `/pairs/${derby.id}/file`)).body as unknown as PairFile
    const copy = await server.call('POST', '/pairs/import', { body: { ...file, houseRules: { 'puff.base': 55 } } })
    expect(copy.status).toBe(201)
    expect(copy.body.id).not.toBe(derby.id)
    expect(copy.body).toMatchObject({
      label: { name: 'Welted derby (copy)' },
      decisions: { rules: { 'puff.base': 55 } },
    })
    await server.call('DELETE', `/pairs/${String(copy.body.id)}`, { version: copy.body.version as number })
  })
  it('that cannot be planned changes nothing', async () => {
    const file = (await server.call('GET', `/pairs/${derby.id}/file`)).body as unknown as PairFile
    const before = await snapshot()
    const impossible = {
      ...file,
      last: { ...file.last, shape: { kind: 'measures', measures: { ...demoMeasures[0], jointGirth: 150 } } },
    }
    const answer = await server.call('POST', '/pairs/import', { body: impossible })
    expect(answer.status).toBe(422)
    expect(answer.body.detail).toMatch(/girth of 150 mm cannot be met|cannot/)
    expect(await snapshot()).toEqual(before)
  })
  it('is planned without being stored, as the core plans it', async () => {
    const file = (await server.call('GET', `/pairs/${derby.id}/file`)).body as unknown as PairFile
    const before = await snapshot()
    const answer = await server.call('POST', '/plan', { body: { ...file, id: '01930000-0003-7000-8000-0000000000aa' } })
    expect(answer.status).toBe(200)
    expect(answer.body).toEqual(JSON.parse(planJson(planPair(file, keptCache()))))
    expect(await snapshot()).toEqual(before)
  })
})

describe('house rules of the workshop', () => {
  it('change every plan and can be taken back', async () => {
    const rules = await server.call('GET', '/house-rules')
    const changed = await server.call('PUT', '/house-rules', {
      version: rules.body.version as number,
      body: { houseRules: { 'stiffener.topGap': 4 } },
    })
    expect(changed.status).toBe(200)
    const file = (await server.call('GET', `/pairs/${derby.id}/file`)).body as unknown as PairFile
    expect(file.houseRules).toEqual({ 'stiffener.topGap': 4 })
    expect((await server.call('PUT', '/house-rules', { version: 0, body: { houseRules: {} } })).status).toBe(409)
    const back = await server.call('PUT', '/house-rules', {
      version: changed.body.version as number,
      body: { houseRules: {} },
    })
    expect(back.body.houseRules).toEqual({})
  })
})

describe('a full disk', () => {
  it('is said in a sentence, and what was there stays', async () => {
    const small = await testServer()
    try {
      await seedDemo(small.store)
      // SQLite reports a full disk when it may not grow; the limit is as good as a small disk.
      const pages = await small.store.db.get<{ page_count: number }>(sql`PRAGMA page_count`)
      await small.store.db.run(sql.raw(`PRAGMA max_page_count = ${pages?.page_count ?? 0}`))
      const before = (await small.call('GET', '/materials')).list
      let answer = await small.call('GET', '/health')
      for (let i = 0; i < 400 && answer.status < 400; i++) {
        answer = await small.call('POST', '/materials', {
          body: { name: `Filler ${i}`, kind: 'foam', thickness: 2, note: 'x'.repeat(480) },
        })
      }
      expect(answer.status).toBe(507)
      expect(answer.body.detail).toMatch(/disk is full, so nothing was saved/)
      const after = (await small.call('GET', '/materials')).list
      expect(after.filter((m) => !String(m.name).startsWith('Filler'))).toEqual(before)
      expect((await small.call('GET', `/pairs/${derby.id}`)).status).toBe(200)
    } finally {
      await small.end()
    }
  })
})

describe('what was made', () => {
  it('is kept with its fingerprint and revision; unknown parts and pairs are refused and change nothing', async () => {
    const { id } = await newPair()
    const path = `/pairs/${id}/made`
    expect((await server.call('GET', path)).list).toEqual([])
    const made = await server.call('POST', path, { body: { how: 'printed', parts: ['insole', 'upper.vamp'] } })
    expect(made.status).toBe(201)
    expect(made.list).toHaveLength(2)
    expect(made.list[0]).toMatchObject({ how: 'printed', revision: 1 })
    expect(made.list.every((m) => /^[0-9a-f]{16}$/.test(String(m.print)))).toBe(true)
    const unknown = await server.call('POST', path, { body: { how: 'cut', parts: ['insole', 'upper.wing'] } })
    expect(unknown.status).toBe(422)
    expect(unknown.body.detail ?? unknown.body.fields?.[0]!.message).toMatch(/upper\.wing/)
    expect((await server.call('GET', path)).list).toHaveLength(2)
    expect((await server.call('POST', path, { body: { how: 'burnt', parts: ['insole'] } })).status).toBe(422)
  })
  it('an upper without pieces is not printed: a sentence says what to do', async () => {
    const { id, version } = await newPair()
    const label = { order: '2002', name: 'No drawing yet', trade: '', note: '' }
    const decisions = { ...derby.decisions, upper: { ...derby.decisions.upper, style: 'own pattern' } }
    expect((await server.call('PUT', `/pairs/${id}`, { body: { label, decisions }, version })).status).toBe(200)
    for (const format of ['svg', 'dxf', 'pdf']) {
      const answer = await server.call('GET', `/pairs/${id}/upper.${format}`)
      expect(answer.status).toBe(422)
      expect(answer.body.detail).toMatch(/has no piece yet/)
    }
  })
  it('printing puts what is on the paper on record, in the one request that fetches it; looking does not', async () => {
    const { id } = await newPair()
    const list = async () => (await server.call('GET', `/pairs/${id}/made`)).list
    expect((await server.call('GET', `/pairs/${id}/upper.svg`)).status).toBe(200)
    expect((await server.call('GET', `/pairs/${id}/part.svg?part=insole`)).status).toBe(200)
    expect(await list()).toEqual([])
    const upper = await server.call('POST', `/pairs/${id}/upper.svg`, { body: {} })
    expect([upper.status, upper.type]).toEqual([200, 'image/svg+xml'])
    const pieces = await list()
    expect(pieces.length).toBeGreaterThan(2)
    for (const m of pieces) {
      expect(m).toMatchObject({ how: 'printed', revision: 1 })
      // Every piece that is on record is drawn on the sheet, for the right foot and for the left.
      const piece = String(m.part).replace('upper.', '')
      for (const foot of ['right', 'left']) expect(upper.bytes.toString()).toContain(`id="${piece}-${foot}"`)
    }
    const one = await server.call('POST', `/pairs/${id}/part.svg`, { body: { part: 'insole', foot: 'left' } })
    expect(one.status).toBe(200)
    expect((await list()).slice(pieces.length)).toMatchObject([{ part: 'insole', how: 'printed' }])
    for (const [path, body, status] of [
      ['parts.pdf', { paper: 'a9' }, 422],
      ['part.svg', { part: 'wing' }, 404],
    ] as const) {
      expect((await server.call('POST', `/pairs/${id}/${path}`, { body })).status).toBe(status)
    }
    expect(await list()).toHaveLength(pieces.length + 1)
  })
  it('a cut step that is finished is on it; the pair file carries it', async () => {
    const { id } = await newPair()
    for (const what of ['started', 'finished']) {
      expect((await server.call('POST', `/pairs/${id}/steps`, { body: { step: 'cut-insole', what } })).status).toBe(201)
    }
    const { list } = await server.call('GET', `/pairs/${id}/made`)
    expect(list).toMatchObject([{ part: 'insole', how: 'cut' }])
    const file = await server.call('GET', `/pairs/${id}/file`)
    expect(file.body.made).toHaveLength(1)
  })
})
