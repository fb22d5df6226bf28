import { stepState, type StepEvent } from '@gentle-awl/core'
import { eq } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { notFound, Problem } from '../http/problem.ts'
import type { Tx } from './open.ts'
import { readLog } from './pairs.ts'
import { pairs, stepEvents } from './schema.ts'

/** Adds an event to a pair's log; the clock is the server's. Throws 409 when it does not follow from where the step stands. */
export async function logStep(tx: Tx, pairId: string, step: string, what: StepEvent['what']): Promise<void> {
  const [pair] = await tx.select({ id: pairs.id }).from(pairs).where(eq(pairs.id, pairId))
  if (!pair) throw notFound('pair')
  const state = stepState(await readLog(tx, pairId), step)
  const possible = { started: state === 'open', finished: state === 'started', undone: state !== 'open' }[what]
  if (!possible) {
    const standing = { open: 'not started yet', started: 'running already', finished: 'finished already' }[state]
    throw new Problem(
      409,
      'Out of step',
      `This step is ${standing}, so it cannot be ${what}. Reload to see the log as it is.`,
    )
  }
  await tx.insert(stepEvents).values({ id: uuid(), pairId, step, what, at: new Date().toISOString() })
}
