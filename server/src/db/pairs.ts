import type { PairDecisions, PairLabel } from '@gentle-awl/core'
import { and, desc, eq, max, sql } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { checkReferences } from './checkReferences.ts'
import { changedMeanwhile, notThere, StoreError } from './errors.ts'
import type { Reader, Tx } from './open.ts'
import { pairRevisions, pairs } from './schema.ts'
import { rewrite } from './shelf.ts'

/** A pair as it is sent: label, the decisions of its head revision, and whether undo and redo have somewhere to go. */
export interface PairView {
  id: string
  version: number
  updatedAt: string
  createdAt: string
  label: PairLabel
  decisions: PairDecisions
  revision: number
  canUndo: boolean
  canRedo: boolean
}

/** What stands against reading a pair that is there: it stays on the list, and can be deleted. */
export const unreadable = () =>
  new StoreError(
    'cannot be',
    'Cannot be read',
    'This pair cannot be read: what was saved of it is damaged. It can be deleted from the list, or put back from a backup.',
  )

async function rowOf(db: Reader, id: string) {
  try {
    const [row] = await db.select().from(pairs).where(eq(pairs.id, id))
    return row
  } catch (error) {
    // A number in it that is larger than any we write.
    if (isTooLarge(error)) throw unreadable()
    throw error
  }
}

const isTooLarge = (error: unknown): boolean =>
  error instanceof RangeError || (error instanceof Error && isTooLarge(error.cause))

async function revisionOf(db: Reader, pairId: string, revision: number) {
  try {
    const [row] = await db
      .select()
      .from(pairRevisions)
      .where(and(eq(pairRevisions.pairId, pairId), eq(pairRevisions.revision, revision)))
    if (row) return row
  } catch (error) {
    // Decisions that are no JSON any more.
    if (!(error instanceof SyntaxError)) throw error
  }
  throw unreadable()
}

/** The newest revision made from a given one: where redo goes. */
async function childOf(db: Reader, pairId: string, revision: number): Promise<number | null> {
  const [row] = await db
    .select({ revision: pairRevisions.revision })
    .from(pairRevisions)
    .where(and(eq(pairRevisions.pairId, pairId), eq(pairRevisions.parent, revision)))
    .orderBy(desc(pairRevisions.revision))
    .limit(1)
  return row?.revision ?? null
}

const labelOf = ({ order, name, trade, note, due, weight }: typeof pairs.$inferSelect): PairLabel => ({
  order,
  name,
  trade,
  note,
  due,
  weight,
})

export async function viewPair(db: Reader, id: string): Promise<PairView> {
  const row = await rowOf(db, id)
  if (!row) throw notThere('pair')
  const head = await revisionOf(db, id, row.head)
  return {
    id,
    version: row.version,
    updatedAt: row.updatedAt,
    createdAt: row.createdAt,
    label: labelOf(row),
    decisions: head.decisions,
    revision: row.head,
    canUndo: head.parent !== null,
    canRedo: (await childOf(db, id, row.head)) !== null,
  }
}

/** The lasts of a pair, as its row has them for lists. */
const lastsOf = ({ lastId, left }: PairDecisions) => ({ lastId, leftLastId: left?.lastId ?? null })

export async function createPair(
  tx: Tx,
  label: PairLabel,
  decisions: PairDecisions,
  id: string = uuid(),
  revision = 1,
): Promise<string> {
  await checkReferences(tx, decisions)
  const at = new Date().toISOString()
  await tx.insert(pairs).values({ id, ...label, ...lastsOf(decisions), head: revision, createdAt: at, updatedAt: at })
  await tx.insert(pairRevisions).values({ pairId: id, revision, parent: null, decisions, at })
  return id
}

/** The pair's row in just this version; a stale write is answered with the whole pair, so that both can be compared. */
async function currentRow(tx: Tx, id: string, version: number) {
  const row = await rowOf(tx, id)
  if (!row) throw notThere('pair')
  if (row.version !== version) throw changedMeanwhile('pair', await viewPair(tx, id))
  return row
}

/** Saves a new revision on top of the head; unchanged decisions make none. Nothing that was saved before is lost. */
export async function savePair(
  tx: Tx,
  id: string,
  version: number,
  label: PairLabel,
  decisions: PairDecisions,
): Promise<void> {
  const current = await currentRow(tx, id, version)
  await checkReferences(tx, decisions)
  const head = await revisionOf(tx, id, current.head)
  let next = current.head
  if (JSON.stringify(head.decisions) !== JSON.stringify(decisions)) {
    const [most] = await tx
      .select({ top: max(pairRevisions.revision) })
      .from(pairRevisions)
      .where(eq(pairRevisions.pairId, id))
    next = (most?.top ?? current.head) + 1
    const at = new Date().toISOString()
    await tx.insert(pairRevisions).values({ pairId: id, revision: next, parent: current.head, decisions, at })
  }
  await rewrite(tx, pairs, current, { ...label, ...lastsOf(decisions), head: next })
}

/** Moves the head one revision back or forward. Throws StoreError when there is none. */
export async function moveHead(tx: Tx, id: string, version: number, way: 'undo' | 'redo'): Promise<void> {
  const current = await currentRow(tx, id, version)
  const head = await revisionOf(tx, id, current.head)
  const to = way === 'undo' ? head.parent : await childOf(tx, id, current.head)
  if (to === null) {
    throw new StoreError(
      'in the way',
      `Nothing to ${way}`,
      way === 'undo' ? 'This is the first revision.' : 'This is the newest revision.',
    )
  }
  const target = await revisionOf(tx, id, to)
  await rewrite(tx, pairs, current, { head: to, ...lastsOf(target.decisions) })
}

/** Deletes a pair in just this version, whether or not it can be read. */
export async function deletePair(tx: Tx, id: string, version: number): Promise<void> {
  const [row] = await tx
    .select({ version: sql<string>`CAST(${pairs.version} AS TEXT)` })
    .from(pairs)
    .where(eq(pairs.id, id))
  if (!row) throw notThere('pair')
  if (Number(row.version) !== version) throw changedMeanwhile('pair', await viewPair(tx, id))
  await tx.delete(pairs).where(eq(pairs.id, id))
}
