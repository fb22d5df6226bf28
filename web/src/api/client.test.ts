import { afterEach, describe, expect, it, vi } from 'vitest'
import { decisions, label } from '../../test/pair.ts'
import { ApiError } from './ask.ts'
import { api } from './client.ts'

afterEach(() => {
  vi.unstubAllGlobals()
})
const reply = (status: number, body: string, type = 'application/json') => {
  const fetch = vi.fn(
    async (_path: string, _init?: RequestInit) =>
      new Response(status === 204 ? null : body, { status, headers: { 'content-type': type } }),
  )
  vi.stubGlobal('fetch', fetch)
  return fetch
}
const caught = async (work: Promise<unknown>): Promise<ApiError> => {
  const error: unknown = await work.then(
    () => null,
    (e: unknown) => e,
  )
  if (!(error instanceof ApiError)) throw new Error('no ApiError was thrown')
  return error
}

describe('asking the server', () => {
  it('sends the version of what was changed', async () => {
    const fetch = reply(200, '{}')
    await api.savePair('p', 7, label, decisions)
    const init = fetch.mock.calls[0]![1]
    expect(fetch.mock.calls[0]![0]).toBe('/api/v1/pairs/p')
    expect(new Headers(init?.headers).get('if-match')).toBe('"7"')
    expect(JSON.parse(String(init?.body))).toEqual({ label, decisions: JSON.parse(JSON.stringify(decisions)) })
  })
  it('sends a file as it was read, so that the server can say where it breaks off', async () => {
    const fetch = reply(201, '{}')
    await api.importPair('{"half":')
    expect(fetch.mock.calls[0]![1]?.body).toBe('{"half":')
  })
  it('passes on the sentence, the fields and what is there now', async () => {
    reply(
      409,
      JSON.stringify({ detail: 'Changed elsewhere.', fields: [{ field: 'a', message: 'b' }], current: { version: 3 } }),
      'application/problem+json',
    )
    const error = await caught(api.pair('p'))
    expect(error).toMatchObject({
      status: 409,
      message: 'Changed elsewhere.',
      fields: [{ field: 'a', message: 'b' }],
      current: { version: 3 },
    })
  })
  it('says so when nothing answers, or something that is not the server', async () => {
    vi.stubGlobal('fetch', async () => {
      throw new TypeError('Failed to fetch')
    })
    expect((await caught(api.pairNames())).message).toMatch(/does not answer/)
    reply(502, '<html>bad gateway</html>', 'text/html')
    expect(await caught(api.pairNames())).toMatchObject({ status: 502 })
  })
  it('a deletion has no body to read', async () => {
    reply(204, '')
    await expect(api.removePair('p', 1)).resolves.toBeUndefined()
  })
})
