import {
  CupSoleFields,
  FeetFields,
  LastFields,
  Material,
  materialRoles,
  type MaterialRole,
  type ShelfLast,
  madeOn,
} from '@gentle-awl/core'
import { asc, eq, getTableColumns, sql } from 'drizzle-orm'
import { Router } from 'express'
import { v7 as uuid } from 'uuid'
import type { z } from 'zod'
import type { Db, Store, Tx } from '../db/open.ts'
import { cupSoles, feet, lasts, materials, pairRevisions, pairs } from '../db/schema.ts'
import { expectVersion, rewrite } from '../db/shelf.ts'
import { notFound, Problem, read } from '../http/problem.ts'
import { ifMatch, sendVersioned } from '../http/revision.ts'
import type { Jobs } from '../jobs/pool.ts'
import { params } from '../http/params.ts'

type Shelved = typeof lasts | typeof materials | typeof feet | typeof cupSoles

interface Shelf<S extends z.ZodType, T extends Shelved> {
  store: Store
  table: T
  /** The document without its id. */
  body: S
  what: string
  /** Looks closer than the schema can; throws with a sentence. */
  check?: (fields: z.infer<S>) => Promise<void>
  /** What the list shows; whole rows when left out. */
  list?: () => Promise<unknown[]>
  /** Says why it cannot be deleted, or null. */
  usedBy: (tx: Tx, id: string) => Promise<string | null>
}

/** List, one, add, change and delete for things that stand on a shelf. */
function shelf<S extends z.ZodType<Record<string, unknown>>, T extends Shelved>(options: Shelf<S, T>): Router {
  const { store, body, what, usedBy, check } = options
  // All tables have the columns used here; drizzle cannot see that through the generic.
  const table = options.table as typeof lasts
  const order = 'order' in options.table ? options.table.order : options.table.name
  const list = options.list ?? (() => store.db.select().from(table).orderBy(asc(order)))
  const router = Router()
  const one = async (id: string) => (await store.db.select().from(table).where(eq(table.id, id)))[0]

  router.get('/', async (_req, res) => {
    res.json(await list())
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

/** Decisions of every revision of every pair: what was ever planned with something keeps it. */
const everyRevision = (tx: Tx) =>
  tx
    .select({ d: pairRevisions.decisions, pair: pairs.name })
    .from(pairRevisions)
    .innerJoin(pairs, eq(pairs.id, pairRevisions.pairId))

/** See shelfFigures: where in the points of a kept surface the height of the heel stands. */
const heelHeight = sql`json_extract(${lasts.shape}, '$.surface.points[' || (6 * json_extract(${lasts.shape},
  '$.surface.columns') * json_extract(${lasts.shape}, '$.surface.rows') + 2) || ']') / 100.0`
/**
 * Lasts as the shelf lists them: a kept surface is tens of thousands of numbers, which go with the last itself only.
 * SQLite leaves them out, so that they are never read into the program either.
 */
const shelvedLasts = (db: Db): Promise<(ShelfLast & { version: number; updatedAt: string })[]> =>
  db
    .select({
      ...getTableColumns(lasts),
      shape: sql<ShelfLast['shape']>`CASE json_extract(${lasts.shape}, '$.kind')
        WHEN 'kept' THEN json_set(json_remove(${lasts.shape}, '$.surface.points'), '$.surface.heelHeight', ${heelHeight}) ELSE ${lasts.shape} END`.mapWith(
        (text: string) => JSON.parse(text) as ShelfLast['shape'],
      ),
    })
    .from(lasts)
    .orderBy(asc(lasts.name))

export const lastRoutes = (store: Store, jobs: Jobs): Router =>
  shelf({
    store,
    table: lasts,
    body: LastFields,
    what: 'last',
    check: async ({ shape, buildUps }) => {
      await jobs.run('last', { last: { shape, buildUps } })
    },
    list: () => shelvedLasts(store.db),
    usedBy: async (tx, id) => {
      const revisions = await everyRevision(tx)
      const user = revisions.find((r) => madeOn(r.d, id))
      return user ? `The pair "${user.pair}" is or was made on this last, so it stays on the shelf.` : null
    },
  })

const nobody = async () => null

export const feetRoutes = (store: Store): Router =>
  shelf({ store, table: feet, body: FeetFields, what: 'set of feet', usedBy: nobody })

export const cupSoleRoutes = (store: Store): Router =>
  shelf({
    store,
    table: cupSoles,
    body: CupSoleFields,
    what: 'cup sole',
    usedBy: async (tx, id) => {
      const user = (await everyRevision(tx)).find((r) => r.d.cupSoleId === id)
      return user ? `The pair "${user.pair}" is or was planned in this cup sole, so it stays in the stores.` : null
    },
  })

export const materialRoutes = (store: Store): Router =>
  shelf({
    store,
    table: materials,
    body: Material.omit({ id: true }),
    what: 'material',
    usedBy: async (tx, id) => {
      const revisions = await everyRevision(tx)
      const roles = Object.keys(materialRoles) as MaterialRole[]
      const user = revisions.find((r) => roles.some((role) => r.d.materials[role] === id))
      return user ? `The pair "${user.pair}" is or was planned with this material, so it stays in the stores.` : null
    },
  })
