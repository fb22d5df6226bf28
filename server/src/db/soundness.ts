import type { Client } from '@libsql/client'
import { openFile } from './openFile.ts'

/** How much a database holds, and up to which migration it was brought. */
export interface Content {
  pairs: number
  revisions: number
  steps: number
  lasts: number
  materials: number
  /** Time of its newest migration, as the journal has it; 0 when it was never migrated. */
  migrated: number
}

const tables = {
  pairs: 'pairs',
  revisions: 'pair_revisions',
  steps: 'step_events',
  lasts: 'lasts',
  materials: 'materials',
} as const

/** What a database holds, whether or not it is sound. */
export async function contentOf(client: Client): Promise<Content> {
  const { rows } = await client.execute("SELECT name FROM sqlite_master WHERE type = 'table'")
  const there = new Set(rows.map((r) => String(r.name)))
  const number = async (table: string, what: string) =>
    there.has(table) ? Number((await client.execute(`SELECT ${what} AS n FROM ${table}`)).rows[0]?.n ?? 0) : 0
  return {
    pairs: await number(tables.pairs, 'count(*)'),
    revisions: await number(tables.revisions, 'count(*)'),
    steps: await number(tables.steps, 'count(*)'),
    lasts: await number(tables.lasts, 'count(*)'),
    materials: await number(tables.materials, 'count(*)'),
    migrated: await number('__drizzle_migrations', 'max(created_at)'),
  }
}

/** Why a database is not sound, as SQLite says it; null when all of it can be read and nothing in it points nowhere. */
export async function damageOf(client: Client): Promise<string | null> {
  try {
    const { rows } = await client.execute('PRAGMA integrity_check(1)')
    const said = String(Object.values(rows[0] ?? { none: 'no answer' })[0])
    if (said !== 'ok') return said
    const broken = await client.execute('PRAGMA foreign_key_check')
    return broken.rows.length === 0
      ? null
      : `${broken.rows.length} entries of "${String(broken.rows[0]!.table)}" point to nothing`
  } catch (error) {
    return (error as Error).message
  }
}

/** Opens a database file on its own and looks at all of it. Throws an Error that says what is wrong with it. */
export async function examine(file: string): Promise<Content> {
  const client = openFile(file)
  try {
    const damage = await damageOf(client)
    if (damage !== null) throw new Error(damage)
    const content = await contentOf(client)
    if (content.migrated === 0) throw new Error('it is no database of Gentle Awl')
    return content
  } finally {
    client.close()
  }
}
