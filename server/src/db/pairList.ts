import {
  stepState,
  type ConstructionName,
  type PairCard,
  type PairDecisions,
  type PairLike,
  type PairName,
  type PairPage,
  type PairRow,
  type PairSort,
  type PairStanding,
  type PatternKind,
  type StepEvent,
} from '@gentle-awl/core'
import { sql, type SQL } from 'drizzle-orm'
import type { Db } from './open.ts'
import { others } from './others.ts'

export interface PairQuery {
  search: string
  sort: PairSort
  page: number
  size: number
}

const LOST = 'What was saved of this pair is damaged. Delete it, or put it back from a backup.'

const sorts: Record<PairSort, SQL> = {
  changed: sql`p.updated_at DESC, p.id`,
  order: sql`length(p.order_number), p.order_number, p.id`,
  name: sql`p.name COLLATE NOCASE, p.id`,
}

/** Pairs whose order, name, trade or last holds every word of the search. */
function matching(search: string): SQL {
  const words = search
    .trim()
    .split(/\s+/)
    .filter((w) => w !== '')
  const parts = words.map(
    (w) =>
      sql`instr(lower(p.order_number || ' ' || p.name || ' ' || p.trade || ' ' || coalesce(l.name, '')), ${w.toLowerCase()}) > 0`,
  )
  return parts.length === 0 ? sql`1` : sql.join(parts, sql` AND `)
}

interface Raw {
  id: string
  version: string
  head: string
  updated_at: string
  order_number: string
  name: string
  trade: string
  note: string
  due: string | null
  weight: number
  given_up: number
  last_name: string | null
  decisions: string | null
  card: string | null
  made_from: string | null
}

const listed = (ids: readonly string[]): SQL =>
  sql.join(
    ids.map((id) => sql`${id}`),
    sql`, `,
  )

/**
 * One page of the list. Only the pairs of the page are looked into: their decisions, their cards, and the newest event
 * of each of their steps. `fresh` says what a card has to be made from to be up to date.
 */
export async function pairPage(
  db: Db,
  { search, sort, page, size }: PairQuery,
  fresh: (pairId: string, head: PairDecisions, revision: number) => string,
): Promise<PairPage> {
  const from = sql`FROM pairs p LEFT JOIN lasts l ON l.id = p.last_id WHERE ${matching(search)}`
  const [counted] = await db.all<{ n: number }>(sql`SELECT count(*) AS n ${from}`)
  const n = counted?.n ?? 0
  const pages = Math.max(1, Math.ceil(n / size))
  const at = Math.min(page, pages)
  const found = await db.all<{ id: string }>(
    sql`SELECT p.id ${from} ORDER BY ${sorts[sort]} LIMIT ${size} OFFSET ${(at - 1) * size}`,
  )
  const ids = found.map((p) => p.id)
  await others()
  // Numbers come as text: one that is larger than any we write must not keep the whole list from being read.
  const rows = await db.all<Raw>(sql`
    SELECT p.id, CAST(p.version AS TEXT) AS version, CAST(p.head AS TEXT) AS head, p.updated_at, p.order_number,
      p.name, p.trade, p.note, p.due, p.weight,
      p.given_up IS NOT NULL AS given_up, l.name AS last_name, r.decisions, c.card, c.made_from
    FROM pairs p
    LEFT JOIN lasts l ON l.id = p.last_id
    LEFT JOIN pair_revisions r ON r.pair_id = p.id AND r.revision = p.head AND json_valid(r.decisions)
    LEFT JOIN pair_cards c ON c.pair_id = p.id
    WHERE p.id IN (${listed(ids)})
  `)
  await others()
  const logs = await standingLogs(db, ids)
  await others()
  const byId = new Map(rows.map((row) => [row.id, row]))
  const pairs = ids.flatMap((id) => {
    const row = byId.get(id)
    return row ? [asRow(row, logs.get(id) ?? [], fresh)] : []
  })
  return { pairs, total: n, page: at, pages }
}

