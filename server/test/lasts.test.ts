import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createClient } from '@libsql/client'
import {
  generateLast,
  packSurface,
  PAIR_VERSION,
  PairFile,
  shelfFigures,
  type Last,
  type LastHold,
  type ShelfLast,
} from '@gentle-awl/core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoLasts, demoMeasures } from '../src/demo/lasts.ts'
import { demoInput, demoPairs } from '../src/demo/workshop.ts'
import { seedDemo } from '../src/demo/seed.ts'
import { openStore } from '../src/db/open.ts'
import { lasts, pairRevisions } from '../src/db/schema.ts'
import { hiddenLast } from '../src/standins/scanner.ts'
import { migrations, testServer, type TestServer } from './testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await testServer()
  await seedDemo(server.store)
})
afterAll(() => server.end())
const made = (change = {}) => ({ kind: 'measures', measures: { ...demoMeasures[2], ...change } })

describe('lasts of every kind', () => {
  it('made, traced and kept are on the demo shelf and can each be planned on', async () => {
    const { list } = await server.call('GET', '/lasts')
    const kinds = (list as unknown as Last[]).map((l) => l.shape.kind).sort()
    expect(kinds).toEqual(['kept', 'measures', 'measures', 'measures', 'measures', 'measures', 'traced'])
    const { body: file } = await server.call('GET', `/pairs/${demoPairs[0]!.id}/file`)
    for (const listed of list as unknown as ShelfLast[]) {
      const answer = await server.call('GET', `/lasts/${listed.id}`)
      const { id, name, note, shape, buildUps, stock } = answer.body as unknown as Last
      // The list says of every last what the last itself says, without a scan's tens of thousands of numbers.
      expect(shelfFigures(listed.shape)).toEqual(shelfFigures(shape))
      expect(JSON.stringify(listed).length).toBeLessThan(20_000)
      const plan = await server.call('POST', '/plan', {
        body: {
          ...file,
          decisions: { ...(file.decisions as object), lastId: id },
          last: { id, name, note, shape, buildUps, stock },
        },
      })
      expect(plan.status, name).toBe(200)
      expect((plan.body.parts as unknown[]).length).toBeGreaterThan(4)
    }
  })
  it('a kept surface comes back to the last hundredth', async () => {
    const surface = packSurface(generateLast(demoMeasures[0]!))
    const shape = { kind: 'kept', surface, origin: { from: 'scan', name: 'x.stl', within: 0.2 } }
    const added = await server.call('POST', '/lasts', { body: { name: 'Found', shape } })
    expect(added.status).toBe(201)
    const again = await server.call('GET', `/lasts/${String(added.body.id)}`)
    expect((again.body.shape as { surface: unknown }).surface).toEqual(surface)
    expect(again.body.stock).toEqual({ number: '', feet: 'pair', count: 1, place: '' })
  })
  it.each([
    [
      'a surface with points missing',
      (s: ReturnType<typeof packSurface>) => ({ ...s, points: s.points.slice(9) }),
      /not as many points/,
    ],
    [
      'a surface that is all one point',
      (s: ReturnType<typeof packSurface>) => ({ ...s, points: s.points.map(() => 0) }),
      /no last: its .* cannot be read/,
    ],
  ])('%s is refused and nothing is stored', async (_name, spoil, sentence) => {
    const before = (await server.call('GET', '/lasts')).list.length
    const surface = spoil(packSurface(generateLast(demoMeasures[0]!)))
    const answer = await server.call('POST', '/lasts', {
      body: { name: 'Bad', shape: { kind: 'kept', surface, origin: { from: 'scan', name: 'x' } } },
    })
    expect(answer.status).toBe(422)
    expect(answer.body.detail).toMatch(sentence)
    expect((await server.call('GET', '/lasts')).list).toHaveLength(before)
  })
  it('a heel girth out of reach and a tracing that is none are refused with their sentence', async () => {
    const heel = await server.call('POST', '/lasts', { body: { name: 'A', shape: made({ heelGirth: 420 }) } })
    expect(heel.status).toBe(422)
    expect(heel.body.detail).toMatch(/heel girth of 420 mm cannot be met/)
    const points = Array.from({ length: 20 }, (_, i) => [Math.cos(i / 3), Math.sin(i / 3)])
    const traced = await server.call('POST', '/lasts', {
      body: { name: 'B', shape: { kind: 'traced', measures: demoMeasures[0], tracing: { points } } },
    })
    expect(traced.status).toBe(422)
    expect(traced.body.detail).toMatch(/Check the unit/)
  })
  it('a build-up is kept with the last and a stale write is told what stands there', async () => {
    const id = demoLasts[1]!.id
    const { body } = await server.call('GET', `/lasts/${id}`)
    const { name, note, shape, stock, version } = body
    const buildUps = [{ station: 'joint', place: 'medial', thickness: 2, reach: 30 }]
    const kept = await server.call('PUT', `/lasts/${id}`, {
      version: version as number,
      body: { name, note, shape, stock, buildUps },
    })
    expect(kept.body.buildUps).toEqual(buildUps)
    const stale = await server.call('PUT', `/lasts/${id}`, {
      version: version as number,
      body: { name: 'Mine', note, shape, stock, buildUps: [] },
    })
    expect(stale.status).toBe(409)
    expect((stale.body.current as Last).buildUps).toEqual(buildUps)
    const thick = await server.call('PUT', `/lasts/${id}`, {
      version: (version as number) + 1,
      body: { name, note, shape, stock, buildUps: [{ ...buildUps[0], thickness: 40 }] },
    })
    expect(thick.status).toBe(422)
    expect(thick.body.fields?.[0]!.field).toBe('buildUps.0.thickness')
  })
})

