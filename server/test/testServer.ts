import { mkdtempSync, rmSync } from 'node:fs'
import type { Server } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { pino } from 'pino'
import { inject } from 'vitest'
import { makeApp } from '../src/app.ts'
import { openStore, type Store } from '../src/db/open.ts'
import { News } from '../src/http/news.ts'
import { makeJobs, type Jobs } from '../src/jobs/pool.ts'
import { LayoutSearches } from '../src/laying/layoutSearches.ts'

export const migrations = join(fileURLToPath(new URL('.', import.meta.url)), '..', 'drizzle')

export interface Answer {
  status: number
  type: string
  etag: string | null
  // The tests look into answers of many shapes.
  body: Record<string, unknown> & { detail?: string; fields?: { field: string; message: string }[] }
  list: Record<string, unknown>[]
  bytes: Buffer
}

export interface TestServer {
  store: Store
  jobs: Jobs
  searches: LayoutSearches
  /** What layout searches call a fault of ours. */
  faults: unknown[]
  folder: string
  port: number
  call: (
    method: string,
    path: string,
    options?: { body?: unknown; raw?: string; version?: number; headers?: Record<string, string> },
  ) => Promise<Answer>
  end: () => Promise<void>
}

/** The real application on a real database file and a free port. */
export async function testServer(folder = mkdtempSync(join(tmpdir(), 'gentle-awl-api-'))): Promise<TestServer> {
  const store = await openStore(folder, migrations)
  const jobs = makeJobs(inject('jobsKept'), inject('jobWorker'))
  const news = new News()
  const faults: unknown[] = []
  const program = new URL(inject('layThread'))
  const searches = new LayoutSearches(store, jobs, news, (error) => faults.push(error), program)
  const app = makeApp({ store, jobs, log: pino({ level: 'silent' }), news, searches })
  const server = await new Promise<Server>((resolve) => {
    const s = app.listen(0, '127.0.0.1', () => resolve(s))
    // Tests plan in this same thread, for longer than an idle connection would be kept otherwise.
    s.keepAliveTimeout = 300_000
  })
  const address = server.address()
  const port = typeof address === 'object' && address ? address.port : 0
  return {
    store,
    jobs,
    searches,
    faults,
    folder,
    port,
    call: async (method, path, { body, raw, version, headers } = {}) => {
      const response = await fetch(`http://127.0.0.1:${port}/api/v1${path}`, {
        method,
        headers: {
          ...(body !== undefined || raw !== undefined ? { 'content-type': 'application/json' } : {}),
          ...(version === undefined ? {} : { 'if-match': `"${version}"` }),
          ...headers,
        },
        body: raw ?? (body === undefined ? undefined : JSON.stringify(body)),
      })
      const bytes = Buffer.from(await response.arrayBuffer())
      const type = response.headers.get('content-type') ?? ''
      const parsed: unknown = type.includes('json') && bytes.length > 0 ? JSON.parse(bytes.toString()) : {}
      return {
        status: response.status,
        type,
        etag: response.headers.get('etag'),
        body: (Array.isArray(parsed) ? {} : parsed) as Answer['body'],
        list: (Array.isArray(parsed) ? parsed : []) as Answer['list'],
        bytes,
      }
    },
    end: async () => {
      const closed = new Promise((resolve) => server.close(resolve))
      // A client may hold a connection open on which it never asked anything: that one is not idle to the server.
      server.closeAllConnections()
      await closed
      await searches.close()
      await jobs.close()
      await store.close()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
