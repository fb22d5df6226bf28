import { heldAtOnce, type LastHoldFields } from '@gentle-awl/core'
import { asc, eq } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { lastEntity } from './entities/lasts.ts'
import { notThere, StoreError } from './errors.ts'
import type { Db, Reader, Store, Tx } from './open.ts'
import { lastHolds, pairs } from './schema.ts'
import { expectVersion, rewrite } from './shelf.ts'

const WHAT = 'use of a last'
type Hold = typeof lastHolds.$inferSelect

export const listHolds = (db: Db): Promise<Hold[]> =>
  db.select().from(lastHolds).orderBy(asc(lastHolds.from), asc(lastHolds.id))

const rowOf = async (db: Reader, id: string): Promise<Hold | undefined> =>
  (await db.select().from(lastHolds).where(eq(lastHolds.id, id))).at(0)

async function present(db: Reader, id: string): Promise<Hold> {
  const row = await rowOf(db, id)
  if (!row) throw notThere(WHAT)
  return row
}

/** Throws StoreError unless last and pair are there and enough of these lasts are free for the days asked for. */
async function expectFree(tx: Tx, hold: LastHoldFields, except: string | null): Promise<void> {
  const last = await lastEntity.document(tx, hold.lastId)
  if (hold.pairId !== null) {
    const [pair] = await tx.select({ id: pairs.id }).from(pairs).where(eq(pairs.id, hold.pairId))
    if (!pair) throw notThere('pair')
  }
  const others = (await tx.select().from(lastHolds).where(eq(lastHolds.lastId, hold.lastId))).filter(
    (h) => h.id !== except,
  )
  const { most, day } = heldAtOnce([...others, hold], hold)
  if (most > last.stock.count) {
    const have = last.stock.count === 1 ? 'There is one' : `There are ${last.stock.count}`
    throw new StoreError(
      'in the way',
      'In use',
      `${have} of "${last.name}", and on ${day} ${most} would be needed. Choose other days, or give the other pair an end.`,
    )
  }
}

/** Throws StoreError when last or pair are not there, or the last is not free. */
export async function addHold(store: Store, hold: LastHoldFields): Promise<Hold> {
  const id = uuid()
  await store.write(async (tx) => {
    await expectFree(tx, hold, null)
    await tx.insert(lastHolds).values({ ...hold, id, updatedAt: new Date().toISOString() })
  })
  return present(store.db, id)
}

/** Throws StoreError as `addHold` does, and when it was changed since that version. */
export async function changeHold(store: Store, id: string, version: number, hold: LastHoldFields): Promise<Hold> {
  await store.write(async (tx) => {
    const row = expectVersion(await rowOf(tx, id), version, WHAT)
    await expectFree(tx, hold, id)
    await rewrite(tx, lastHolds, row, hold)
  })
  return present(store.db, id)
}

export async function removeHold(store: Store, id: string, version: number): Promise<void> {
  await store.write(async (tx) => {
    expectVersion(await rowOf(tx, id), version, WHAT)
    await tx.delete(lastHolds).where(eq(lastHolds.id, id))
  })
}
