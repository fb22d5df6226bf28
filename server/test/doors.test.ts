import http from 'node:http'
import { gzipSync } from 'node:zlib'
import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { demoPairs } from '../src/demo/workshop.ts'
import { seedDemo } from '../src/demo/seed.ts'
import { testServer, type TestServer } from './testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await testServer()
  await seedDemo(server.store)
})
afterAll(() => server.end())
const derby = demoPairs[0]!

/** A request as it stands, with headers that a browser would not let a page choose. */
const raw = (method: string, path: string, headers: Record<string, string>, body?: string | Buffer) =>
  new Promise<{ status: number; type: string; headers: http.IncomingHttpHeaders; text: string; size: number }>(
    (resolve, reject) => {
      const request = http.request({ host: '127.0.0.1', port: server.port, method, path, headers }, (response) => {
        const parts: Buffer[] = []
        response.on('data', (p: Buffer) => parts.push(p))
        response.on('end', () => {
          const bytes = Buffer.concat(parts)
          resolve({
            status: response.statusCode ?? 0,
            type: response.headers['content-type'] ?? '',
            headers: response.headers,
            text: bytes.toString(),
            size: bytes.length,
          })
        })
      })
      request.on('error', reject)
      request.end(body)
    },
  )
const own = () => `http://127.0.0.1:${server.port}`

describe('who is answered', () => {
  it.each(['cross-site', 'same-site'])(
    'a page elsewhere (%s) can set no scan going with the address of a picture',
    async (site) => {
      const work = vi.spyOn(server.jobs, 'run')
      const answer = await raw('GET', '/api/v1/standins/scanner/scan?seed=3', {
        'sec-fetch-site': site,
        'sec-fetch-dest': 'image',
      })
      expect(answer.status).toBe(403)
      expect(work).not.toHaveBeenCalled()
      work.mockRestore()
    },
  )
  it('only the application’s own origin may write, and no other port of this computer', async () => {
    const body = JSON.stringify({ houseRules: {} })
    const write = (headers: Record<string, string>) =>
      raw('PUT', '/api/v1/house-rules', { 'content-type': 'application/json', 'if-match': '"99"', ...headers }, body)
    for (const origin of ['http://127.0.0.1:3000', 'http://localhost:4310', 'https://elsewhere.example', 'null']) {
      expect((await write({ origin })).status, origin).toBe(403)
    }
    // Let in, it gets as far as being told that its version is stale.
    expect((await write({ origin: own() })).status).toBe(409)
    expect((await write({ origin: own(), 'sec-fetch-site': 'same-origin' })).status).toBe(409)
    expect((await write({})).status).toBe(409)
  })
  it('a person who types the address, and a program that is no browser, are let in', async () => {
    expect((await raw('GET', '/api/v1/health', { 'sec-fetch-site': 'none' })).status).toBe(200)
    expect((await raw('GET', '/api/v1/health', {})).status).toBe(200)
  })
})

describe('requests that cannot be read', () => {
  it.each([
    ['an address with a broken escape', () => raw('GET', '/api/v1/pairs/%zz', {}), 400],
    [
      'an unknown character set',
      () => raw('POST', '/api/v1/pairs', { 'content-type': 'application/json; charset=klingon' }, '{}'),
      415,
    ],
    [
      'an unknown packing',
      () => raw('POST', '/api/v1/pairs', { 'content-type': 'application/json', 'content-encoding': 'parcel' }, '{}'),
      415,
    ],
    [
      'a packing that is none',
      () => raw('POST', '/api/v1/pairs', { 'content-type': 'application/json', 'content-encoding': 'gzip' }, 'no gzip'),
      400,
    ],
    [
      'half a packed body',
      () =>
        raw(
          'POST',
          '/api/v1/pairs',
          { 'content-type': 'application/json', 'content-encoding': 'gzip' },
          gzipSync('{"a":1}').subarray(0, 12),
        ),
      400,
    ],
    [
      'half a file',
      () => raw('POST', '/api/v1/pairs/import', { 'content-type': 'application/json' }, '{"format":'),
      400,
    ],
    ['an empty file', () => raw('POST', '/api/v1/pairs/import', {}), 400],
  ])('%s is answered as such, in a sentence', async (_what, ask, status) => {
    const answer = await ask()
    expect(answer.status).toBe(status)
    expect(answer.type).toMatch(/problem\+json/)
    expect((JSON.parse(answer.text) as { detail: string }).detail).toMatch(/^[A-Z].*\.$/)
  })
  it('refusals speak to a person, whatever is sent', async () => {
    const odd = fc.oneof(
      fc.jsonValue(),
      fc.constant(derby.decisions),
      fc.record({ label: fc.jsonValue(), decisions: fc.jsonValue() }),
    )
    const paths = ['/pairs', '/materials', '/lasts', '/feet', '/cup-soles', '/last-holds', '/ways', '/how-tos']
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...paths), odd, async (path, body) => {
        const answer = await server.call('POST', path, { raw: JSON.stringify(body) })
        if (answer.status === 201) return
        expect(answer.status).toBeLessThan(500)
        for (const text of [answer.body.detail ?? '', ...(answer.body.fields ?? []).map((f) => f.message)]) {
          expect(text).toMatch(/^[A-Z].*[.!]$/s)
          expect(text).not.toMatch(/Invalid input|expected|received|undefined|\[object/)
        }
      }),
      { numRuns: 150 },
    )
  })
})