function asRow(row: Raw, log: StepEvent[], fresh: Parameters<typeof pairPage>[2]): PairRow {
  const revision = Number(row.head)
  const decisions =
    row.decisions === null || !Number.isSafeInteger(revision) ? null : (JSON.parse(row.decisions) as PairDecisions)
  const kept =
    decisions && row.card !== null && row.made_from === fresh(row.id, decisions, revision)
      ? (JSON.parse(row.card) as PairCard)
      : null
  return {
    id: row.id,
    version: Number(row.version),
    updatedAt: row.updated_at,
    label: {
      order: row.order_number,
      name: row.name,
      trade: row.trade,
      note: row.note,
      due: row.due,
      weight: row.weight,
    },
    lastName: row.last_name ?? '',
    construction: decisions?.construction ?? null,
    size: decisions?.size ?? null,
    card: kept && { problem: kept.problem, worst: kept.worst, shapes: kept.shapes },
    standing: kept && standingOf(kept, log),
    givenUp: row.given_up === 1,
    unreadable: decisions ? '' : LOST,
  }
}

export function standingOf(card: Pick<PairCard, 'steps'>, log: readonly StepEvent[]): PairStanding {
  const states = card.steps.map((s) => ({ name: s.name, state: stepState(log, s) }))
  return {
    done: states.filter((s) => s.state === 'finished').length,
    of: states.length,
    running: states.find((s) => s.state === 'started')?.name ?? null,
    next: states.find((s) => s.state === 'open')?.name ?? null,
  }
}

/**
 * For each pair the newest event of every step, which says how the step stands; where one of them took something back, all
 * of the pair's events: what it took back may stand under an earlier name of the step.
 */
export async function standingLogs(db: Db, ids: readonly string[]): Promise<Map<string, StepEvent[]>> {
  const logs = new Map<string, StepEvent[]>()
  const add = ({ pair_id, step, what, at }: StepEvent & { pair_id: string }) => {
    const log = logs.get(pair_id)
    if (log) log.push({ step, what, at })
    else logs.set(pair_id, [{ step, what, at }])
  }
  const newest = await db.all<StepEvent & { pair_id: string }>(sql`
    SELECT e.pair_id, e.step, e.what, e.at FROM step_events e WHERE e.serial IN (
      SELECT max(serial) FROM step_events WHERE pair_id IN (${listed(ids)}) GROUP BY pair_id, step
    ) ORDER BY e.serial
  `)
  const undone = new Set(newest.filter((e) => e.what === 'undone').map((e) => e.pair_id))
  newest.filter((e) => !undone.has(e.pair_id)).forEach(add)
  if (undone.size > 0) {
    const all = await db.all<StepEvent & { pair_id: string }>(sql`
      SELECT pair_id, step, what, at FROM step_events WHERE pair_id IN (${listed([...undone])}) ORDER BY serial
    `)
    all.forEach(add)
  }
  return logs
}

/** The newest pair of a style, one made in the same way first; null when there is none. */
export async function pairLike(db: Db, style: PatternKind, way: ConstructionName): Promise<PairLike | null> {
  const [row] = await db.all<{ id: string; order_number: string; name: string; decisions: string }>(sql`
    SELECT p.id, p.order_number, p.name, r.decisions
    FROM pairs p JOIN pair_revisions r ON r.pair_id = p.id AND r.revision = p.head AND json_valid(r.decisions)
    WHERE json_extract(r.decisions, '$.upper.style') = ${style}
    ORDER BY json_extract(r.decisions, '$.construction') = ${way} DESC, p.created_at DESC, p.id DESC LIMIT 1
  `)
  if (!row) return null
  const decisions = JSON.parse(row.decisions) as PairDecisions
  return { id: row.id, order: row.order_number, name: row.name, decisions }
}

export const pairNames = (db: Db): Promise<PairName[]> =>
  db.all<PairName>(sql`
    SELECT id, order_number AS "order", name, last_id AS "lastId", left_last_id AS "leftLastId"
    FROM pairs ORDER BY updated_at DESC, id
  `)
