import { lastsOfPair, stepState, type OpenPair, type PairCard, type StepEvent } from '@gentle-awl/core'
import { asc, inArray } from 'drizzle-orm'
import { others } from './others.ts'
import type { Db } from './open.ts'
import { pairs, stepEvents } from './schema.ts'
import { viewPair } from './pairs.ts'

/** A pair that cannot be laid out, and why. */
export interface LeftOut {
  pair: string
  why: string
}

const AT_ONCE = 4

/** All pairs that are not finished, with their steps and what was done; those without a plan are named. */
export async function openPairs(
  db: Db,
  card: (pairId: string) => Promise<PairCard>,
): Promise<{ open: OpenPair[]; leftOut: LeftOut[] }> {
  const rows = await db.select({ id: pairs.id }).from(pairs).orderBy(asc(pairs.createdAt), asc(pairs.id))
  const open: OpenPair[] = []
  const leftOut: LeftOut[] = []
  const logs = await logsOf(
    db,
    rows.map((r) => r.id),
  )
  const cards: { id: string; card: PairCard }[] = []
  for (let k = 0; k < rows.length; k += AT_ONCE) {
    // Cards that have to be made are made a few at a time.
    cards.push(...(await Promise.all(rows.slice(k, k + AT_ONCE).map(async ({ id }) => ({ id, card: await card(id) })))))
  }
  for (const { id, card: made } of cards) {
    await others()
    const { steps, problem } = made
    if (problem) {
      leftOut.push({ pair: id, why: problem })
      continue
    }
    const log = logs.get(id) ?? []
    if (steps.every((s) => stepState(log, s) === 'finished')) continue
    const { label, decisions } = await viewPair(db, id)
    const { order, name, due, weight } = label
    open.push({ id, order, name, due, weight, lasts: lastsOfPair(decisions), steps, log })
  }
  return { open, leftOut }
}

async function logsOf(db: Db, ids: readonly string[]): Promise<Map<string, StepEvent[]>> {
  const logs = new Map<string, StepEvent[]>()
  const rows = await db.select().from(stepEvents).where(inArray(stepEvents.pairId, ids)).orderBy(asc(stepEvents.serial))
  for (const { pairId, step, what, at } of rows) {
    const log = logs.get(pairId)
    if (log) log.push({ step, what, at })
    else logs.set(pairId, [{ step, what, at }])
  }
  return logs
}
