import { PairLayout } from '@gentle-awl/core'
import { Router } from 'express'
import { keepLayout, readLayouts } from '../../db/layouts.ts'
import type { Store } from '../../db/open.ts'
import { pairFile } from '../../db/pairFile.ts'
import { viewPair } from '../../db/pairs.ts'
import { goneSignal } from '../../http/gone.ts'
import { params } from '../../http/params.ts'
import { read } from '../../http/problem.ts'
import { ifMatch } from '../../http/revision.ts'
import type { Jobs } from '../../jobs/pool.ts'

/** What is cut for a pair, and how it is laid out on hides and sheets. */
export function layoutRoutes(store: Store, jobs: Jobs): Router {
  const router = Router()
  router.get('/:id/cutting', async (req, res) => {
    const file = await pairFile(store.db, params(req).id)
    res.json(await jobs.run('cutting', { file }, goneSignal(res)))
  })
  router.get('/:id/layouts', async (req, res) => {
    const { id } = params(req)
    await viewPair(store.db, id)
    res.json(await readLayouts(store.db, id))
  })
  router.put('/:id/layouts', async (req, res) => {
    const version = ifMatch(req)
    const { id } = params(req)
    const layout = read(PairLayout, req.body, 'This layout')
    await store.write((tx) => keepLayout(tx, id, version, layout))
    res.json(await readLayouts(store.db, id))
  })
  return router
}
