import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { pino } from 'pino'
import { makeApp } from './app.ts'
import { openStore } from './db/open.ts'
import { makeJobs } from './jobs/pool.ts'

const here = fileURLToPath(new URL('.', import.meta.url))
const root = join(here, '..', '..')
const log = pino({ level: process.env.LOG_LEVEL ?? 'info' })
const port = Number(process.env.PORT ?? 4310)
const demo = process.env.GENTLE_AWL_DEMO === '1'
const data = process.env.GENTLE_AWL_DATA ?? join(root, '.data', demo ? 'demo' : 'workshop')
const DAY = 24 * 60 * 60 * 1000

if (!Number.isInteger(port) || port < 0 || port > 65535) {
  log.fatal(`PORT is "${process.env.PORT}"; it has to be a number from 0 to 65535.`)
  process.exit(1)
}

const store = await openStore(data, join(root, 'server', 'drizzle'))
await store.backUp()
if (demo) {
  const { seedDemo } = await import('./demo/seed.ts')
  if (await seedDemo(store)) log.info('Made the demo workshop.')
}
const daily = setInterval(() => {
  store.backUp().catch((error: unknown) => log.error({ err: error }, 'The daily backup failed.'))
}, DAY)
const jobs = makeJobs()
const pages = join(root, 'web', 'dist')
const server = makeApp({ store, jobs, log, pages: existsSync(pages) ? pages : undefined }).listen(
  port,
  '127.0.0.1',
  (error) => {
    if (error) {
      log.fatal(`Cannot listen on port ${port}: ${error.message}. Set PORT to another one.`)
      process.exit(1)
    }
    const address = server.address()
    const at = typeof address === 'object' && address ? address.port : port
    log.info({ data }, 'ready')
    process.stdout.write(`Gentle Awl is ready at http://127.0.0.1:${at}\n`)
  },
)

let stopping = false
const stop = (signal: string) => {
  if (stopping) return
  stopping = true
  log.info(`${signal}: finishing what runs, then stopping.`)
  clearInterval(daily)
  server.close(() => {
    void jobs.close().then(() => {
      store.close()
      process.exit(0)
    })
  })
  server.closeIdleConnections()
  setTimeout(() => process.exit(0), 8000).unref()
}
process.on('SIGINT', () => stop('SIGINT'))
process.on('SIGTERM', () => stop('SIGTERM'))