describe('files of a last', () => {
  const id = demoLasts[2]!.id
  it('the STL holds as many triangles as it says, and the left one is the mirror image', async () => {
    const right = (await server.call('GET', `/lasts/${id}/mesh?format=stl`)).bytes
    const left = (await server.call('GET', `/lasts/${id}/mesh?format=stl&foot=left`)).bytes
    const count = right.readUInt32LE(80)
    expect(right).toHaveLength(84 + 50 * count)
    expect(left).toHaveLength(right.length)
    const volume = (data: Buffer) => {
      let sum = 0
      for (let k = 0; k < count; k++) {
        const f = (i: number) => data.readFloatLE(84 + 50 * k + 12 + 4 * i)
        sum +=
          (f(0) * (f(4) * f(8) - f(5) * f(7)) -
            f(1) * (f(3) * f(8) - f(5) * f(6)) +
            f(2) * (f(3) * f(7) - f(4) * f(6))) /
          6
      }
      return sum
    }
    expect(volume(right)).toBeGreaterThan(1e6)
    expect(volume(left) / volume(right)).toBeCloseTo(1, 5)
    const y = (data: Buffer) => Array.from({ length: count }, (_, k) => data.readFloatLE(84 + 50 * k + 16))
    expect(Math.max(...y(left))).toBeCloseTo(-Math.min(...y(right)), 0)
  })
  it('OBJ and PLY come out as well, another format does not', async () => {
    expect((await server.call('GET', `/lasts/${id}/mesh?format=obj`)).bytes.toString().slice(0, 200)).toMatch(
      /^# Harbour 25.*millimetres\no /,
    )
    expect((await server.call('GET', `/lasts/${id}/mesh?format=ply`)).bytes.toString('latin1', 0, 3)).toBe('ply')
    expect((await server.call('GET', `/lasts/${id}/mesh?format=xyz`)).status).toBe(422)
    expect((await server.call('GET', `/lasts/${demoPairs[0]!.id}/mesh`)).status).toBe(404)
  })
  it('the sheet is a PDF on the paper asked for', async () => {
    const sheet = await server.call('GET', `/lasts/${id}/sheet.pdf?paper=letter`)
    expect(sheet.status).toBe(200)
    expect(sheet.bytes.toString('latin1', 0, 5)).toBe('%PDF-')
    expect(sheet.bytes.toString('latin1')).toMatch(/MediaBox \[0 0 612 792\]/)
    expect((await server.call('GET', `/lasts/${id}/sheet.pdf?paper=bark`)).status).toBe(422)
  })
})

