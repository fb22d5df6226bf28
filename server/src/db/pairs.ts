import type {
  CupSole,
  Last,
  Made,
  Material,
  PairDecisions,
  PairFile,
  PairLabel,
  RuleFigures,
  StepEvent,
} from '@gentle-awl/core'
import { checkRuleFigures, mayServe, PAIR_FORMAT, PAIR_VERSION, roleNames, type MaterialRole } from '@gentle-awl/core'
import { and, asc, desc, eq, inArray, max, sql } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { notFound, Problem, stale } from '../http/problem.ts'
import type { Db, Tx } from './open.ts'
import { cupSoles, lasts, materials, pairRevisions, pairs, stepEvents, workshop, made } from './schema.ts'
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

type Reader = Db | Tx

/** What stands against reading a pair that is there: it stays on the list, and can be deleted. */
export const unreadable = () =>
  new Problem(
    422,
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

export async function viewPair(db: Reader, id: string): Promise<PairView> {
  const row = await rowOf(db, id)
  if (!row) throw notFound('pair')
  const head = await revisionOf(db, id, row.head)
  return {
    id,
    version: row.version,
    updatedAt: row.updatedAt,
    createdAt: row.createdAt,
    label: { order: row.order, name: row.name, trade: row.trade, note: row.note },
    decisions: head.decisions,
    revision: row.head,
    canUndo: head.parent !== null,
    canRedo: (await childOf(db, id, row.head)) !== null,
  }
}

const refused = (title: string, field: string, message: string) =>
  new Problem(422, title, message, [{ field: `decisions.${field}`, message }])

/** Throws 422 when decisions name a last, a cup sole or a material that is not in the workshop or cannot serve, or a rule that is none. */
async function checkReferences(tx: Tx, decisions: PairDecisions): Promise<void> {
  for (const [field, lastId] of [
    ['lastId', decisions.lastId],
    ['left.lastId', decisions.left?.lastId],
  ] as const) {
    if (!lastId) continue
    const [last] = await tx.select({ id: lasts.id }).from(lasts).where(eq(lasts.id, lastId))
    if (last) continue
    const whose = field === 'lastId' ? '' : ' for the left shoe'
    throw refused('Unknown last', field, `This last${whose} is not on the shelf. Choose another one.`)
  }
  if (decisions.cupSoleId !== null) {
    const [sole] = await tx.select({ id: cupSoles.id }).from(cupSoles).where(eq(cupSoles.id, decisions.cupSoleId))
    if (!sole) {
      throw refused('Unknown cup sole', 'cupSoleId', 'This cup sole is not in the stores any more. Choose another one.')
    }
  }
  const wanted = Object.entries(decisions.materials).filter((e): e is [MaterialRole, string] => e[1] !== null)
  const found = await tx
    .select({ id: materials.id, name: materials.name, kind: materials.kind })
    .from(materials)
    .where(
      inArray(
        materials.id,
        wanted.map(([, id]) => id),
      ),
    )
  const known = new Map(found.map((m) => [m.id, m]))
  for (const [role, id] of wanted) {
    const material = known.get(id)
    if (!material) {
      throw refused(
        'Unknown material',
        `materials.${role}`,
        `The material chosen for the ${role} is not in the stores. Choose another one.`,
      )
    }
    if (!mayServe(role, material.kind)) {
      throw refused(
        'Cannot serve',
        `materials.${role}`,
        `${roleNames[role]}: ${material.name} is ${material.kind}, which cannot serve here. Choose another material.`,
      )
    }
  }
  checkRuleFigures(decisions.rules)
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
  if (!row) throw notFound('pair')
  if (row.version !== version) throw stale('pair', await viewPair(tx, id))
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
    const [{ top }] = await tx
      .select({ top: max(pairRevisions.revision) })
      .from(pairRevisions)
      .where(eq(pairRevisions.pairId, id))
    next = (top ?? current.head) + 1
    const at = new Date().toISOString()
    await tx.insert(pairRevisions).values({ pairId: id, revision: next, parent: current.head, decisions, at })
  }
  await rewrite(tx, pairs, current, { ...label, ...lastsOf(decisions), head: next })
}

