import { Router } from 'express'
import { LastHoldFields } from '@gentle-awl/core'
import { addHold, changeHold, listHolds, removeHold } from '../db/lastHolds.ts'
import type { Store } from '../db/open.ts'
import { params } from '../http/params.ts'
import { read } from '../http/problem.ts'
import { ifMatch, sendVersioned } from '../http/revision.ts'

const WHAT = 'This use of the last'

/** Which pair has which last, from when until when. */
export function lastHoldRoutes(store: Store): Router {
  const router = Router()
  router.get('/', async (_req, res) => {
    res.json(await listHolds(store.db))
  })
  router.post('/', async (req, res) => {
    sendVersioned(res, await addHold(store, read(LastHoldFields, req.body, WHAT)), 201)
  })
  router.put('/:id', async (req, res) => {
    const version = ifMatch(req)
    const { id } = params(req)
    sendVersioned(res, await changeHold(store, id, version, read(LastHoldFields, req.body, WHAT)))
  })
  router.delete('/:id', async (req, res) => {
    const version = ifMatch(req)
    await removeHold(store, params(req).id, version)
    res.status(204).end()
  })
  return router
}