describe('who has a last', () => {
  const lastId = demoLasts[3]!.id
  const hold = (change = {}) => ({
    lastId,
    pairId: demoPairs[3]!.id,
    from: '2027-03-01',
    until: '2027-03-10',
    ...change,
  })
  let kept: LastHold & { version: number }
  it('is written down, and the only pair of lasts cannot be in two hands', async () => {
    const first = await server.call('POST', '/last-holds', { body: hold() })
    expect(first.status).toBe(201)
    kept = first.body as unknown as typeof kept
    const clash = await server.call('POST', '/last-holds', {
      body: hold({ from: '2027-03-10', until: null, pairId: null }),
    })
    expect(clash.status).toBe(409)
    expect(clash.body.detail).toMatch(/There is one of "Descant 45", and on 2027-03-10 2 would be needed/)
    expect(
      (await server.call('POST', '/last-holds', { body: hold({ from: '2027-03-11', until: '2027-03-12' }) })).status,
    ).toBe(201)
  })
  it('moves when it is given back, on the version that was seen', async () => {
    const { id, version } = kept
    const back = await server.call('PUT', `/last-holds/${id}`, { version, body: hold({ until: '2027-03-04' }) })
    expect(back.body.until).toBe('2027-03-04')
    expect((await server.call('PUT', `/last-holds/${id}`, { version, body: hold() })).status).toBe(409)
    expect((await server.call('DELETE', `/last-holds/${id}`, { version: version + 1 })).status).toBe(204)
  })
  it('two pairs of one last may be out at once', async () => {
    const two = demoLasts[0]!.id
    for (const status of [201, 201, 409]) {
      expect((await server.call('POST', '/last-holds', { body: hold({ lastId: two }) })).status).toBe(status)
    }
  })
  it('days that run backwards or a last that is not there are refused', async () => {
    expect((await server.call('POST', '/last-holds', { body: hold({ until: '2027-02-01' }) })).body.detail).toMatch(
      /last day lies before the first/,
    )
    expect((await server.call('POST', '/last-holds', { body: hold({ lastId: demoPairs[0]!.id }) })).status).toBe(404)
  })
})

describe('feet and cup soles', () => {
  it('are kept, changed on their version and taken away', async () => {
    const added = await server.call('POST', '/feet', { body: { order: '1050', right: { length: 260 } } })
    expect(added.body).toMatchObject({
      order: '1050',
      right: { length: 260, jointGirth: null },
      left: { length: null },
    })
    const wrong = await server.call('POST', '/feet', { body: { order: '1051', left: { jointGirth: 9000 } } })
    expect(wrong.status).toBe(422)
    expect(wrong.body.fields?.[0]!.field).toBe('left.jointGirth')
    const outline = Array.from({ length: 30 }, (_, i) => [Math.cos(i / 5) * 130, Math.sin(i / 5) * 40])
    const sole = await server.call('POST', '/cup-soles', { body: { name: 'Cup', outline } })
    expect(sole.status).toBe(201)
    expect((await server.call('DELETE', `/cup-soles/${String(sole.body.id)}`, { version: 1 })).status).toBe(204)
    expect(
      (await server.call('POST', '/cup-soles', { body: { name: 'Cup', outline: outline.slice(0, 4) } })).status,
    ).toBe(422)
  })
})

