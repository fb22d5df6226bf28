import type { Made, Makeable, Making } from '@gentle-awl/core'
import { asc, eq } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import type { Reader, Tx } from './open.ts'
import { viewPair } from './pairs.ts'
import { made } from './recordSchema.ts'

export async function readMade(db: Reader, pairId: string): Promise<Made[]> {
  const rows = await db.select().from(made).where(eq(made.pairId, pairId)).orderBy(asc(made.serial))
  return rows.map(({ part, name, how, print, revision, at }) => ({ part, name, how, print, revision, at }))
}

/** Records that these were made, each with the shape it had in that revision. Throws StoreError when the pair is gone. */
export async function recordMade(
  tx: Tx,
  pairId: string,
  how: Making,
  revision: number,
  what: readonly Makeable[],
): Promise<void> {
  await viewPair(tx, pairId)
  if (what.length === 0) return
  const at = new Date().toISOString()
  await tx.insert(made).values(what.map((m) => ({ id: uuid(), pairId, ...m, how, revision, at })))
}
