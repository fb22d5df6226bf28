import {
  stepState,
  type CheckReading,
  type GivenUp,
  type Known,
  type NewReading,
  type Setback,
  type Spoilt,
} from '@gentle-awl/core'
import { asc, desc, eq } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { notThere, StoreError } from './errors.ts'
import type { Reader, Tx } from './open.ts'
import { readPhotographs, type Photograph } from './photographs.ts'
import { viewPair } from './pairs.ts'
import { readings, setbacks } from './recordSchema.ts'
import { pairs } from './schema.ts'
import { addEvent, logOfPair } from './stepLog.ts'

export type StoredSetback = Setback & { id: string }

/** What is on record of a pair besides its log and its cuts. */
export interface PairRecord {
  readings: CheckReading[]
  setbacks: StoredSetback[]
  photographs: Photograph[]
  givenUp: GivenUp | null
}

export async function readReadings(db: Reader, pairId: string): Promise<CheckReading[]> {
  const rows = await db.select().from(readings).where(eq(readings.pairId, pairId)).orderBy(asc(readings.serial))
  return rows.map(({ check, foot, value, fine, note, revision, at }) => ({
    check,
    foot,
    value,
    fine,
    note,
    revision,
    at,
  }))
}

export async function readSetbacks(db: Reader, pairId: string): Promise<StoredSetback[]> {
  const rows = await db.select().from(setbacks).where(eq(setbacks.pairId, pairId)).orderBy(asc(setbacks.serial))
  return rows.map(({ serial: _serial, pairId: _pair, ...rest }) => rest)
}

export async function readGivenUp(db: Reader, pairId: string): Promise<GivenUp | null> {
  const [row] = await db.select({ givenUp: pairs.givenUp }).from(pairs).where(eq(pairs.id, pairId))
  if (!row) throw notThere('pair')
  return row.givenUp
}

export async function readRecord(db: Reader, pairId: string): Promise<PairRecord> {
  const givenUp = await readGivenUp(db, pairId)
  return {
    readings: await readReadings(db, pairId),
    setbacks: await readSetbacks(db, pairId),
    photographs: await readPhotographs(db, pairId),
    givenUp,
  }
}

/** Puts a reading on record, with the revision it was taken of. Throws StoreError when the pair is gone. */
export async function addReading(tx: Tx, pairId: string, reading: NewReading): Promise<void> {
  const { revision } = await viewPair(tx, pairId)
  await tx.insert(readings).values({ id: uuid(), pairId, ...reading, revision, at: new Date().toISOString() })
}

/** What a setback says, with the steps it opens as the log knows them. */
export interface SentBack {
  step: string
  name: string
  foot: Setback['foot']
  reason: string
  check: string
  steps: readonly Known[]
  parts: Spoilt[]
  minutes: number
}

/**
 * Opens steps again, and keeps why. Throws StoreError when one of them was not begun: the page that asks for it is behind.
 * Nothing is opened then.
 */
export async function sendBack(tx: Tx, pairId: string, { steps, ...said }: SentBack): Promise<void> {
  const { revision } = await viewPair(tx, pairId)
  const log = await logOfPair(tx, pairId)
  if (steps.some((s) => stepState(log, s) === 'open')) {
    throw new StoreError(
      'in the way',
      'Out of step',
      'One of these steps is open already. Reload to see the log as it is; nothing was sent back.',
    )
  }
  const at = new Date().toISOString()
  for (const { id } of steps) await addEvent(tx, pairId, { step: id, what: 'sent back', at })
  await tx.insert(setbacks).values({ id: uuid(), pairId, ...said, steps: steps.map((s) => s.id), revision, at })
}

/** Takes the latest setback back, as long as none of its steps was begun anew. Throws StoreError otherwise. */
export async function takeBackSetback(
  tx: Tx,
  pairId: string,
  id: string,
  known: (step: string) => Known,
): Promise<void> {
  const [latest] = await tx
    .select()
    .from(setbacks)
    .where(eq(setbacks.pairId, pairId))
    .orderBy(desc(setbacks.serial))
    .limit(1)
  if (latest?.id !== id) throw notThere('latest setback')
  const log = await logOfPair(tx, pairId)
  const steps = latest.steps.map(known)
  if (steps.some((s) => stepState(log, s) !== 'open')) {
    throw new StoreError(
      'in the way',
      'Work went on',
      'One of its steps was begun anew meanwhile: it stays on record. What was done is not lost.',
    )
  }
  const at = new Date().toISOString()
  for (const { id: step } of steps) await addEvent(tx, pairId, { step, what: 'undone', at })
  await tx.delete(setbacks).where(eq(setbacks.id, id))
}

/** Gives a pair up, or takes it up again with null. */
export async function giveUp(tx: Tx, pairId: string, givenUp: Omit<GivenUp, 'at'> | null): Promise<void> {
  await readGivenUp(tx, pairId)
  await tx
    .update(pairs)
    .set({ givenUp: givenUp && { ...givenUp, at: new Date().toISOString() } })
    .where(eq(pairs.id, pairId))
}
