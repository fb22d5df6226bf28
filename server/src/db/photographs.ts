import { and, asc, count, eq } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { notThere, StoreError } from './errors.ts'
import type { Reader, Tx } from './open.ts'
import { photographs } from './recordSchema.ts'

/** A photograph without its picture. */
export interface Photograph {
  id: string
  check: string
  foot: 'right' | 'left' | null
  type: string
  at: string
}

/** A pair has room for so many: each is up to a few megabytes, and a backup carries them all. */
const MOST = 60

export async function readPhotographs(db: Reader, pairId: string): Promise<Photograph[]> {
  const { id, check, foot, type, at } = photographs
  return db
    .select({ id, check, foot, type, at })
    .from(photographs)
    .where(eq(photographs.pairId, pairId))
    .orderBy(asc(photographs.at), asc(photographs.id))
}

/** The picture itself. Throws StoreError when it is not there. */
export async function photographBytes(
  db: Reader,
  pairId: string,
  id: string,
): Promise<{ type: string; bytes: Buffer }> {
  const [row] = await db
    .select({ type: photographs.type, bytes: photographs.bytes })
    .from(photographs)
    .where(and(eq(photographs.pairId, pairId), eq(photographs.id, id)))
  if (!row) throw notThere('photograph')
  return { type: row.type, bytes: Buffer.from(row.bytes) }
}

/** Keeps a picture. Throws StoreError when the pair has as many as it may. */
export async function addPhotograph(
  tx: Tx,
  pairId: string,
  photograph: Pick<Photograph, 'check' | 'foot' | 'type'> & { bytes: Buffer },
): Promise<void> {
  const [there] = await tx.select({ n: count() }).from(photographs).where(eq(photographs.pairId, pairId))
  if ((there?.n ?? 0) >= MOST) {
    throw new StoreError(
      'in the way',
      'Enough photographs',
      `A pair keeps ${MOST} photographs. Delete one of them first.`,
    )
  }
  await tx.insert(photographs).values({ id: uuid(), pairId, ...photograph, at: new Date().toISOString() })
}

export async function removePhotograph(tx: Tx, pairId: string, id: string): Promise<void> {
  await photographBytes(tx, pairId, id)
  await tx.delete(photographs).where(eq(photographs.id, id))
}
