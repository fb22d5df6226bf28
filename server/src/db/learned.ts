import {
  doneWork,
  learnedMinutes,
  learnedWaits,
  ruleOf,
  toolWear,
  type DonePair,
  type LearnedMinutes,
  type LearnedWait,
  type RuleFigures,
  type ToolWear,
} from '@gentle-awl/core'
import { asc, desc, eq, isNull, like, notLike, or } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { edition } from './edition.ts'
import { notThere } from './errors.ts'
import { readHouseRules } from './houseRules.ts'
import { others } from './others.ts'
import type { Db, Tx } from './open.ts'
import { stepEvents } from './recordSchema.ts'
import { pairCards, pairs, toolChanges } from './schema.ts'
import { logsOf } from './stepLog.ts'

/** So many pairs, the newest ones: how one worked years ago says little. */
const PAIRS = 200

/** What the logs of the newest pairs tell. */
export interface Learned {
  minutes: LearnedMinutes[]
  waits: LearnedWait[]
  wear: ToolWear[]
  changes: (typeof toolChanges.$inferSelect)[]
  /** How many pairs were looked at. */
  pairs: number
  /** How many more were worked on whose steps are not known yet: their cards are being made. */
  pending: number
}

/** The newest pairs with their steps and logs; those whose card is not made yet are left out. */
export async function donePairs(db: Db): Promise<DonePair[]> {
  const cards = await db
    .select({ id: pairs.id, card: pairCards.card })
    .from(pairs)
    .innerJoin(pairCards, eq(pairCards.pairId, pairs.id))
    // Cards of an earlier program say less of their steps.
    .where(like(pairCards.madeFrom, `${edition} %`))
    .orderBy(desc(pairs.updatedAt))
    .limit(PAIRS)
  await others()
  const logs = await logsOf(
    db,
    cards.map((c) => c.id),
  )
  await others()
  return cards.map(({ id, card }) => ({ id, steps: card.steps, log: logs.get(id) ?? [] }))
}

/** Pairs that were worked on and whose card is of an earlier program, or was never made. */
async function unread(db: Db): Promise<string[]> {
  const rows = await db
    .selectDistinct({ id: pairs.id })
    .from(pairs)
    .innerJoin(stepEvents, eq(stepEvents.pairId, pairs.id))
    .leftJoin(pairCards, eq(pairCards.pairId, pairs.id))
    .where(or(isNull(pairCards.madeFrom), notLike(pairCards.madeFrom, `${edition} %`)))
    .limit(PAIRS)
  return rows.map((r) => r.id)
}

/** `read` is told of every pair whose steps are not known yet. */
export async function readLearned(db: Db, read: (pairId: string) => void = () => undefined): Promise<Learned> {
  const pending = await unread(db)
  pending.forEach(read)
  const all = await donePairs(db)
  const told = all.map(doneWork)
  const { houseRules } = await readHouseRules(db)
  const changes = await db.select().from(toolChanges).orderBy(asc(toolChanges.at))
  return {
    minutes: learnedMinutes(told.flatMap((t) => t.done)),
    waits: learnedWaits(
      told.flatMap((t) => t.seen),
      (rule) => figureOf(rule, houseRules),
    ),
    wear: toolWear(
      told.flatMap((t) => t.worn),
      changes,
    ),
    changes,
    pairs: all.filter((p) => p.log.length > 0).length,
    pending: pending.length,
  }
}

const figureOf = (rule: string, ours: RuleFigures): number => ours[rule] ?? ruleOf(rule)?.value ?? 0

export async function addToolChange(tx: Tx, change: { tool: ToolWear['tool']; note: string }): Promise<void> {
  await tx.insert(toolChanges).values({ id: uuid(), ...change, at: new Date().toISOString() })
}

export async function removeToolChange(tx: Tx, id: string): Promise<void> {
  const gone = await tx.delete(toolChanges).where(eq(toolChanges.id, id)).returning({ id: toolChanges.id })
  if (gone.length === 0) throw notThere('change of a tool')
}
