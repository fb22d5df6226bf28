import { checkRuleFigures, PairFile, RuleFigures } from '@gentle-awl/core'
import { Router } from 'express'
import { z } from 'zod'
import type { Store } from '../db/open.ts'
import { readHouseRules } from '../db/pairs.ts'
import { workshop } from '../db/schema.ts'
import { rewrite } from '../db/shelf.ts'
import { asBuffer } from '../http/bytes.ts'
import { goneSignal } from '../http/gone.ts'
import { read, stale } from '../http/problem.ts'
import { ifMatch, sendVersioned } from '../http/revision.ts'
import type { Jobs } from '../jobs/pool.ts'

const ROW = 'workshop'

/** House rules of the workshop, and planning without storing. */
export function workshopRoutes(store: Store, jobs: Jobs): Router {
  const router = Router()
  router.get('/house-rules', async (_req, res) => sendVersioned(res, await readHouseRules(store.db)))
  router.put('/house-rules', async (req, res) => {
    const version = ifMatch(req)
    const { houseRules } = read(z.object({ houseRules: RuleFigures }), req.body, 'These rules')
    checkRuleFigures(houseRules)
    await store.write(async (tx) => {
      const current = await readHouseRules(tx)
      if (current.version !== version) throw stale('set of house rules', current)
      if (current.version === 0) {
        await tx.insert(workshop).values({ id: ROW, houseRules, updatedAt: new Date().toISOString() })
      } else await rewrite(tx, workshop, { id: ROW, version: current.version }, { houseRules })
    })
    sendVersioned(res, await readHouseRules(store.db))
  })
  router.post('/plan', async (req, res) => {
    const file = read(PairFile, req.body, 'This file')
    res.type('application/json').send(asBuffer(await jobs.run('plan', { file }, goneSignal(res))))
  })
  return router
}
