import { Router } from 'express'
import type { z } from 'zod'
import type { Entity } from '../db/entities/entity.ts'
import type { Store } from '../db/open.ts'
import { notThere } from '../db/errors.ts'
import { params } from '../http/params.ts'
import { read } from '../http/problem.ts'
import { ifMatch, sendVersioned } from '../http/revision.ts'

/** List, one, add, change and delete for a kind of document. `check` looks closer than its schema can; it throws with a sentence. */
export function shelfRoutes<F extends z.ZodObject>(
  store: Store,
  kind: Pick<Entity<F>, 'what' | 'fields' | 'list' | 'row' | 'add' | 'change' | 'remove'>,
  check: (fields: z.infer<F>) => Promise<unknown> = async () => undefined,
): Router {
  const router = Router()
  router.get('/', async (_req, res) => {
    res.json(await kind.list(store.db))
  })
  router.get('/:id', async (req, res) => {
    const row = await kind.row(store.db, params(req).id)
    if (!row) throw notThere(kind.what)
    sendVersioned(res, row)
  })
  router.post('/', async (req, res) => {
    const fields = read(kind.fields, req.body, `This ${kind.what}`)
    await check(fields)
    sendVersioned(res, await kind.add(store, fields), 201)
  })
  router.put('/:id', async (req, res) => {
    const version = ifMatch(req)
    const { id } = params(req)
    const fields = read(kind.fields, req.body, `This ${kind.what}`)
    await check(fields)
    sendVersioned(res, await kind.change(store, id, version, fields))
  })
  router.delete('/:id', async (req, res) => {
    const version = ifMatch(req)
    await kind.remove(store, params(req).id, version)
    res.status(204).end()
  })
  return router
}
