import express, { Router } from 'express'
import { importPair } from '../../db/importPair.ts'
import type { Store } from '../../db/open.ts'
import type { PairCards } from '../../db/pairCards.ts'
import { pairFile } from '../../db/pairFile.ts'
import { asFileName, download } from '../../http/download.ts'
import { goneSignal } from '../../http/gone.ts'
import { params } from '../../http/params.ts'
import type { Jobs } from '../../jobs/pool.ts'
import { sendPair } from './pairRoutes.ts'

/** A pair's own file with everything that was ever done to it. */
const LARGEST_FILE = '64mb'

/** The pair file, out and in. */
export function pairFileRoutes(store: Store, jobs: Jobs, cards: PairCards): Router {
  const router = Router()
  router.post('/import', express.text({ type: () => true, limit: LARGEST_FILE }), async (req, res) => {
    // Read and planned in a thread before it is stored: a file that cannot be planned changes nothing.
    const file = await jobs.run('readFile', { text: typeof req.body === 'string' ? req.body : '' }, goneSignal(res))
    const id = await store.write((tx) => importPair(tx, file))
    cards.soon(id)
    await sendPair(store, res, id, 201)
  })
  router.get('/:id/file', async (req, res) => {
    const file = await pairFile(store.db, params(req).id)
    const name = `pair-${asFileName(file.label.order)}-r${file.revision}.json`
    download(res, 'application/json', name, `${JSON.stringify(file, null, 2)}\n`)
  })
  return router
}
