import { PairLayout } from '@gentle-awl/core'
import { Router } from 'express'
import { z } from 'zod'
import { changedMeanwhile, notThere } from '../../db/errors.ts'
import { keepLayout, readLayouts } from '../../db/layouts.ts'
import type { Store } from '../../db/open.ts'
import { pairFile } from '../../db/pairFile.ts'
import { viewPair } from '../../db/pairs.ts'
import { goneSignal } from '../../http/gone.ts'
import { params } from '../../http/params.ts'
import { read } from '../../http/problem.ts'
import { ifMatch } from '../../http/revision.ts'
import type { Jobs } from '../../jobs/pool.ts'
import type { LayoutSearches } from '../../laying/layoutSearches.ts'

const SearchBody = z.object({
  material: PairLayout.shape.material,
  seconds: z.number().min(1, 'It takes a second at the least.').max(3600, 'It is looked for an hour at the most.'),
})
const Searched = SearchBody.pick({ material: true })

/** What is cut for a pair, how it is laid out on hides and sheets, and what is being looked for on the server. */
export function layoutRoutes(store: Store, jobs: Jobs, searches: LayoutSearches): Router {
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
  router.get('/:id/layouts/searches', (req, res) => {
    res.json(searches.of(params(req).id))
  })
  router.post('/:id/layouts/searches', async (req, res) => {
    const version = ifMatch(req)
    const { id } = params(req)
    const { material, seconds } = read(SearchBody, req.body, 'This search')
    await viewPair(store.db, id)
    const kept = (await readLayouts(store.db, id)).find((l) => l.material === material)
    if (!kept) throw notThere('layout of this material')
    if (kept.version !== version) throw changedMeanwhile('layout', kept)
    searches.begin(id, kept, seconds)
    res.status(202).json(searches.of(id))
  })
  router.delete('/:id/layouts/searches', async (req, res) => {
    const { id } = params(req)
    const { material } = read(Searched, req.query, 'This search')
    await searches.stop(id, material)
    res.json(searches.of(id))
  })
  return router
}
