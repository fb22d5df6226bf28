import { matKinds, matSheets, PairFile, RuleFigures } from '@gentle-awl/core'
import { Router } from 'express'
import { z } from 'zod'
import type { Store } from '../db/open.ts'
import { changeHouseRules, readHouseRules } from '../db/houseRules.ts'
import { workshopPace } from '../db/pace.ts'
import { ruleReach } from '../db/ruleReach.ts'
import { matPdf } from '../exports/matPdf.ts'
import { asBuffer } from '../http/bytes.ts'
import { download } from '../http/download.ts'
import { goneSignal } from '../http/gone.ts'
import { read } from '../http/problem.ts'
import { ifMatch, sendVersioned } from '../http/revision.ts'
import type { Jobs } from '../jobs/pool.ts'

/** Papers that hold a sheet of the mat; only the wide one needs A3. */
const Mat = z
  .object({
    kind: z.enum(matKinds).default('small'),
    paper: z.enum(['a4', 'letter']).default('a4'),
    sheets: z.coerce.number().int().min(1).default(1),
  })
  .refine(({ kind, sheets }) => sheets <= matSheets(kind), {
    path: ['sheets'],
    message: 'There are not so many different sheets of this kind.',
  })

/** House rules of the workshop, the mat for photographs, and planning without storing. */
export function workshopRoutes(store: Store, jobs: Jobs): Router {
  const router = Router()
  router.get('/house-rules', async (_req, res) => sendVersioned(res, await readHouseRules(store.db)))
  router.get('/house-rules/reach', async (_req, res) => {
    res.json(await ruleReach(store.db))
  })
  router.get('/pace', async (_req, res) => {
    res.json(await workshopPace(store.db))
  })
  router.put('/house-rules', async (req, res) => {
    const version = ifMatch(req)
    const { houseRules } = read(z.object({ houseRules: RuleFigures }), req.body, 'These rules')
    sendVersioned(res, await changeHouseRules(store, version, houseRules))
  })
  router.get('/mat.pdf', async (req, res) => {
    const { kind, paper, sheets } = read(Mat, req.query, 'This mat')
    const bytes = await matPdf(kind, kind === 'wide' ? 'a3' : paper, 1, sheets)
    download(res, 'application/pdf', `mat-${kind}.pdf`, bytes)
  })
  router.post('/plan', async (req, res) => {
    const file = read(PairFile, req.body, 'This file')
    res.type('application/json').send(asBuffer(await jobs.run('plan', { file }, goneSignal(res))))
  })
  return router
}