/** Moves the head one revision back or forward. Throws 409 when there is none. */
export async function moveHead(tx: Tx, id: string, version: number, way: 'undo' | 'redo'): Promise<void> {
  const current = await currentRow(tx, id, version)
  const head = await revisionOf(tx, id, current.head)
  const to = way === 'undo' ? head.parent : await childOf(tx, id, current.head)
  if (to === null) {
    throw new Problem(
      409,
      `Nothing to ${way}`,
      way === 'undo' ? 'This is the first revision.' : 'This is the newest revision.',
    )
  }
  const target = await revisionOf(tx, id, to)
  await rewrite(tx, pairs, current, { head: to, ...lastsOf(target.decisions) })
}

export async function readLog(db: Reader, pairId: string): Promise<(StepEvent & { id: string })[]> {
  const rows = await db.select().from(stepEvents).where(eq(stepEvents.pairId, pairId)).orderBy(asc(stepEvents.serial))
  return rows.map(({ id, step, what, at }) => ({ id, step, what, at }))
}

export async function readMade(db: Reader, pairId: string): Promise<Made[]> {
  const rows = await db.select().from(made).where(eq(made.pairId, pairId)).orderBy(asc(made.serial))
  return rows.map(({ part, name, how, print, revision, at }) => ({ part, name, how, print, revision, at }))
}

export async function readHouseRules(db: Reader): Promise<{ version: number; houseRules: RuleFigures }> {
  const [row] = await db.select().from(workshop)
  return row ? { version: row.version, houseRules: row.houseRules } : { version: 0, houseRules: {} }
}

/** The open pair file: everything the plan needs, and what was done. */
export async function pairFile(db: Reader, id: string): Promise<PairFile> {
  const view = await viewPair(db, id)
  const [last] = await db.select().from(lasts).where(eq(lasts.id, view.decisions.lastId))
  const leftId = view.decisions.left?.lastId ?? null
  const [leftLast] = leftId === null ? [] : await db.select().from(lasts).where(eq(lasts.id, leftId))
  const { cupSoleId } = view.decisions
  const [cupSole] = cupSoleId === null ? [] : await db.select().from(cupSoles).where(eq(cupSoles.id, cupSoleId))
  const ids = Object.values(view.decisions.materials).filter((m): m is string => m !== null)
  const used = await db.select().from(materials).where(inArray(materials.id, ids)).orderBy(asc(materials.name))
  const log = await readLog(db, id)
  const { houseRules } = await readHouseRules(db)
  return {
    format: PAIR_FORMAT,
    version: PAIR_VERSION,
    id,
    revision: view.revision,
    label: view.label,
    decisions: view.decisions,
    last: plainLast(last),
    leftLast: leftLast ? plainLast(leftLast) : null,
    cupSole: cupSole ? plainCupSole(cupSole) : null,
    materials: used.map(plainMaterial),
    houseRules,
    log: log.map(({ step, what, at }) => ({ step, what, at })),
    made: await readMade(db, id),
  }
}

export const plainLast = ({ id, name, note, shape, buildUps, stock }: Last): Last => ({
  id,
  name,
  note,
  shape,
  buildUps,
  stock,
})
export const plainCupSole = ({ id, name, note, outline, seat, tread, turned, flipped }: CupSole): CupSole => ({
  id,
  name,
  note,
  outline,
  seat,
  tread,
  turned,
  flipped,
})
export const plainMaterial = ({ id, name, kind, thickness, note, foamTest }: Material): Material => ({
  id,
  name,
  kind,
  thickness,
  note,
  foamTest,
})

/** Deletes a pair in just this version, whether or not it can be read. */
export async function deletePair(tx: Tx, id: string, version: number): Promise<void> {
  const [row] = await tx
    .select({ version: sql<string>`CAST(${pairs.version} AS TEXT)` })
    .from(pairs)
    .where(eq(pairs.id, id))
  if (!row) throw notFound('pair')
  if (Number(row.version) !== version) throw stale('pair', await viewPair(tx, id))
  await tx.delete(pairs).where(eq(pairs.id, id))
}
