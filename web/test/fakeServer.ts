import { vi } from 'vitest'
import type { PairView } from '../src/api/client.ts'
import { last, materials, view } from './pair.ts'

interface Seen {
  method: string
  path: string
  version: string | null
  body: { decisions?: PairView['decisions'] } | null
}

/** A second pair, for what goes from one straight to another. */
export const otherId = '01930000-0003-7000-8000-0000000000ff'

/** Just enough of the API behind fetch to watch what the store sends: it keeps versions as the real one does. */
export function fakeServer() {
  const state = { pair: view(), other: { ...view(), id: otherId }, down: false, seen: [] as Seen[] }
  const answer = (status: number, body: unknown) =>
    new Response(status === 204 ? null : JSON.stringify(body), {
      status,
      headers: { 'content-type': 'application/json' },
    })
  vi.stubGlobal('fetch', async (input: string, init: RequestInit = {}) => {
    if (state.down) throw new TypeError('Failed to fetch')
    const path = input.replace('/api/v1', '')
    const method = init.method ?? 'GET'
    const version = new Headers(init.headers).get('if-match')
    const body = typeof init.body === 'string' ? (JSON.parse(init.body) as Seen['body']) : null
    state.seen.push({ method, path, version, body })
    if (path === '/lasts') return answer(200, [last])
    if (path === '/materials') return answer(200, materials)
    if (path === '/cup-soles') return answer(200, [])
    if (path === '/house-rules') return answer(200, { version: 0, houseRules: {} })
    const which = path.includes(otherId) ? 'other' : 'pair'
    const pair = state[which]
    if (method === 'GET') return answer(200, pair)
    if (version !== `"${pair.version}"`) return answer(409, { detail: 'Changed elsewhere.', current: pair })
    state[which] = { ...pair, ...body, version: pair.version + 1, revision: pair.revision + 1, canUndo: true }
    return answer(200, state[which])
  })
  return state
}
