import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { gzipSync } from 'node:zlib'
import { monitorEventLoopDelay } from 'node:perf_hooks'
import { pino } from 'pino'
import { v7 as uuid } from 'uuid'
import { makeApp } from '../server/src/app.ts'
import { openStore } from '../server/src/db/open.ts'
import { createPair } from '../server/src/db/pairs.ts'
import { stepEvents } from '../server/src/db/recordSchema.ts'
import { seedDemo } from '../server/src/demo/seed.ts'
import { demoPairs } from '../server/src/demo/workshop.ts'
import { News } from '../server/src/http/news.ts'
import { makeJobs } from '../server/src/jobs/pool.ts'
import { LayoutSearches } from '../server/src/laying/layoutSearches.ts'
import { summary, type Result } from './measure.ts'

const PAIRS = 1000
/** Log entries of each of them. */
const STEPS = 24

/** How long work takes that runs with nothing else going on, and how long it kept the process from all else, ms. */
async function watched<T>(
  runs: number,
  work: () => Promise<T>,
): Promise<{ took: number[]; blocked: number[]; last: T }> {
  const took: number[] = []
  const blocked: number[] = []
  let last = await work()
  for (let i = 0; i < runs; i++) {
    const delay = monitorEventLoopDelay({ resolution: 1 })
    delay.enable()
    const began = performance.now()
    last = await work()
    took.push(performance.now() - began)
    delay.disable()
    blocked.push(Math.max(0, delay.max / 1e6 - 1))
  }
  return { took, blocked, last }
}

/** A workshop with a thousand pairs behind the real application: its lists, its imports, its heavy work. */
export async function workshopFigures(say: (r: Result) => void): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'gentle-awl-bench-'))
  const store = await openStore(folder, join(fileURLToPath(new URL('.', import.meta.url)), '..', 'server', 'drizzle'))
  await seedDemo(store)
  const [derby] = demoPairs
  await store.write(async (tx) => {
    for (let i = 0; i < PAIRS; i++) {
      const id = await createPair(tx, { ...derby!.label, order: String(5000 + i), name: `Pair ${i}` }, derby!.decisions)
      const at = new Date(Date.UTC(2026, 0, 1) + i).toISOString()
      const log = Array.from({ length: STEPS }, (_, n) => ({
        id: uuid(),
        pairId: id,
        step: `step-${n >> 1}`,
        what: n % 2 ? ('finished' as const) : ('started' as const),
        at,
      }))
      await tx.insert(stepEvents).values(log)
    }
  })
  const jobs = makeJobs()
  const news = new News()
  const searches = new LayoutSearches(store, jobs, news, (error) => process.stderr.write(`${String(error)}\n`))
  const server = makeApp({ store, jobs, log: pino({ level: 'silent' }), news, searches }).listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  const address = server.address()
  const url = `http://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}/api/v1`
  const get = async (path: string) => Buffer.from(await (await fetch(url + path)).arrayBuffer())
  const quiet = async () => {
    while (jobs.load().running + jobs.load().waiting > 0) await new Promise((r) => setTimeout(r, 50))
  }
  try {
    await get('/pairs')
    await quiet()
    const note = `${PAIRS} pairs with ${PAIRS * STEPS} log entries`
    for (const [name, path] of [
      ['list of pairs, one page', '/pairs'],
      ['list of pairs, searched', '/pairs?search=pair%2077'],
      ['names of all pairs', '/pairs/names'],
      ['lasts on the shelf', '/lasts'],
    ]) {
      const { took, blocked, last } = await watched(15, () => get(path!))
      say(summary(`${name}: answered in`, took, 'ms', note))
      say(summary(`${name}: process blocked`, blocked, 'ms', note))
      say(
        summary(
          `${name}: sent`,
          [last.length / 1024],
          'kB',
          `plain; ${(gzipSync(last).length / 1024).toFixed(1)} kB packed`,
        ),
      )
    }
    const file = JSON.parse((await get(`/pairs/${derby!.id}/file`)).toString()) as object
    const log = Array.from({ length: 25_000 }, (_, n) => ({
      step: 'print',
      what: n % 2 ? 'finished' : 'started',
      at: new Date(Date.UTC(2026, 0, 1) + n * 1000).toISOString(),
    }))
    const text = JSON.stringify({ ...file, log })
    const imported = await watched(
      2,
      async () => (await fetch(`${url}/pairs/import`, { method: 'POST', body: text })).status,
    )
    await quiet()
    say(summary('import of 25,000 log entries', imported.took, 'ms', `answer ${imported.last}`))
    say(
      summary('import of 25,000 log entries: process blocked', imported.blocked, 'ms', 'at the most, sending included'),
    )
    const scans = Array.from({ length: 200 }, (_, i) =>
      fetch(`${url}/standins/scanner/scan?seed=${i + 1}`).then((r) => r.arrayBuffer()),
    )
    await new Promise((r) => setTimeout(r, 400))
    const began = performance.now()
    const step = await fetch(`${url}/pairs/${derby!.id}/steps`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ step: 'bench-step', what: 'undone' }),
    })
    say(
      summary(
        'a bench step behind 200 scans',
        [performance.now() - began],
        'ms',
        `answer ${step.status}: planned and looked at`,
      ),
    )
    await Promise.all(scans)
  } finally {
    await new Promise((resolve) => server.close(resolve))
    await jobs.close()
    await store.close()
    rmSync(folder, { recursive: true, force: true })
  }
}
