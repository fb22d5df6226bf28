import { copyFileSync, existsSync, mkdirSync, renameSync, rmSync } from 'node:fs'
import { basename, join } from 'node:path'
import type { Client } from '@libsql/client'
import { flush } from './backups.ts'
import { filesOf, ownFiles, ownFolder, StartProblem } from './dataFolder.ts'
import { openFile } from './openFile.ts'
import { examine, type Content } from './soundness.ts'

/** Tables whose rows carry a version that a page may hold in its hand. */
const VERSIONED = [
  'lasts',
  'materials',
  'pairs',
  'last_holds',
  'feet',
  'cup_soles',
  'hides',
  'layouts',
  'way_sets',
  'how_tos',
  'lessons',
  'own_faults',
  'workshop',
  'workshop_days',
]

export interface PutBack {
  content: Content
  /** Folder in which the state before lies, as it was; null when there was none. */
  setAside: string | null
}

/**
 * Puts a copy in the place of the database, which nobody may have open. The copy is taken to the folder, opened and
 * checked first; the present files, saves that still lie beside them included, are set aside whole; what SQLite keeps
 * beside the database goes, or it would be played over the copy; then the copy takes the database's name in one step.
 * Versions go on above those that were handed out, so that a page which is still open cannot save over what it has
 * not seen. Throws StartProblem, with everything left as it was, when the copy is no good.
 */
export async function putBack(folder: string, copy: string, newest: number, now = Date.now()): Promise<PutBack> {
  const { database, beside, setAside } = filesOf(folder)
  if (!existsSync(copy)) throw new StartProblem(`There is no file ${copy}.`)
  const fresh = join(folder, 'restoring.part')
  const clear = () => {
    for (const end of ['', '-wal', '-shm', '-journal']) rmSync(`${fresh}${end}`, { force: true })
  }
  clear()
  try {
    copyFileSync(copy, fresh)
    // A database that was copied by hand while it was open may have its last saves beside it.
    if (existsSync(`${copy}-wal`)) copyFileSync(`${copy}-wal`, `${fresh}-wal`)
    const content = await examine(fresh).catch((error: Error) => {
      throw new StartProblem(
        `${basename(copy)} cannot be put back: ${error.message}. Nothing was changed; choose another copy.`,
      )
    })
    if (content.migrated > newest) {
      throw new StartProblem(
        `${basename(copy)} was made by a newer Gentle Awl than this one. Nothing was changed; bring the program up to date first.`,
      )
    }
    await goOnAbove(fresh, await newestVersion(database))
    flush(fresh)
    const aside = existsSync(database) ? freeFolder(setAside, now) : null
    if (aside) {
      ownFolder(setAside)
      mkdirSync(aside, { recursive: true, mode: 0o700 })
      for (const file of [database, ...beside].filter((f) => existsSync(f))) {
        copyFileSync(file, join(aside, basename(file)))
        flush(join(aside, basename(file)))
      }
    }
    for (const file of beside) rmSync(file, { force: true })
    renameSync(fresh, database)
    ownFiles(folder)
    return { content, setAside: aside }
  } finally {
    clear()
  }
}

/** A folder named for a time that none has yet: nothing that was set aside is ever written over. */
function freeFolder(parent: string, now: number): string {
  for (let at = now; ; at += 1000) {
    const folder = join(parent, new Date(at).toISOString().slice(0, 19).replaceAll(':', ''))
    if (!existsSync(folder)) return folder
  }
}

/** The highest version of any document; 0 where the database cannot be read. */
async function newestVersion(database: string): Promise<number> {
  if (!existsSync(database)) return 0
  const client = openFile(database)
  try {
    let most = 0
    for (const table of await versioned(client)) {
      const { rows } = await client.execute(`SELECT max(version) AS v FROM ${table}`)
      most = Math.max(most, Number(rows[0]?.v ?? 0))
    }
    return most
  } catch {
    // What is put back is put back because this one is broken: then no page has anything of it to save.
    return 0
  } finally {
    client.close()
  }
}

/** Those that are in this database: an older one has fewer. */
async function versioned(client: Client): Promise<string[]> {
  const { rows } = await client.execute("SELECT name FROM sqlite_master WHERE type = 'table'")
  const there = new Set(rows.map((r) => String(r.name)))
  return VERSIONED.filter((table) => there.has(table))
}

async function goOnAbove(file: string, version: number): Promise<void> {
  const client = openFile(file)
  try {
    const tables = await versioned(client)
    await client.batch(
      tables.map((table) => ({ sql: `UPDATE ${table} SET version = version + ?`, args: [version] })),
      'write',
    )
    await client.execute('PRAGMA journal_mode = DELETE')
  } finally {
    client.close()
  }
}
