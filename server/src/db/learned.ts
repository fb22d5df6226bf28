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
import { asc, desc, eq, like } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { edition } from './edition.ts'
import { notThere } from './errors.ts'
import { readHouseRules } from './houseRules.ts'
import { others } from './others.ts'
import type { Db, Tx } from './open.ts'
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

export async function readLearned(db: Db): Promise<Learned> {
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
