import { afterAll, beforeAll, expect, it } from 'vitest'
import { testServer, type TestServer } from './testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await testServer()
})
afterAll(() => server.end())

const material = { name: 'Test calf', kind: 'upper leather', thickness: 1.2, note: '', foamTest: null }

/** A page that listens: what it has heard so far, and a wait for more. */
async function listener() {
  const stop = new AbortController()
  const answer = await fetch(`http://127.0.0.1:${server.port}/api/v1/news`, { signal: stop.signal })
  const reader = (answer.body as ReadableStream<Uint8Array>).pipeThrough(new TextDecoderStream()).getReader()
  let text = ''
  const heard = () =>
    [...text.matchAll(/^data: (.*)$/gm)].map(([, data]) => (JSON.parse(data!) as { path: string }).path)
  return {
    type: answer.headers.get('content-type'),
    heard,
    until: async (count: number) => {
      while (heard().length < count) {
        const { value, done } = await reader.read()
        if (done) throw new Error('the news ended')
        text += value
      }
      return heard()
    },
    end: () => stop.abort(),
  }
}

it('every page hears of what was written, in its order, and of nothing that was only read or refused', async () => {
  const pages = [await listener(), await listener()]
  expect(pages[0]!.type).toContain('text/event-stream')
  await server.call('GET', '/materials')
  const refused = await server.call('POST', '/materials', { body: { ...material, thickness: -3 } })
  expect(refused.status).toBeGreaterThanOrEqual(400)
  const added = await server.call('POST', '/materials', { body: material })
  const { id } = added.body as unknown as { id: string }
  const changed = await server.call('PUT', `/materials/${id}`, { body: { ...material, thickness: 1.3 }, version: 1 })
  expect([added.status, changed.status]).toEqual([201, 200])
  for (const page of pages) expect(await page.until(2)).toEqual(['/materials', `/materials/${id}`])
  // A page that has gone is told no more, and hinders nobody.
  pages[0]!.end()
  await server.call('DELETE', `/materials/${id}`, { version: changed.body.version as number })
  expect(await pages[1]!.until(3)).toEqual(['/materials', `/materials/${id}`, `/materials/${id}`])
  expect(pages[0]!.heard()).toHaveLength(2)
  pages[1]!.end()
})
