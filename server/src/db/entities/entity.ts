import { isDeepStrictEqual } from 'node:util'
import { asc, eq, type SQL } from 'drizzle-orm'
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core'
import { v7 as uuid } from 'uuid'
import type { z } from 'zod'
import { notThere, StoreError } from '../errors.ts'
import type { Db, Reader, Store, Tx } from '../open.ts'
import type { cupSoles, feet, hides, howTos, lasts, lessons, materials, ownFaults, waySets } from '../schema.ts'
import { expectVersion, rewrite } from '../shelf.ts'

type Shelved =
  | typeof lasts
  | typeof materials
  | typeof feet
  | typeof cupSoles
  | typeof hides
  | typeof waySets
  | typeof howTos
  | typeof lessons
  | typeof ownFaults
type Row = Shelved['$inferSelect']

/** What is told of a document that the workshop keeps by itself, each under an id and a version. */
interface Options<F extends z.ZodObject, T extends Shelved> {
  /** Its name in sentences. */
  what: string
  table: T
  /** The document without its id, as it is sent. */
  fields: F
  /** The list is in this order. */
  order: SQLiteColumn
  /** What the list shows; whole rows when left out. */
  list?: (db: Db) => Promise<unknown[]>
  /** Says why it cannot be deleted, or null. */
  usedBy?: (tx: Tx, id: string) => Promise<string | null>
  /** Says what else has to be there first, or null. */
  lacks?: (tx: Tx, fields: z.infer<F>) => Promise<string | null>
  /** Says what would not hold any more once it were changed so, or null. */
  breaks?: (tx: Tx, id: string, fields: z.infer<F>) => Promise<string | null>
}

/**
 * One kind of document of the workshop: how it is listed, read, written, deleted, put into a pair file and brought in
 * from one. All of that follows from its table and its schema.
 */
export interface Entity<F extends z.ZodObject, T extends Shelved = Shelved> {
  what: string
  fields: F
  list: (db: Db) => Promise<unknown[]>
  /** Whether it is there, without reading it: a last from a scan is tens of thousands of numbers. */
  has: (db: Reader, id: string) => Promise<boolean>
  /** The whole row with its version, or undefined. */
  row: (db: Reader, id: string) => Promise<T['$inferSelect'] | undefined>
  rows: (db: Reader, where: SQL) => Promise<T['$inferSelect'][]>
  /** The document as a pair file carries it: its fields and its id, nothing of the store. */
  plain: (row: T['$inferSelect']) => z.infer<F> & { id: string }
  /** Throws StoreError when it is not there. */
  document: (db: Reader, id: string) => Promise<z.infer<F> & { id: string }>
  add: (store: Store, fields: z.infer<F>) => Promise<T['$inferSelect']>
  /** Throws StoreError when it is not there, was changed since that version, or something in use would not hold any more. */
  change: (store: Store, id: string, version: number, fields: z.infer<F>) => Promise<T['$inferSelect']>
  /** Throws StoreError when it is not there, was changed since that version, or is in use. */
  remove: (store: Store, id: string, version: number) => Promise<void>
  /** Finds the same document, or puts it there; one that differs under the same id comes in under a new one. Gives its id. */
  bring: (tx: Tx, document: z.infer<F> & { id: string }) => Promise<string>
}

export function entity<F extends z.ZodObject, T extends Shelved>(options: Options<F, T>): Entity<F, T> {
  const { what, fields, order, usedBy, breaks, lacks } = options
  type Document = z.infer<F> & { id: string }
  // All tables have the columns used here, and each is written by its own schema; drizzle cannot see either through the generic.
  const table = options.table as typeof lasts
  const stored = (some: z.infer<F>, id: string) =>
    ({ ...some, id, updatedAt: new Date().toISOString() }) as unknown as typeof lasts.$inferInsert
  const keys = ['id', ...Object.keys(fields.shape)]
  const plain = (row: Row) => Object.fromEntries(keys.map((key) => [key, row[key as keyof Row]])) as Document
  const rows = async (db: Reader, where: SQL) =>
    (await db.select().from(table).where(where).orderBy(asc(order))) as T['$inferSelect'][]
  const row = async (db: Reader, id: string) => (await rows(db, eq(table.id, id))).at(0)
  const present = async (db: Reader, id: string) => {
    const found = await row(db, id)
    if (!found) throw notThere(what)
    return found
  }
  const complete = async (tx: Tx, some: z.infer<F>): Promise<void> => {
    const lacking = (await lacks?.(tx, some)) ?? null
    if (lacking !== null) throw new StoreError('cannot be', 'Not there', lacking)
  }
  return {
    what,
    fields,
    list: options.list ?? ((db) => db.select().from(table).orderBy(asc(order))),
    has: async (db, id) => (await db.select({ id: table.id }).from(table).where(eq(table.id, id))).length > 0,
    row,
    rows,
    plain,
    document: async (db, id) => plain(await present(db, id)),
    add: async (store, some) => {
      const id = uuid()
      await store.write(async (tx) => {
        await complete(tx, some)
        await tx.insert(table).values(stored(some, id))
      })
      return present(store.db, id)
    },
    change: async (store, id, version, some) => {
      await store.write(async (tx) => {
        const before = expectVersion(await row(tx, id), version, what)
        await complete(tx, some)
        const broken = (await breaks?.(tx, id, some)) ?? null
        if (broken !== null) throw new StoreError('in the way', 'In use', broken)
        await rewrite(tx, table, before, some)
      })
      return present(store.db, id)
    },
    remove: async (store, id, version) => {
      await store.write(async (tx) => {
        expectVersion(await row(tx, id), version, what)
        const used = (await usedBy?.(tx, id)) ?? null
        if (used !== null) throw new StoreError('in the way', 'In use', used)
        await tx.delete(table).where(eq(table.id, id))
      })
    },
    bring: async (tx, document) => {
      const here = await row(tx, document.id)
      if (here && isDeepStrictEqual(plain(here), document)) return document.id
      const id = here ? uuid() : document.id
      await tx.insert(table).values(stored(document, id))
      return id
    },
  }
}
