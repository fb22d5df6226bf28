import { Last, Material, materialRoles, type MaterialRole } from '@gentle-awl/core'
import { asc, eq } from 'drizzle-orm'
import { Router } from 'express'
import { v7 as uuid } from 'uuid'
import type { z } from 'zod'
import type { Store, Tx } from '../db/open.ts'
import { lasts, materials, pairRevisions, pairs } from '../db/schema.ts'
import { expectVersion, rewrite } from '../db/shelf.ts'
import { notFound, Problem, read } from '../http/problem.ts'
import { ifMatch, sendVersioned } from '../http/revision.ts'
import type { Jobs } from '../jobs/pool.ts'
import { params } from '../http/params.ts'

interface Shelf<S extends z.ZodType, T extends typeof lasts | typeof materials> {
  store: Store
  table: T
  /** The document without its id. */
  body: S
  what: string
  /** Looks closer than the schema can; throws with a sentence. */
  check?: (fields: z.infer<S>) => Promise<void>
  /** Says why it cannot be deleted, or null. */
  usedBy: (tx: Tx, id: string) => Promise<string | null>
}

/** List, one, add, change and delete for things that stand on a shelf. */
function shelf<S extends z.ZodType<Record<string, unknown>>, T extends typeof lasts | typeof materials>(
  options: Shelf<S, T>,
): Router {
  const { store, body, what, usedBy, check } = options
  // Both tables have the columns used here; drizzle cannot see that through the generic.
  const table = options.table as typeof lasts
  const router = Router()
  const one = async (id: string) => (await store.db.select().from(table).where(eq(table.id, id)))[0]

  router.get('/', async (_req, res) => {
    res.json(await store.db.select().from(table).orderBy(asc(table.name)))
  })
  router.get('/:id', async (req, res) => {
    const row = await one(params(req).id)
    if (!row) throw notFound(what)
    sendVersioned(res, row)
  })
  router.post('/', async (req, res) => {
    const sent = read(body, req.body, `This ${what}`)
    await check?.(sent)
    const fields = sent as typeof lasts.$inferInsert
    const id = uuid()
    await store.write((tx) => tx.insert(table).values({ ...fields, id, updatedAt: new Date().toISOString() }))
    sendVersioned(res, await one(id), 201)
  })
  router.put('/:id', async (req, res) => {
    const version = ifMatch(req)
    const { id } = params(req)
    const fields = read(body, req.body, `This ${what}`)
    await check?.(fields)
    await store.write(async (tx) => {
      const [row] = await tx.select().from(table).where(eq(table.id, id))
      await rewrite(tx, table, expectVersion(row, version, what), fields)
    })
    sendVersioned(res, await one(id))
  })
  router.delete('/:id', async (req, res) => {
    const version = ifMatch(req)
    const { id } = params(req)
    await store.write(async (tx) => {
      const [row] = await tx.select().from(table).where(eq(table.id, id))
      expectVersion(row, version, what)
      const used = await usedBy(tx, id)
      if (used) throw new Problem(409, 'In use', used)
      await tx.delete(table).where(eq(table.id, id))
    })
    res.status(204).end()
  })
  return router
}

export const lastRoutes = (store: Store, jobs: Jobs): Router =>
  shelf({
    store,
    table: lasts,
    body: Last.omit({ id: true }),
    what: 'last',
    check: ({ measures }) => jobs.checkLast(measures),
    usedBy: async (tx, id) => {
      const revisions = await tx
        .select({ d: pairRevisions.decisions, pair: pairs.name })
        .from(pairRevisions)
        .innerJoin(pairs, eq(pairs.id, pairRevisions.pairId))
      const user = revisions.find((r) => r.d.lastId === id)
      return user ? `The pair "${user.pair}" is or was made on this last, so it stays on the shelf.` : null
    },
  })

export const materialRoutes = (store: Store): Router =>
  shelf({
    store,
    table: materials,
    body: Material.omit({ id: true }),
    what: 'material',
    usedBy: async (tx, id) => {
      const revisions = await tx
        .select({ d: pairRevisions.decisions, pair: pairs.name })
        .from(pairRevisions)
        .innerJoin(pairs, eq(pairs.id, pairRevisions.pairId))
      const roles = Object.keys(materialRoles) as MaterialRole[]
      const user = revisions.find((r) => roles.some((role) => r.d.materials[role] === id))
      return user ? `The pair "${user.pair}" is or was planned with this material, so it stays in the stores.` : null
    },
  })
