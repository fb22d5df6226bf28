import { join } from 'node:path'
import compression from 'compression'
import express, { type Express } from 'express'
import { rateLimit } from 'express-rate-limit'
import helmet from 'helmet'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import type { Store } from './db/open.ts'
import { onlyLocal, onlyOwnPages } from './http/loopback.ts'
import type { News } from './http/news.ts'
import { answerProblem, noSuchPath, Problem } from './http/problem.ts'
import type { Jobs } from './jobs/pool.ts'
import type { LayoutSearches } from './laying/layoutSearches.ts'
import { cupSoleEntity } from './db/entities/cupSoles.ts'
import { feetEntity } from './db/entities/feet.ts'
import { hideEntity } from './db/entities/hides.ts'
import { lessonEntity } from './db/entities/lessons.ts'
import { ownFaultEntity } from './db/entities/ownFaults.ts'
import { howToEntity } from './db/entities/howTos.ts'
import { waySetEntity } from './db/entities/waySets.ts'
import { lastEntity } from './db/entities/lasts.ts'
import { materialEntity } from './db/entities/materials.ts'
import { PairCards } from './db/pairCards.ts'
import { backupRoutes } from './routes/backupRoutes.ts'
import { benchRoutes } from './routes/pairs/benchRoutes.ts'
import { recordRoutes } from './routes/pairs/recordRoutes.ts'
import { layoutRoutes } from './routes/pairs/layoutRoutes.ts'
import { exportList, exportRoutes } from './routes/pairs/exportRoutes.ts'
import { pairFileRoutes } from './routes/pairs/pairFileRoutes.ts'
import { pairRoutes } from './routes/pairs/pairRoutes.ts'
import { lastHoldRoutes } from './routes/lastHoldRoutes.ts'
import { lastExportRoutes } from './routes/lastExportRoutes.ts'
import { shelfRoutes } from './routes/shelfRoutes.ts'
import { gaugeRoutes } from './routes/gaugeRoutes.ts'
import { hideRoutes } from './routes/hideRoutes.ts'
import { learnedRoutes } from './routes/learnedRoutes.ts'
import { layoutFileRoutes } from './routes/layoutFileRoutes.ts'
import { cuttingTableRoutes } from './standins/cuttingTableRoutes.ts'
import { scannerRoutes } from './standins/scannerRoutes.ts'
import { scheduleRoutes } from './routes/scheduleRoutes.ts'
import { workshopRoutes } from './routes/workshopRoutes.ts'

export interface AppParts {
  store: Store
  jobs: Jobs
  log: Logger
  /** Tells open pages what was written. */
  news: News
  searches: LayoutSearches
  /** Folder of the built pages; without it only the API answers. */
  pages?: string
}

/** A last with a scan stays well below this. */
const BODY_LIMIT = '4mb'
/** Far above what one person's hands do, low enough to stop a page that runs wild. */
const REQUESTS_A_MINUTE = 1200

/**
 * The thread that looks at photographs has a policy of its own: its library is compiled when it starts. It reads what it is
 * given and fetches nothing.
 */
const LOOKS_AT_PICTURES = /[\\/]photoWorker-[^\\/]*\.js$/
const LOOKING = "default-src 'none'; script-src 'self' 'unsafe-eval' 'wasm-unsafe-eval'"

export function makeApp({ store, jobs, log, news, searches, pages }: AppParts): Express {
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
  app.use(compression())
  const api = express.Router()
  api.use(onlyOwnPages)
  api.use(
    rateLimit({
      windowMs: 60_000,
      limit: REQUESTS_A_MINUTE,
      standardHeaders: true,
      legacyHeaders: false,
      handler: (_req, _res, next) => {
        next(
          new Problem(
            429,
            'Too many at once',
            `More than ${REQUESTS_A_MINUTE} requests came within a minute. Wait a little, then try again; nothing was changed.`,
            [],
            {},
            60,
          ),
        )
      },
    }),
  )
  api.get('/health', async (_req, res) => {
    await store.ready()
    const backup = store.lastBackup()
    res.json({ status: 'ready', work: jobs.load(), backup, warning: backup?.problem ?? '' })
  })
  api.get('/news', news.listen)
  api.use(news.tellOf)
  const cards = new PairCards(store, jobs, (error) => log.warn({ err: error }, 'A card could not be made.'))
  // A pair's own file may be far larger than anything else that is sent; its route reads the body itself.
  const readJson = express.json({ limit: BODY_LIMIT })
  api.use((req, res, next) => (req.path === '/pairs/import' ? next() : readJson(req, res, next)))
  api.use('/lasts', lastExportRoutes(store, jobs))
  api.use(
    '/lasts',
    shelfRoutes(store, lastEntity, ({ shape, buildUps }) => jobs.run('last', { last: { shape, buildUps } })),
  )
  api.use('/last-holds', lastHoldRoutes(store))
  api.use('/feet', shelfRoutes(store, feetEntity))
  api.use('/cup-soles', shelfRoutes(store, cupSoleEntity))
  api.use('/ways', shelfRoutes(store, waySetEntity))
  api.use('/how-tos', shelfRoutes(store, howToEntity))
  api.use('/lessons', shelfRoutes(store, lessonEntity))
  api.use('/faults', shelfRoutes(store, ownFaultEntity))
  api.use('/hides', hideRoutes(store), shelfRoutes(store, hideEntity))
  api.use('/standins/scanner', scannerRoutes(jobs))
  api.use('/gauge', gaugeRoutes(news.tell))
  api.use('/standins/table', cuttingTableRoutes())
  api.use('/layout-files', layoutFileRoutes())
  api.use('/materials', shelfRoutes(store, materialEntity))
  api.use('/pairs', pairFileRoutes(store, jobs, cards), pairRoutes(store, cards))
  api.use('/pairs', benchRoutes(store, jobs), recordRoutes(store, jobs))
  api.use('/pairs', layoutRoutes(store, jobs, searches), exportRoutes(store, jobs))
  api.use('/exports', exportList())
  api.use('/backups', backupRoutes(store))
  api.use('/', workshopRoutes(store, jobs))
  api.use('/', learnedRoutes(store, cards))
  api.use('/', scheduleRoutes(store, jobs, cards))
  api.use(noSuchPath)
  app.use('/api/v1', api)
  if (pages) {
    app.use(
      express.static(pages, {
        setHeaders: (res, path) => {
          res.set('Cache-Control', path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache')
          if (LOOKS_AT_PICTURES.test(path)) res.set('Content-Security-Policy', LOOKING)
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