describe('what is sent', () => {
  it('is packed: a list of pairs, a plan, a page', async () => {
    const { body: file } = await server.call('GET', `/pairs/${derby.id}/file`)
    const plain = await raw('POST', '/api/v1/plan', { 'content-type': 'application/json' }, JSON.stringify(file))
    const packed = await raw(
      'POST',
      '/api/v1/plan',
      { 'content-type': 'application/json', 'accept-encoding': 'gzip' },
      JSON.stringify(file),
    )
    expect(packed.headers['content-encoding']).toBe('gzip')
    expect(packed.size).toBeLessThan(plain.size / 2.5)
    expect(JSON.parse(plain.text)).toMatchObject({
      worst: expect.any(String) as string,
      parts: expect.any(Array) as unknown[],
    })
  })
})

describe('heavy work', () => {
  it('behind two hundred scans a bench step is answered at once, and scans past the limit are told when to come back', async () => {
    const scans = Array.from({ length: 200 }, (_, i) => raw('GET', `/api/v1/standins/scanner/scan?seed=${i + 1}`, {}))
    await new Promise((resolve) => setTimeout(resolve, 300))
    const { id } = (
      await server.call('POST', '/pairs', {
        body: { label: { ...derby.label, order: '4004' }, decisions: derby.decisions },
      })
    ).body
    const step = await server.call('POST', `/pairs/${id as string}/steps`, { body: { step: 'print', what: 'started' } })
    expect(step.status).toBe(201)
    const answers = await Promise.all(scans)
    const busy = answers.filter((a) => a.status === 503)
    expect(busy.length).toBeGreaterThan(150)
    expect(Number(busy[0]!.headers['retry-after'])).toBeGreaterThan(0)
    expect((JSON.parse(busy[0]!.text) as { detail: string }).detail).toMatch(/try again in \d+ seconds/)
    expect(answers.filter((a) => a.status === 200).length).toBeGreaterThan(4)
  })
  it('a client that leaves takes its scans along', async () => {
    const requests = [11, 12, 13, 14].map((seed) =>
      http
        .get({ host: '127.0.0.1', port: server.port, path: `/api/v1/standins/scanner/scan?seed=${seed}` })
        .on('error', () => undefined),
    )
    await vi.waitFor(() => expect(server.jobs.load().waiting).toBeGreaterThan(1))
    for (const request of requests) request.destroy()
    await vi.waitFor(() => expect(server.jobs.load()).toEqual({ waiting: 0, running: 0 }), 5000)
  })
  it('a job whose thread dies is done all the same', async () => {
    const scan = raw('GET', '/api/v1/standins/scanner/scan?seed=77', {})
    await vi.waitFor(() => expect(server.jobs.load().running).toBe(1), { interval: 2 })
    await server.jobs.breakThreads()
    expect(server.jobs.load().running).toBeLessThanOrEqual(1)
    expect((await scan).status).toBe(200)
  })
  it('an import of 25,000 entries keeps nobody else waiting', async () => {
    const { body: file } = await server.call('GET', `/pairs/${derby.id}/file`)
    const at = (n: number) => new Date(Date.UTC(2026, 0, 1) + n * 1000).toISOString()
    const log = Array.from({ length: 25_000 }, (_, n) => ({
      step: 'print',
      what: n % 2 ? 'finished' : 'started',
      at: at(n),
    }))
    const text = JSON.stringify({ ...file, log })
    let status = 0
    const importing = server.call('POST', '/pairs/import', { raw: text }).then((answer) => (status = answer.status))
    // Others are answered in between, one after the other, until it is done.
    let others = 0
    while (status === 0) {
      expect((await server.call('GET', '/health')).status).toBe(200)
      if (status === 0) others++
    }
    await importing
    expect(status).toBe(201)
    expect(others).toBeGreaterThan(20)
  })
})

it('too many at once are told so like every other refusal', async () => {
  const answers: { status: number; type: string; text: string }[] = []
  for (let i = 0; i < 13; i++)
    answers.push(...(await Promise.all(Array.from({ length: 100 }, () => raw('GET', '/api/v1/nothing', {})))))
  const last = answers[answers.length - 1]!
  expect(last.status).toBe(429)
  expect(last.type).toMatch(/problem\+json/)
  expect((JSON.parse(last.text) as { detail: string }).detail).toMatch(/Wait a little/)
})