describe('the practice scanner', () => {
  it('hands out the same scan for the same number, another for another, and tells what the tape reads', async () => {
    const one = await server.call('GET', '/standins/scanner/scan?seed=5&format=stl')
    const again = await server.call('GET', '/standins/scanner/scan?seed=5&format=stl')
    const other = await server.call('GET', '/standins/scanner/scan?seed=6&format=stl')
    expect(one.status).toBe(200)
    expect(one.bytes.equals(again.bytes)).toBe(true)
    expect(one.bytes.equals(other.bytes)).toBe(false)
    expect(one.bytes.readUInt32LE(80)).toBeGreaterThan(50_000)
    const tape = await server.call('GET', '/standins/scanner/last?seed=5')
    expect(tape.body.length).toBe(hiddenLast(5).length)
    expect((await server.call('GET', '/standins/scanner/scan?seed=0')).status).toBe(422)
  })
  it('every hidden last is one that can be', () => {
    for (let seed = 1; seed <= 40; seed++) expect(() => generateLast(hiddenLast(seed)), `${seed}`).not.toThrow()
  })
})

it('a workshop from before lasts had shapes keeps every last, and old pair files still come in', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'gentle-awl-old-'))
  const client = createClient({ url: `file:${join(folder, 'gentle-awl.sqlite')}` })
  for (const statement of readFileSync(join(migrations, '0000_first.sql'), 'utf8').split('--> statement-breakpoint')) {
    await client.execute(statement)
  }
  const { heelGirth: _none, ...old } = demoMeasures[2]!
  await client.execute({
    sql: 'insert into lasts (id, version, updated_at, name, note, measures) values (?, 3, ?, ?, ?, ?)',
    args: [demoLasts[2]!.id, '2026-01-01T00:00:00Z', 'Old one', 'kept', JSON.stringify(old)],
  })
  const pair = demoPairs[0]!
  await client.execute({
    sql: 'insert into pairs (id, updated_at, order_number, name, last_id, head, created_at) values (?, ?, ?, ?, ?, 2, ?)',
    args: [pair.id, '2026-01-01', '7', 'Old pair', demoLasts[2]!.id, '2026-01-01'],
  })
  const { topFinish: _later, ...upper } = demoInput(pair).decisions.upper
  const decided = (topEdge: string | null) => ({ ...demoInput(pair).decisions, upper: { ...upper, topEdge } })
  for (const [revision, top] of [
    [1, null],
    [2, 'bound'],
  ] as const)
    await client.execute({
      sql: 'insert into pair_revisions (pair_id, revision, decisions, at) values (?, ?, ?, ?)',
      args: [pair.id, revision, JSON.stringify(decided(top)), '2026-01-01'],
    })
  await client.execute(
    'create table __drizzle_migrations (id integer primary key, hash text not null, created_at numeric)',
  )
  const journal = JSON.parse(readFileSync(join(migrations, 'meta', '_journal.json'), 'utf8')) as {
    entries: { when: number }[]
  }
  await client.execute({
    sql: 'insert into __drizzle_migrations (hash, created_at) values (?, ?)',
    args: ['first', journal.entries[0]!.when],
  })
  client.close()
  const store = await openStore(folder, migrations)
  const [row] = await store.db.select().from(lasts)
  const revisions = await store.db.select().from(pairRevisions)
  await store.close()
  rmSync(folder, { recursive: true, force: true })
  expect(row).toMatchObject({ name: 'Old one', version: 3, buildUps: [], stock: { feet: 'pair', count: 1 } })
  expect(row!.shape).toEqual({ kind: 'measures', measures: { ...old, heelGirth: null } })
  expect(revisions.map((r) => r.decisions)).toEqual(
    [null, 'bound'].map((top) => ({ ...decided(top), upper: { ...upper, topFinish: top } })),
  )

  const { body: file } = await server.call('GET', `/pairs/${demoPairs[0]!.id}/file`)
  const { id, name, note } = demoLasts[2]!
  const first = { ...file, version: 1, last: { id, name, note, measures: old } }
  const read = PairFile.parse(first)
  expect(read.version).toBe(PAIR_VERSION)
  expect(read.last.shape).toEqual({ kind: 'measures', measures: { ...old, heelGirth: null } })
  expect((await server.call('POST', '/pairs/import', { body: first })).status).toBe(201)
})
