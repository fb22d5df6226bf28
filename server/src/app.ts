import { join } from 'node:path'
import express, { type Express } from 'express'
import { rateLimit } from 'express-rate-limit'
import helmet from 'helmet'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import type { Store } from './db/open.ts'
import { onlyLocal } from './http/loopback.ts'
import { answerProblem, noSuchPath } from './http/problem.ts'
import type { Jobs } from './jobs/pool.ts'
import { pairRoutes } from './routes/pairRoutes.ts'
import { lastHoldRoutes } from './routes/lastHoldRoutes.ts'
import { lastExportRoutes } from './routes/lastExportRoutes.ts'
import { cupSoleRoutes, feetRoutes, lastRoutes, materialRoutes } from './routes/shelfRoutes.ts'
import { scannerRoutes } from './standins/scannerRoutes.ts'
import { workshopRoutes } from './routes/workshopRoutes.ts'

export interface AppParts {
  store: Store
  jobs: Jobs
  log: Logger
  /** Folder of the built pages; without it only the API answers. */
  pages?: string
}

/** A pair file with a few thousand log entries stays well below this. */
const BODY_LIMIT = '4mb'
/** Far above what one person's hands do, low enough to stop a page that runs wild. */
const REQUESTS_A_MINUTE = 1200

export function makeApp({ store, jobs, log, pages }: AppParts): Express {
  const app = express()
  app.disable('x-powered-by')
  app.use(pinoHttp({ logger: log, customLogLevel: (_req, res) => (res.statusCode >= 500 ? 'error' : 'debug') }))
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          // The component library writes its styles into the page.
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          workerSrc: ["'self'", 'blob:'],
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false,
    }),
  )
  app.use(onlyLocal)
  const api = express.Router()
  api.use(rateLimit({ windowMs: 60_000, limit: REQUESTS_A_MINUTE, standardHeaders: true, legacyHeaders: false }))
  api.use(express.json({ limit: BODY_LIMIT }))
  api.get('/health', (_req, res) => {
    res.json({ status: 'ready' })
  })
  api.use('/lasts', lastExportRoutes(store, jobs))
  api.use('/lasts', lastRoutes(store, jobs))
  api.use('/last-holds', lastHoldRoutes(store))
  api.use('/feet', feetRoutes(store))
  api.use('/cup-soles', cupSoleRoutes(store))
  api.use('/standins/scanner', scannerRoutes(jobs))
  api.use('/materials', materialRoutes(store))
  api.use('/pairs', pairRoutes(store, jobs))
  api.use('/', workshopRoutes(store, jobs))
  api.use(noSuchPath)
  app.use('/api/v1', api)
  if (pages) {
    app.use(
      express.static(pages, {
        setHeaders: (res, path) => {
          res.set('Cache-Control', path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache')
        },
      }),
    )
    app.get(/^\/(?!api\/|assets\/)/, (_req, res) => {
      res.set('Cache-Control', 'no-cache').sendFile(join(pages, 'index.html'))
    })
  }
  app.use(noSuchPath)
  app.use(answerProblem)
  return app
}
