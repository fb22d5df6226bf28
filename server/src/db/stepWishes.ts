import type { StepWish } from '@gentle-awl/core'
import { and, eq, inArray } from 'drizzle-orm'
import type { Db, Reader, Tx } from './open.ts'
import { stepWishes } from './schema.ts'

/** Where steps of these pairs were put; a pair of which none was is left out. */
export async function wishesOf(db: Db | Reader, ids: readonly string[]): Promise<Map<string, StepWish[]>> {
  const by = new Map<string, StepWish[]>()
  const rows = await db.select().from(stepWishes).where(inArray(stepWishes.pairId, ids)).orderBy(stepWishes.step)
  for (const { pairId, step, maker, notBefore } of rows) {
    by.set(pairId, [...(by.get(pairId) ?? []), { step, maker, notBefore }])
  }
  return by
}

export async function keepWish(tx: Tx, pairId: string, { step, maker, notBefore }: StepWish): Promise<void> {
  await tx
    .insert(stepWishes)
    .values({ pairId, step, maker, notBefore })
    .onConflictDoUpdate({ target: [stepWishes.pairId, stepWishes.step], set: { maker, notBefore } })
}

/** Leaves a step to the timetable again; one that was left to it already stays so. */
export async function dropWish(tx: Tx, pairId: string, step: string): Promise<void> {
  await tx.delete(stepWishes).where(and(eq(stepWishes.pairId, pairId), eq(stepWishes.step, step)))
}
