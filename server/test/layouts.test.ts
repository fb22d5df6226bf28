import {
  cuttingList,
  misplaced,
  planPair,
  sheetGround,
  toLay,
  type LayoutSearch,
  type PairLayout,
} from '@gentle-awl/core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { keptCache } from '../../core/test/keptCache.ts'
import { demoHides } from '../src/demo/hides.ts'
import { seedDemo } from '../src/demo/seed.ts'
import { demoInput, demoMaterials, demoPairs } from '../src/demo/workshop.ts'
import { testServer, type TestServer } from './testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await testServer()
  await seedDemo(server.store)
})
afterAll(() => server.end())

const derby = demoPairs[0]!
const other = demoPairs[1]!
const path = `/pairs/${derby.id}/layouts`
const calf = demoHides(demoMaterials).find((h) => h.name === 'Calf 7')!
const layout = (some: Partial<PairLayout> = {}): PairLayout => ({
  material: 'Tar-brown calf',
  grounds: [{ hide: calf.id }, { length: 1200, width: 600 }],
  gap: 2,
  turn: 'along',
  hidesFlaws: true,
  also: [],
  places: [
    {
      pair: derby.id,
      record: 'upper.vamp',
      foot: 'left',
      copy: 0,
      on: 1,
      x: 120.5,
      y: 300,
      rotation: 181.25,
      pinned: true,
    },
  ],
  ...some,
})

const derbyGroups = () => {
  const input = demoInput(derby)
  return cuttingList(input, planPair(input, keptCache(4)))
}

describe('how a pair is laid out', () => {
  it('is kept as it lies, one layout for each stuff; a stale page changes nothing', async () => {
    expect((await server.call('GET', path)).list).toEqual([])
    const first = await server.call('PUT', path, { version: 0, body: layout() })
    expect(first.status).toBe(200)
    expect(first.list).toMatchObject([{ ...layout(), version: 1 }])
    await server.call('PUT', path, {
      version: 0,
      body: layout({ material: 'Undyed goat', grounds: [{ length: 500, width: 500 }], places: [] }),
    })
    expect(
      (await server.call('PUT', path, { version: 1, body: layout({ gap: 3 }) })).list.map((l) => [
        l.material,
        l.version,
        l.gap,
      ]),
    ).toEqual([
      ['Tar-brown calf', 2, 3],
      ['Undyed goat', 1, 2],
    ])
    for (const version of [0, 1]) {
      const stale = await server.call('PUT', path, { version, body: layout({ gap: 4 }) })
      expect(stale.status).toBe(409)
    }
    expect((await server.call('PUT', path, { body: layout() })).status).toBe(428)
    expect((await server.call('GET', path)).list.map((l) => l.gap)).toEqual([3, 2])
  })
  it('of what is not there is refused with a sentence', async () => {
    const before = (await server.call('GET', path)).list
    const gone = '01900000-0000-7000-8000-0000000000ff'
    const hide = await server.call('PUT', path, { version: 2, body: layout({ grounds: [{ hide: gone }], places: [] }) })
    expect([hide.status, hide.body.detail]).toEqual([
      422,
      'A hide of this layout is not there any more. Open the layout anew.',
    ])
    const pair = await server.call('PUT', path, { version: 2, body: layout({ also: [other.id, gone] }) })
    expect([pair.status, pair.body.detail]).toEqual([
      422,
      'A pair of this layout is not there any more. Open the layout anew.',
    ])
    const off = await server.call('PUT', path, { version: 2, body: layout({ grounds: [{ length: 900, width: 500 }] }) })
    expect(off.status).toBe(422)
    expect((await server.call('GET', `/pairs/${gone}/layouts`)).status).toBe(404)
    expect((await server.call('GET', `/pairs/${gone}/cutting`)).status).toBe(404)
    expect((await server.call('GET', path)).list).toEqual(before)
  })
  it('goes with its pair', async () => {
    const made = await server.call('POST', '/pairs', { body: { label: derby.label, decisions: derby.decisions } })
    const own = `/pairs/${String(made.body.id)}`
    await server.call('PUT', `${own}/layouts`, { version: 0, body: layout({ places: [] }) })
    expect((await server.call('DELETE', own, { version: Number(made.body.version) })).status).toBe(204)
    expect((await server.call('GET', `${own}/layouts`)).status).toBe(404)
  })
})

