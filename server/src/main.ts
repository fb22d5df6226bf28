import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { pino } from 'pino'
import { makeApp } from './app.ts'
import { filesOf } from './db/dataFolder.ts'
import { openStore } from './db/open.ts'
import { News } from './http/news.ts'
import { makeJobs } from './jobs/pool.ts'
import { LayoutSearches } from './laying/layoutSearches.ts'

const here = fileURLToPath(new URL('.', import.meta.url))
const root = join(here, '..', '..')
const log = pino({ level: process.env.LOG_LEVEL ?? 'info' })
const port = Number(process.env.PORT ?? 4310)
const demo = process.env.GENTLE_AWL_DEMO === '1'
const data = process.env.GENTLE_AWL_DATA ?? join(root, '.data', demo ? 'demo' : 'workshop')
const DAY = 24 * 60 * 60 * 1000
/** At a stop, what runs has so long to come to its end, ms. */
const GRACE = 1500

if (!Number.isInteger(port) || port < 0 || port > 65535) {
  process.stderr.write(`PORT is "${process.env.PORT ?? ''}"; it has to be a number from 0 to 65535.\n`)
  process.exit(1)
}

// Whatever is written is for the owner of the data alone.
process.umask(0o077)

/** A start that cannot be: said in a sentence, without a trace of the program's own. */
function failStart(error: unknown): never {
  if (error instanceof Error && (error.name === 'StartProblem' || 'code' in error)) {
    process.stderr.write(`${error.message}\n`)
  } else log.fatal({ err: error }, 'Gentle Awl could not start.')
  process.exit(1)
}

const store = await openStore(data, join(root, 'server', 'drizzle')).catch(failStart)
/** A backup that cannot be made is no reason not to work: it is said here, and on every page. */
const backUp = () =>
  store.backUp().catch((error: unknown) => log.warn({ err: error }, 'No backup could be made. Make room on the disk.'))
if (demo) {
  const { seedDemo } = await import('./demo/seed.ts')
  await seedDemo(store).catch(failStart)
}
// Writes the last saves into the database file as well: from here on the folder can be copied as it is.
await backUp()
const daily = setInterval(() => void backUp(), DAY)
const jobs = makeJobs(store.folder === null ? null : filesOf(store.folder).kept)
const pages = join(root, 'web', 'dist')
const news = new News()
const searches = new LayoutSearches(store, jobs, news, (error) =>
  log.warn({ err: error }, 'A layout could not be looked for.'),
)
const server = makeApp({ store, jobs, log, news, searches, pages: existsSync(pages) ? pages : undefined }).listen(
  port,
  '127.0.0.1',
  (error) => {
    if (error) {
      process.stderr.write(`Cannot listen on port ${port}: ${error.message}. Set PORT to another one.\n`)
      void store.close().then(() => process.exit(1))
      return
    }
    const address = server.address()
    const at = typeof address === 'object' && address ? address.port : port
    log.info({ data }, 'ready')
    process.stdout.write(`Gentle Awl is ready at http://127.0.0.1:${at}\n`)
  },
)
// A connection that is closed just as the next request goes out on it looks like a server that is gone: it is kept
// longer than a person pauses, ms.
server.keepAliveTimeout = 75_000

let stopping = false
const stop = (signal: string) => {
  if (stopping) return
  stopping = true
  log.info(`${signal}: finishing what runs, then stopping.`)
  clearInterval(daily)
  news.end()
  server.close(() => {
    void searches
      .close()
      .then(() => jobs.close())
      .then(() => store.close())
      .then(() => process.exit(0))
  })
  server.closeIdleConnections()
  // A browser keeps connections open on which it asks nothing: what runs has had its time by then.
  setTimeout(() => server.closeAllConnections(), GRACE).unref()
  // Whoever still holds a connection open does not keep the last saves from reaching the database file.
  setTimeout(
    () =>
      void searches
        .close()
        .then(() => store.close())
        .then(() => process.exit(0)),
    8000,
  ).unref()
}
process.on('SIGINT', () => stop('SIGINT'))
process.on('SIGTERM', () => stop('SIGTERM'))
