import { eventsStanding, standingOf, stepState, type Known, type Standing, type StepEvent } from '@gentle-awl/core'
import { asc, eq, inArray } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { notThere, StoreError } from './errors.ts'
import type { Db, Reader, Tx } from './open.ts'
import { stepEvents } from './recordSchema.ts'
import { pairs } from './schema.ts'

type Row = typeof stepEvents.$inferSelect

const eventOf = ({ step, what, at, maker }: Row): StepEvent => ({
  step,
  what,
  at,
  ...(maker === null ? {} : { maker }),
})

export async function readLog(db: Reader, pairId: string): Promise<(StepEvent & { id: string })[]> {
  const rows = await db.select().from(stepEvents).where(eq(stepEvents.pairId, pairId)).orderBy(asc(stepEvents.serial))
  return rows.map((row) => ({ id: row.id, ...eventOf(row) }))
}

/** The logs of several pairs; one that has none is left out. */
export async function logsOf(db: Db, ids: readonly string[]): Promise<Map<string, StepEvent[]>> {
  const logs = new Map<string, StepEvent[]>()
  const rows = await db.select().from(stepEvents).where(inArray(stepEvents.pairId, ids)).orderBy(asc(stepEvents.serial))
  for (const row of rows) {
    const log = logs.get(row.pairId)
    if (log) log.push(eventOf(row))
    else logs.set(row.pairId, [eventOf(row)])
  }
  return logs
}

/** The log to write into. Throws StoreError when there is no such pair. */
export async function logOfPair(tx: Tx, pairId: string): Promise<StepEvent[]> {
  const [pair] = await tx.select({ id: pairs.id }).from(pairs).where(eq(pairs.id, pairId))
  if (!pair) throw notThere('pair')
  return readLog(tx, pairId)
}

export async function addEvent(tx: Tx, pairId: string, event: StepEvent): Promise<void> {
  await tx.insert(stepEvents).values({ id: uuid(), pairId, ...event })
}

/**
 * Corrects what a finished step took, its pauses with it: a start that was forgotten leaves none. It was finished when it
 * was, so that its wait runs on; the log keeps what stood in it before. Throws StoreError while the step is not finished.
 */
export async function correctMinutes(tx: Tx, pairId: string, known: Known, minutes: number): Promise<void> {
  const log = await logOfPair(tx, pairId)
  const standing = eventsStanding(log, known)
  const run = standing.slice(standing.findLastIndex((e) => e.what === 'sent back') + 1)
  const end = run.findIndex((e) => e.what === 'finished')
  if (stepState(log, known) !== 'finished' || end < 0) {
    throw new StoreError('in the way', 'Out of step', 'Only the time of a step that is done can be corrected.')
  }
  const finished = run[end]!
  const now = new Date().toISOString()
  const by = finished.maker ?? run[0]!.maker
  const event = (what: StepEvent['what'], at: string): StepEvent => ({
    step: known.id,
    what,
    at,
    ...(by ? { maker: by } : {}),
  })
  const started = new Date(Date.parse(finished.at) - minutes * 60_000).toISOString()
  const events = [
    ...run.map(() => event('undone', now)),
    event('started', started),
    event('finished', finished.at),
    // What was said of the wait since then stays said.
    ...run.slice(end + 1).map((e) => event(e.what, e.at)),
  ]
  for (const one of events) await addEvent(tx, pairId, one)
}

const MEANT: Record<
  Exclude<StepEvent['what'], 'sent back'>,
  (s: Standing, hasWait: boolean, log: boolean) => boolean
> = {
  started: (s) => s.state === 'open',
  paused: (s) => s.state === 'started' && s.pausedAt === null,
  resumed: (s) => s.state === 'started' && s.pausedAt !== null,
  finished: (s) => s.state === 'started',
  ready: (s, hasWait) => s.state === 'finished' && hasWait,
  'put right': (s, hasWait) => s.state === 'finished' && hasWait,
  undone: (_s, _w, said) => said,
}

const standingWords = (s: Standing): string =>
  s.state === 'open'
    ? 'not started yet'
    : s.state === 'finished'
      ? 'finished already'
      : s.pausedAt === null
        ? 'running already'
        : 'resting'

/** A step as the log is written for it: whether it has a wait that can be found over or put right. */
export type Told = Known & { hasWait?: boolean }

/**
 * Adds an event to a pair's log; the clock is the server's. Throws StoreError when it does not follow from where the
 * step stands.
 */
export async function logStep(
  tx: Tx,
  pairId: string,
  step: Told,
  what: keyof typeof MEANT,
  maker: string | null = null,
): Promise<void> {
  const log = await logOfPair(tx, pairId)
  const standing = standingOf(log, step)
  // A step that was sent back stands open, and that can be taken back too.
  if (!MEANT[what](standing, step.hasWait ?? false, eventsStanding(log, step).length > 0)) {
    const why =
      (what === 'ready' || what === 'put right') && !step.hasWait && standing.state === 'finished'
        ? 'This step has no wait that could be over.'
        : `This step is ${standingWords(standing)}, so it cannot be ${what}.`
    throw new StoreError('in the way', 'Out of step', `${why} Reload to see the log as it is.`)
  }
  const at = new Date().toISOString()
  await addEvent(tx, pairId, { step: step.id, what, at, ...(maker === null ? {} : { maker }) })
}
