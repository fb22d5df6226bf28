import { stepState, type Known, type StepEvent } from '@gentle-awl/core'
import { asc, eq } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { notThere, StoreError } from './errors.ts'
import type { Reader, Tx } from './open.ts'
import { pairs, stepEvents } from './schema.ts'

export async function readLog(db: Reader, pairId: string): Promise<(StepEvent & { id: string })[]> {
  const rows = await db.select().from(stepEvents).where(eq(stepEvents.pairId, pairId)).orderBy(asc(stepEvents.serial))
  return rows.map(({ id, step, what, at }) => ({ id, step, what, at }))
}

/** The log to write into. Throws StoreError when there is no such pair. */
async function logOfPair(tx: Tx, pairId: string): Promise<StepEvent[]> {
  const [pair] = await tx.select({ id: pairs.id }).from(pairs).where(eq(pairs.id, pairId))
  if (!pair) throw notThere('pair')
  return readLog(tx, pairId)
}

/**
 * Corrects what a finished step took: a start that was forgotten leaves none. It was finished when it was, so that its
 * wait runs on; the log keeps what stood in it before. Throws StoreError while the step is not finished.
 */
export async function correctMinutes(tx: Tx, pairId: string, known: Known, minutes: number): Promise<void> {
  const log = await logOfPair(tx, pairId)
  const step = known.id
  const finished = log.filter((e) => [step, ...known.formerly].includes(e.step) && e.what === 'finished').at(-1)
  if (stepState(log, known) !== 'finished' || !finished) {
    throw new StoreError('in the way', 'Out of step', 'Only the time of a step that is done can be corrected.')
  }
  const started = new Date(Date.parse(finished.at) - minutes * 60_000).toISOString()
  const now = new Date().toISOString()
  const events: [StepEvent['what'], string][] = [
    ['undone', now],
    ['undone', now],
    ['started', started],
    ['finished', finished.at],
  ]
  for (const [what, at] of events) await tx.insert(stepEvents).values({ id: uuid(), pairId, step, what, at })
}

/** Adds an event to a pair's log; the clock is the server's. Throws StoreError when it does not follow from where the step stands. */
export async function logStep(tx: Tx, pairId: string, step: Known, what: StepEvent['what']): Promise<void> {
  const state = stepState(await logOfPair(tx, pairId), step)
  const possible = { started: state === 'open', finished: state === 'started', undone: state !== 'open' }[what]
  if (!possible) {
    const standing = { open: 'not started yet', started: 'running already', finished: 'finished already' }[state]
    throw new StoreError(
      'in the way',
      'Out of step',
      `This step is ${standing}, so it cannot be ${what}. Reload to see the log as it is.`,
    )
  }
  await tx.insert(stepEvents).values({ id: uuid(), pairId, step: step.id, what, at: new Date().toISOString() })
}
