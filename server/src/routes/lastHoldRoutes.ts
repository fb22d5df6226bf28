import { asc, eq } from 'drizzle-orm'
import { Router } from 'express'
import { v7 as uuid } from 'uuid'
import { LastHoldFields, heldAtOnce } from '@gentle-awl/core'
import type { Store, Tx } from '../db/open.ts'
import { lastHolds, lasts, pairs } from '../db/schema.ts'
import { expectVersion, rewrite } from '../db/shelf.ts'
import { params } from '../http/params.ts'
import { notFound, Problem, read } from '../http/problem.ts'
import { ifMatch, sendVersioned } from '../http/revision.ts'

/** Throws 404 or 409 unless last and pair are there and enough of these lasts are free for the days asked for. */
async function expectFree(tx: Tx, hold: LastHoldFields, except: string | null): Promise<void> {
  const [last] = await tx.select().from(lasts).where(eq(lasts.id, hold.lastId))
  if (!last) throw notFound('last')
  if (hold.pairId !== null) {
    const [pair] = await tx.select({ id: pairs.id }).from(pairs).where(eq(pairs.id, hold.pairId))
    if (!pair) throw notFound('pair')
  }
  const others = (await tx.select().from(lastHolds).where(eq(lastHolds.lastId, hold.lastId))).filter(
    (h) => h.id !== except,
  )
  const { most, day } = heldAtOnce([...others, hold], hold)
  if (most > last.stock.count) {
    const have = last.stock.count === 1 ? 'There is one' : `There are ${last.stock.count}`
    throw new Problem(
      409,
      'In use',
      `${have} of "${last.name}", and on ${day} ${most} would be needed. Choose other days, or give the other pair an end.`,
    )
  }
}

/** Which pair has which last, from when until when. */
export function lastHoldRoutes(store: Store): Router {
  const router = Router()
  const one = async (id: string) => (await store.db.select().from(lastHolds).where(eq(lastHolds.id, id)))[0]
  router.get('/', async (_req, res) => {
    res.json(await store.db.select().from(lastHolds).orderBy(asc(lastHolds.from), asc(lastHolds.id)))
  })
  router.post('/', async (req, res) => {
    const hold = read(LastHoldFields, req.body, 'This use of the last')
    const id = uuid()
    await store.write(async (tx) => {
      await expectFree(tx, hold, null)
      await tx.insert(lastHolds).values({ ...hold, id, updatedAt: new Date().toISOString() })
    })
    sendVersioned(res, await one(id), 201)
  })
  router.put('/:id', async (req, res) => {
    const version = ifMatch(req)
    const { id } = params(req)
    const hold = read(LastHoldFields, req.body, 'This use of the last')
    await store.write(async (tx) => {
      const [row] = await tx.select().from(lastHolds).where(eq(lastHolds.id, id))
      expectVersion(row, version, 'use of a last')
      await expectFree(tx, hold, id)
      await rewrite(tx, lastHolds, row, hold)
    })
    sendVersioned(res, await one(id))
  })
  router.delete('/:id', async (req, res) => {
    const version = ifMatch(req)
    const { id } = params(req)
    await store.write(async (tx) => {
      const [row] = await tx.select().from(lastHolds).where(eq(lastHolds.id, id))
      expectVersion(row, version, 'use of a last')
      await tx.delete(lastHolds).where(eq(lastHolds.id, id))
    })
    res.status(204).end()
  })
  return router
}
