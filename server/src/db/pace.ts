import { paceOf, runsOf, type Pace, type StepEvent } from '@gentle-awl/core'
import { asc, desc, eq, inArray, like } from 'drizzle-orm'
import { edition } from './edition.ts'
import { others } from './others.ts'
import type { Db } from './open.ts'
import { pairCards, pairs, stepEvents } from './schema.ts'

/** So many pairs, the newest ones: how one worked years ago says little. */
const PAIRS = 200

/** How this workshop's minutes compare with those that are planned, by kind of step, over its newest pairs. */
export async function workshopPace(db: Db): Promise<Record<string, Pace>> {
  const cards = await db
    .select({ id: pairs.id, card: pairCards.card })
    .from(pairs)
    .innerJoin(pairCards, eq(pairCards.pairId, pairs.id))
    // Cards of an earlier program say less of their steps.
    .where(like(pairCards.madeFrom, `${edition} %`))
    .orderBy(desc(pairs.updatedAt))
    .limit(PAIRS)
  await others()
  const logs = new Map<string, StepEvent[]>()
  const events = await db
    .select()
    .from(stepEvents)
    .where(
      inArray(
        stepEvents.pairId,
        cards.map((c) => c.id),
      ),
    )
    .orderBy(asc(stepEvents.serial))
  for (const { pairId, step, what, at } of events) {
    const log = logs.get(pairId)
    if (log) log.push({ step, what, at })
    else logs.set(pairId, [{ step, what, at }])
  }
  await others()
  return paceOf(
    cards.flatMap(({ id, card }) =>
      card.steps.flatMap(({ key, minutes, ...step }) => {
        const runs = runsOf(logs.get(id) ?? [], step)
        return runs.flatMap((run) =>
          run.startedAt !== null && run.finishedAt !== null
            ? [{ key, planned: minutes, took: run.worked / 60_000 }]
            : [],
        )
      }),
    ),
  )
}
