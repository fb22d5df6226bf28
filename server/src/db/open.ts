import { mkdirSync, readdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { createClient, type Client } from '@libsql/client'
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql'
import { migrate } from 'drizzle-orm/libsql/migrator'
import * as schema from './schema.ts'
import { inTurn } from './turn.ts'

export type Db = LibSQLDatabase<typeof schema>
/** What reads and writes inside one transaction. */
export type Tx = Parameters<Parameters<Db['transaction']>[0]>[0]

export interface Store {
  db: Db
  /** Runs a write as one transaction, after those asked for before it. */
  write: <T>(work: (tx: Tx) => Promise<T>) => Promise<T>
  /** Copies the database into the backup folder, keeps the newest; does nothing for a database on a server. */
  backUp: () => Promise<void>
  close: () => void
}

/**
 * One transaction. After a full disk SQLite has rolled back by itself and the driver then complains about that;
 * what the caller must see is the error of the work.
 */
async function transact<T>(db: Db, work: (tx: Tx) => Promise<T>): Promise<T> {
  let first: { error: unknown } | null = null
  try {
    return await db.transaction(async (tx) => {
      try {
        return await work(tx)
      } catch (error) {
        first = { error }
        throw error
      }
    })
  } catch (error) {
    throw first === null ? error : (first as { error: unknown }).error
  }
}

const BACKUPS_KEPT = 14

/**
 * Opens (and migrates) the database. `address` is a folder for a local file, or the URL of a libSQL server.
 * `migrations` is the folder of generated migrations.
 */
export async function openStore(address: string, migrations: string): Promise<Store> {
  const remote = /^(libsql|https?|wss?):/.test(address)
  if (!remote) mkdirSync(address, { recursive: true })
  const client: Client = createClient({ url: remote ? address : `file:${join(address, 'gentle-awl.sqlite')}` })
  if (!remote) {
    await client.execute('PRAGMA journal_mode = WAL')
    await client.execute('PRAGMA busy_timeout = 5000')
  }
  await client.execute('PRAGMA foreign_keys = ON')
  const db = drizzle(client, { schema })
  await migrate(db, { migrationsFolder: migrations })
  const turn = inTurn()
  return {
    db,
    write: (work) => turn(() => transact(db, work)),
    backUp: async () => {
      if (remote) return
      const folder = join(address, 'backups')
      mkdirSync(folder, { recursive: true })
      const name = `gentle-awl-${new Date().toISOString().slice(0, 19).replaceAll(':', '')}.sqlite`
      rmSync(join(folder, name), { force: true })
      await turn(() => client.execute({ sql: 'VACUUM INTO ?', args: [join(folder, name)] }))
      const old = readdirSync(folder)
        .filter((f) => /^gentle-awl-.*\.sqlite$/.test(f))
        .sort()
        .slice(0, -BACKUPS_KEPT)
      for (const f of old) rmSync(join(folder, f), { force: true })
    },
    close: () => client.close(),
  }
}