describe('a layout looked for on the server', () => {
  const sheet = layout({ grounds: [{ length: 1400, width: 700 }], places: [] })
  const calfOf = () => derbyGroups().find((g) => g.material === sheet.material)!
  const kept = async (path: string) =>
    (await server.call('GET', `${path}/layouts`)).list.find((l) => l.material === sheet.material) as unknown as
      (PairLayout & { version: number }) | undefined
  const state = async (path: string) =>
    (await server.call('GET', `${path}/layouts/searches`)).list[0] as unknown as LayoutSearch
  const until = async (path: string, is: (s: LayoutSearch) => boolean) => {
    for (;;) {
      const now = await state(path)
      if (is(now)) return now
      if (now.state === 'ended' || now.state === 'done') throw new Error(`It is ${now.state}: ${now.why}`)
      await new Promise((resolve) => setTimeout(resolve, 200))
    }
  }
  const over = (path: string, is: LayoutSearch['state']) => until(path, (s) => s.state === is)
  /** A pair of its own, with one piece put where it lies by hand. */
  async function laidPair() {
    const made = await server.call('POST', '/pairs', { body: { label: derby.label, decisions: derby.decisions } })
    const id = String(made.body.id)
    const [vamp] = toLay(id, calfOf()).filter((p) => p.piece.record === 'upper.vamp')
    const at = { record: 'upper.vamp', foot: vamp!.cut.foot, copy: 0, on: 0, x: 700, y: 350 }
    const own = { ...sheet, places: [{ pair: id, ...at, rotation: -vamp!.cut.tight, pinned: true }] }
    await server.call('PUT', `/pairs/${id}/layouts`, { version: 0, body: own })
    return { id, path: `/pairs/${id}`, own, version: Number(made.body.version) }
  }
  const look = (path: string, seconds: number, version = 1) =>
    server.call('POST', `${path}/layouts/searches`, { version, body: { material: sheet.material, seconds } })
  it('is done when its time is gone: all laid, sound, and what was put by hand where it was put', async () => {
    const { id, path, own } = await laidPair()
    expect((await look(path, 1)).status).toBe(202)
    const done = await over(path, 'done')
    const found = (await kept(path))!
    expect(done).toMatchObject({ from: 1, version: found.version, progress: 1, left: 0, why: '' })
    const pieces = toLay(id, calfOf())
    expect(found.places).toHaveLength(pieces.reduce((sum, p) => sum + p.cut.count, 0))
    expect(found.places.filter((p) => p.pinned)).toEqual(own.places)
    expect(misplaced(pieces, [sheetGround({ length: 1400, width: 700 })], found.places, found)).toEqual([])
    expect(server.faults).toEqual([])
  })
  it('is stopped with what it has found; another waits for its turn and can be stopped before', async () => {
    const [a, b] = [await laidPair(), await laidPair()]
    await look(a.path, 600)
    await look(b.path, 600)
    const first = await until(a.path, (s) => s.version > 1)
    expect(first).toMatchObject({ state: 'runs', from: 1, seconds: 600 })
    expect(first.progress).toBeLessThan(0.5)
    expect(await state(b.path)).toMatchObject({ state: 'waits', progress: 0, left: null, version: 1 })
    const again = await look(a.path, 600, (await kept(a.path))!.version)
    expect([again.status, again.body.detail]).toEqual([
      409,
      'Tar-brown calf of this pair is being laid out already. Stop that first.',
    ])
    for (const { path } of [b, a]) {
      const stopped = await server.call('DELETE', `${path}/layouts/searches?material=Tar-brown%20calf`)
      expect(stopped.list).toMatchObject([{ state: 'stopped' }])
    }
    expect((await kept(a.path))!.places.length).toBeGreaterThan(1)
    expect(await kept(b.path)).toMatchObject({ version: 1, places: b.own.places })
  })
  it('stopped when it has hardly begun leaves what was laid before', async () => {
    const { id, path, own } = await laidPair()
    // As many as there are, somewhere on the sheet.
    const laid = toLay(id, calfOf()).map(({ piece, cut }) => ({
      ...own.places[0]!,
      record: piece.record,
      foot: cut.foot,
      pinned: false,
    }))
    await server.call('PUT', `${path}/layouts`, { version: 1, body: { ...own, places: laid } })
    await look(path, 600, 2)
    await server.call('DELETE', `${path}/layouts/searches?material=Tar-brown%20calf`)
    expect((await kept(path))!.places).toHaveLength(laid.length)
  })
  it('ends where somebody changes the layout, which stays as it was changed', async () => {
    const { path, own } = await laidPair()
    await look(path, 600)
    let put = 409
    // It may be written between what is asked and what is sent.
    while (put === 409) {
      put = (await server.call('PUT', `${path}/layouts`, { version: (await kept(path))!.version, body: own })).status
    }
    expect((await over(path, 'ended')).why).toBe(
      'The layout was changed elsewhere while it was being looked for, and stays as it was changed.',
    )
    expect(await kept(path)).toMatchObject(own)
  })
  it('goes on when the pair is called something else, and ends when its pieces are others', async () => {
    const { path, version } = await laidPair()
    await look(path, 600)
    const before = await until(path, (s) => s.version > 1)
    const label = { ...derby.label, name: 'Called something else' }
    await server.call('PUT', path, { version, body: { label, decisions: derby.decisions } })
    await new Promise((resolve) => setTimeout(resolve, 2500))
    expect(await state(path)).toMatchObject({ state: 'runs', from: before.from })
    const decisions = { ...derby.decisions, rules: { ...derby.decisions.rules, 'upper.lastingMargin': 21 } }
    await server.call('PUT', path, { version: version + 1, body: { label, decisions } })
    expect((await over(path, 'ended')).why).toContain('Lay it out anew.')
  })
  it('is refused with a sentence, and nothing is looked for', async () => {
    const { path } = await laidPair()
    expect((await look(path, 60, 7)).status).toBe(409)
    expect((await look(path, 0)).body.detail).toContain('It takes a second at the least.')
    const none = await server.call('POST', `${path}/layouts/searches`, {
      version: 1,
      body: { material: 'Nothing', seconds: 5 },
    })
    expect([none.status, none.body.detail?.split('.')[0]]).toEqual([
      404,
      'There is no layout of this material with this id',
    ])
    expect((await server.call('GET', `${path}/layouts/searches`)).list).toEqual([])
  })
  it('is written down when the server is stopped', async () => {
    const { path } = await laidPair()
    await look(path, 600)
    await until(path, (s) => s.left === 0)
    await server.searches.close()
    expect(await state(path)).toMatchObject({ state: 'stopped', left: 0 })
    expect((await kept(path))!.places.length).toBeGreaterThan(1)
  })
})

describe('what is cut for a pair', () => {
  it('is told as the core lists it', async () => {
    const answer = await server.call('GET', `/pairs/${derby.id}/cutting`)
    expect([answer.status, answer.body.detail]).toEqual([200, undefined])
    expect(answer.list).toEqual(JSON.parse(JSON.stringify(derbyGroups())))
  })
})
