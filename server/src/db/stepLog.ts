import { stepState, type StepEvent } from '@gentle-awl/core'
import { asc, eq } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { notThere, StoreError } from './errors.ts'
import type { Reader, Tx } from './open.ts'
import { pairs, stepEvents } from './schema.ts'

export async function readLog(db: Reader, pairId: string): Promise<(StepEvent & { id: string })[]> {
  const rows = await db.select().from(stepEvents).where(eq(stepEvents.pairId, pairId)).orderBy(asc(stepEvents.serial))
  return rows.map(({ id, step, what, at }) => ({ id, step, what, at }))
}

/** Adds an event to a pair's log; the clock is the server's. Throws StoreError when it does not follow from where the step stands. */
export async function logStep(tx: Tx, pairId: string, step: string, what: StepEvent['what']): Promise<void> {
  const [pair] = await tx.select({ id: pairs.id }).from(pairs).where(eq(pairs.id, pairId))
  if (!pair) throw notThere('pair')
  const state = stepState(await readLog(tx, pairId), step)
  const possible = { started: state === 'open', finished: state === 'started', undone: state !== 'open' }[what]
  if (!possible) {
    const standing = { open: 'not started yet', started: 'running already', finished: 'finished already' }[state]
    throw new StoreError(
      'in the way',
      'Out of step',
      `This step is ${standing}, so it cannot be ${what}. Reload to see the log as it is.`,
    )
  }
  await tx.insert(stepEvents).values({ id: uuid(), pairId, step, what, at: new Date().toISOString() })
}
