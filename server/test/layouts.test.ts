import { cuttingList, planPair, type PairLayout } from '@gentle-awl/core'
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

describe('what is cut for a pair', () => {
  it('is told as the core lists it', async () => {
    const input = demoInput(derby)
    const answer = await server.call('GET', `/pairs/${derby.id}/cutting`)
    expect([answer.status, answer.body.detail]).toEqual([200, undefined])
    const groups = cuttingList(input, planPair(input, keptCache(4)))
    expect(answer.list).toEqual(JSON.parse(JSON.stringify(groups)))
  })
})
