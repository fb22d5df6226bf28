import { Router, type Request, type Response } from 'express'
import { recordMade } from '../../db/made.ts'
import type { Store } from '../../db/open.ts'
import { pairFile } from '../../db/pairFile.ts'
import { onePartExport } from '../../exports/pair/onePartExport.ts'
import { pairExports } from '../../exports/registry.ts'
import type { PairExport } from '../../exports/pairExport.ts'
import { asFileName, download } from '../../http/download.ts'
import { goneSignal } from '../../http/gone.ts'
import { params } from '../../http/params.ts'
import type { Jobs } from '../../jobs/pool.ts'

/** Says how many parts a paper shows that was recorded as printed. */
const PRINTED = 'Printed-Parts'

/** Which files can be had of a pair. */
export function exportList(): Router {
  const router = Router()
  router.get('/', (_req, res) => {
    res.json(pairExports.map(({ id, title, group, takes }) => ({ id, title, group, takes })))
  })
  return router
}

/**
 * Every file of a pair: to look at (GET), or to be worked from (POST), which also records what is on it as printed, with
 * the shape it had. It is recorded before it is handed out: a paper that is out and not on record would never be missed.
 */
export function exportRoutes(store: Store, jobs: Jobs): Router {
  const router = Router()
  const made = async (one: PairExport, query: unknown, req: Request, res: Response) => {
    const { id } = params(req)
    const file = await pairFile(store.db, id)
    const { label, revision } = file
    const end = one.id.slice(one.id.lastIndexOf('.'))
    const name = `pair-${asFileName(label.order)}-${one.named(`r${revision}`, query)}${end}`
    const { bytes, on } = await jobs.run('export', { file, id: one.id, query }, goneSignal(res))
    return { id, revision, bytes, on, send: () => download(res, one.type, name, bytes) }
  }
  for (const one of pairExports) {
    router.get(`/:id/${one.id}`, async (req, res) => {
      const { send } = await made(one, { ...req.query }, req, res)
      send()
    })
    router.post(`/:id/${one.id}`, async (req, res) => {
      const { id, revision, on, send } = await made(one, req.body ?? {}, req, res)
      await store.write((tx) => recordMade(tx, id, 'printed', revision, on))
      res.set(PRINTED, String(on.length))
      send()
    })
  }
  // One part at an address of its own, for those who link to it.
  router.get('/:id/parts/:part.svg', async (req, res) => {
    const { send } = await made(onePartExport, { ...req.query, part: req.params.part }, req, res)
    send()
  })
  return router
}
