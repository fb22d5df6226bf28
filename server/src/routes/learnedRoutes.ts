import { ToolChange } from '@gentle-awl/core'
import { Router } from 'express'
import { addToolChange, readLearned, removeToolChange } from '../db/learned.ts'
import type { Store } from '../db/open.ts'
import type { PairCards } from '../db/pairCards.ts'
import { params } from '../http/params.ts'
import { read } from '../http/problem.ts'

const ChangeBody = ToolChange.omit({ at: true })

/** What the workshop has learned from its own logs; when blades and needles were changed. */
export function learnedRoutes(store: Store, cards: PairCards): Router {
  const router = Router()
  const learned = () => readLearned(store.db, (id) => cards.soon(id))
  router.get('/learned', async (_req, res) => {
    res.json(await learned())
  })
  router.post('/tool-changes', async (req, res) => {
    const change = read(ChangeBody, req.body, 'This change')
    await store.write((tx) => addToolChange(tx, change))
    res.status(201).json(await learned())
  })
  router.delete('/tool-changes/:id', async (req, res) => {
    const { id } = params(req)
    await store.write((tx) => removeToolChange(tx, id))
    res.json(await learned())
  })
  return router
}
