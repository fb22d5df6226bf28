import { PairFile, RuleFigures } from '@gentle-awl/core'
import { Router } from 'express'
import { z } from 'zod'
import type { Store } from '../db/open.ts'
import { changeHouseRules, readHouseRules } from '../db/houseRules.ts'
import { ruleReach } from '../db/ruleReach.ts'
import { asBuffer } from '../http/bytes.ts'
import { goneSignal } from '../http/gone.ts'
import { read } from '../http/problem.ts'
import { ifMatch, sendVersioned } from '../http/revision.ts'
import type { Jobs } from '../jobs/pool.ts'

/** House rules of the workshop, and planning without storing. */
export function workshopRoutes(store: Store, jobs: Jobs): Router {
  const router = Router()
  router.get('/house-rules', async (_req, res) => sendVersioned(res, await readHouseRules(store.db)))
  router.get('/house-rules/reach', async (_req, res) => {
    res.json(await ruleReach(store.db))
  })
  router.put('/house-rules', async (req, res) => {
    const version = ifMatch(req)
    const { houseRules } = read(z.object({ houseRules: RuleFigures }), req.body, 'These rules')
    sendVersioned(res, await changeHouseRules(store, version, houseRules))
  })
  router.post('/plan', async (req, res) => {
    const file = read(PairFile, req.body, 'This file')
    res.type('application/json').send(asBuffer(await jobs.run('plan', { file }, goneSignal(res))))
  })
  return router
}
