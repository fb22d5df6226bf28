import { lastsOfPair, stepState, type OpenPair, type PairCard, type StepEvent, type StepWish } from '@gentle-awl/core'
import { asc, isNull, max, sql } from 'drizzle-orm'
import { others } from './others.ts'
import type { Db } from './open.ts'
import { stepEvents } from './recordSchema.ts'
import { pairs } from './schema.ts'
import { viewPair } from './pairs.ts'
import { logsOf } from './stepLog.ts'
import { wishesOf } from './stepWishes.ts'

/** A pair that cannot be laid out, and why. */
export interface LeftOut {
  pair: string
  why: string
}

/** So many pairs are laid out: those that are begun, then those that are due first, then the oldest. */
export const MOST_OPEN = 60
/** So many cards are made at a time. */
const AT_ONCE = 4

interface Row {
  id: string
  head: number
  /** Its newest event; 0 while nothing was begun. */
  serial: number
}

/** Pairs that are not finished, with their steps and what was done. What was found finished is remembered until it changes. */
export class OpenPairs {
  /** By pair: the revision and the newest event with which it was finished. */
  private readonly finished = new Map<string, string>()

  constructor(
    private readonly db: Db,
    private readonly card: (pairId: string) => Promise<PairCard>,
  ) {}

  /** The pairs to be laid out; those without a plan; and how many more are open than are laid out. */
  async read(): Promise<{ open: OpenPair[]; leftOut: LeftOut[]; more: number }> {
    const rows = (await this.rows()).filter((row) => this.finished.get(row.id) !== signOf(row))
    const open: OpenPair[] = []
    const leftOut: LeftOut[] = []
    let read = 0
    while (read < rows.length && open.length < MOST_OPEN) {
      const some = rows.slice(read, read + Math.min(AT_ONCE, MOST_OPEN - open.length))
      read += some.length
      const logs = await logsOf(
        this.db,
        some.map((r) => r.id),
      )
      const wishes = await wishesOf(
        this.db,
        some.map((r) => r.id),
      )
      await others()
      const cards = await Promise.all(some.map((row) => this.card(row.id)))
      for (const [k, row] of some.entries()) {
        const { steps, problem } = cards[k]!
        const log = logs.get(row.id) ?? []
        if (problem) leftOut.push({ pair: row.id, why: problem })
        else if (steps.every((s) => stepState(log, s) === 'finished')) this.finished.set(row.id, signOf(row))
        else open.push(await this.pair(row.id, steps, log, wishes.get(row.id) ?? []))
      }
    }
    return { open, leftOut, more: rows.length - read }
  }

  private async rows(): Promise<Row[]> {
    const serial = sql<number>`coalesce(${max(stepEvents.serial)}, 0)`
    return this.db
      .select({ id: pairs.id, head: pairs.head, serial })
      .from(pairs)
      .leftJoin(stepEvents, sql`${stepEvents.pairId} = ${pairs.id}`)
      .where(isNull(pairs.givenUp))
      .groupBy(pairs.id)
      .orderBy(sql`${serial} = 0`, sql`${pairs.due} IS NULL`, asc(pairs.due), asc(pairs.createdAt), asc(pairs.id))
  }

  private async pair(id: string, steps: PairCard['steps'], log: StepEvent[], wishes: StepWish[]): Promise<OpenPair> {
    const { label, decisions } = await viewPair(this.db, id)
    const { order, name, due, weight } = label
    return { id, order, name, due, weight, lasts: lastsOfPair(decisions), steps, log, wishes }
  }
}

const signOf = ({ head, serial }: Row): string => `${head} ${serial}`
