import { constructions, PairDecisions, PairLabel, pairSorts, patternKinds } from '@gentle-awl/core'
import { Router, type Response } from 'express'
import { z } from 'zod'
import type { Store } from '../../db/open.ts'
import { cardSources, type PairCards } from '../../db/pairCards.ts'
import { pairLike, pairNames, pairPage, standingLogs, standingOf } from '../../db/pairList.ts'
import { createPair, deletePair, moveHead, savePair, viewPair } from '../../db/pairs.ts'
import { params } from '../../http/params.ts'
import { read } from '../../http/problem.ts'
import { ifMatch, sendVersioned } from '../../http/revision.ts'

const ListQuery = z.object({
  search: z.string().max(200).default(''),
  sort: z.enum(pairSorts).default('changed'),
  page: z.coerce.number().int().min(1).max(100_000).default(1),
  size: z.coerce.number().int().min(1).max(100).default(24),
})
const LikeQuery = z.object({ style: z.enum(patternKinds), construction: z.enum(constructions) })
const PairBody = z.object({ label: PairLabel, decisions: PairDecisions })

export async function sendPair(store: Store, res: Response, id: string, status = 200): Promise<void> {
  sendVersioned(res, { ...(await viewPair(store.db, id)) }, status)
}

/** The list of pairs with their cards; one pair: read, written, undone, deleted. */
export function pairRoutes(store: Store, cards: PairCards): Router {
  const router = Router()
  router.get('/', async (req, res) => {
    const query = read(ListQuery, req.query, 'This list')
    const page = await pairPage(store.db, query, await cardSources(store.db))
    for (const row of page.pairs) if (!row.card && row.unreadable === '') cards.soon(row.id)
    res.json(page)
  })
  router.get('/names', async (_req, res) => {
    res.json(await pairNames(store.db))
  })
  router.get('/like', async (req, res) => {
    const { style, construction } = read(LikeQuery, req.query, 'This question')
    res.json(await pairLike(store.db, style, construction))
  })
  router.post('/', async (req, res) => {
    const { label, decisions } = read(PairBody, req.body, 'This pair')
    const id = await store.write((tx) => createPair(tx, label, decisions))
    cards.soon(id)
    await sendPair(store, res, id, 201)
  })
  router.get('/:id/card', async (req, res) => {
    const { id } = params(req)
    const card = await cards.card(id)
    const log = (await standingLogs(store.db, [id])).get(id) ?? []
    const { problem, worst, shapes } = card
    res.json({ card: { problem, worst, shapes }, standing: standingOf(card, log) })
  })
  router.get('/:id', async (req, res) => sendPair(store, res, params(req).id))
  router.put('/:id', async (req, res) => {
    const version = ifMatch(req)
    const { id } = params(req)
    const { label, decisions } = read(PairBody, req.body, 'This pair')
    await store.write((tx) => savePair(tx, id, version, label, decisions))
    cards.onceSettled(id)
    await sendPair(store, res, id)
  })
  router.delete('/:id', async (req, res) => {
    const version = ifMatch(req)
    const { id } = params(req)
    await store.write((tx) => deletePair(tx, id, version))
    cards.forget(id)
    res.status(204).end()
  })
  for (const way of ['undo', 'redo'] as const) {
    router.post(`/:id/${way}`, async (req, res) => {
      const version = ifMatch(req)
      const { id } = params(req)
      await store.write((tx) => moveHead(tx, id, version, way))
      cards.onceSettled(id)
      await sendPair(store, res, id)
    })
  }
  return router
}
