import { createClient, type Client } from '@libsql/client'
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql'
import { migrate } from 'drizzle-orm/libsql/migrator'
import { copiesIn, makeCopy, newestGood } from './backups.ts'
import { filesOf, isMissing, ownFiles, ownFolder, StartProblem } from './dataFolder.ts'
import { FilesInPlace } from './filesInPlace.ts'
import { lockFolder } from './folderLock.ts'
import { newestMigration } from './migrations.ts'
import { PATIENCE, PatientClient, patiently } from './patientClient.ts'
import { putBack, type PutBack } from './putBack.ts'
import { openFile } from './openFile.ts'
import * as records from './recordSchema.ts'
import * as documents from './schema.ts'
import { contentOf, damageOf } from './soundness.ts'
import { inTurn } from './turn.ts'

const schema = { ...documents, ...records }
export type Db = LibSQLDatabase<typeof schema>
/** What reads and writes inside one transaction. */
export type Tx = Parameters<Parameters<Db['transaction']>[0]>[0]

/** Reads may be part of a write or stand alone. */
export type Reader = Db | Tx

/** The newest backup that was made or tried. */
export interface LastBackup {
  at: string
  name: string | null
  /** Why there is none; empty when all went well. */
  problem: string
}

export interface Store {
  readonly db: Db
  /** Folder of the database; null for one on a server. */
  folder: string | null
  /**
   * Runs a write as one transaction, after those asked for before it. Throws StoreError when the database cannot be
   * written now.
   */
  write: <T>(work: (tx: Tx) => Promise<T>) => Promise<T>
  /**
   * Copies the database into the backup folder and keeps copies by their age; does nothing for a database on a server.
   * Throws when it could not.
   */
  backUp: (label?: string) => Promise<string | null>
  lastBackup: () => LastBackup | null
  /** Puts a copy in the place of the database, after the writes asked for before it. Throws StartProblem when it is no good. */
  restore: (copy: string) => Promise<PutBack>
  /** Throws StoreError with a sentence while nothing could be saved. */
  ready: () => Promise<void>
  /** Writes the last saves into the database file itself and lets go of it. */
  close: () => Promise<void>
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

/**
 * Opens (and migrates) the database. `address` is a folder for a local file, or the URL of a libSQL server.
 * `migrations` is the folder of generated migrations. Throws StartProblem with a sentence when the folder is in use,
 * the database is damaged, newer than the program, or missing beside good backups: nothing is begun then.
 */
export async function openStore(address: string, migrations: string): Promise<Store> {
  return /^(libsql|https?|wss?):/.test(address) ? remoteStore(address, migrations) : localStore(address, migrations)
}

async function remoteStore(url: string, migrations: string): Promise<Store> {
  const client = new PatientClient(createClient({ url }))
  const db = drizzle(client, { schema })
  await migrate(db, { migrationsFolder: migrations })
  const turn = inTurn()
  return {
    db,
    folder: null,
    write: (work) => turn(() => transact(db, work)),
    backUp: async () => null,
    lastBackup: () => null,
    restore: async () => {
      throw new StartProblem('The database is on a server: copies are made and put back there.')
    },
    ready: async () => {
      await client.execute('SELECT 1')
    },
    close: async () => client.close(),
  }
}

async function localStore(folder: string, migrations: string): Promise<Store> {
  ownFolder(folder)
  const unlock = await lockFolder(folder)
  try {
    return await lockedStore(folder, migrations, unlock)
  } catch (error) {
    await unlock()
    throw error
  }
}

async function lockedStore(folder: string, migrations: string, unlock: () => Promise<void>): Promise<Store> {
  const { database, backups } = filesOf(folder)
  const newest = newestMigration(migrations)
  let last: LastBackup | null = null
  const turn = inTurn()

  const backUp = async (from: Client, label = ''): Promise<string> => {
    const at = new Date().toISOString()
    try {
      await from.execute('PRAGMA wal_checkpoint(TRUNCATE)')
      const name = await makeCopy(from, backups, label)
      last = { at, name, problem: '' }
      return name
    } catch (error) {
      last = {
        at,
        name: null,
        problem: `No backup could be made: ${(error as Error).message}. Make room on the disk, or see whether the folder can be written to.`,
      }
      throw error
    }
  }

  /** The database opened, looked at and brought up to date. */
  const open = async () => {
    const fresh = isMissing(database)
    const client = new PatientClient(openFile(database))
    try {
      await client.execute('PRAGMA journal_mode = WAL')
      const damage = await damageOf(client)
      if (damage !== null) throw new Error(damage)
    } catch (error) {
      client.close()
      throw new StartProblem(
        `The database ${database} is damaged (${(error as Error).message.replaceAll(/\s+/g, ' ')}). Nothing was started. ${await adviceFor(backups)}`,
      )
    }
    try {
      const { migrated } = await contentOf(client)
      if (migrated > newest) {
        throw new StartProblem(
          `The database in ${folder} was written by a newer Gentle Awl than this one. Nothing was started; bring the program up to date.`,
        )
      }
      if (!fresh && migrated < newest) {
        await backUp(client, 'before-migration').catch((error: Error) => {
          throw new StartProblem(
            `The database has to be brought up to date, but no backup could be made before it: ${error.message}. Nothing was changed; make room on the disk and start again.`,
          )
        })
      }
      const db = drizzle(client, { schema })
      await migrate(db, { migrationsFolder: migrations })
      ownFiles(folder)
      return { client, db, files: new FilesInPlace(folder) }
    } catch (error) {
      client.close()
      throw error
    }
  }

  if (isMissing(database) && copiesIn(backups).length > 0) {
    throw new StartProblem(
      `There is no database in ${folder}, or an empty one, but there are backups of it. Nothing was started. ${await adviceFor(backups)} To begin an empty workshop on purpose, move the folder ${backups} elsewhere first.`,
    )
  }
  let now = await open()

  return {
    get db() {
      return now.db
    },
    folder,
    write: (work) => {
      const until = Date.now() + PATIENCE
      return turn(async () => {
        await now.files.expect(now.client)
        const result = await patiently(() => transact(now.db, work), until)
        // A database that was removed meanwhile took the save with it.
        await now.files.expect(now.client)
        return result
      })
    },
    backUp: (label) => turn(() => backUp(now.client, label)),
    lastBackup: () => last,
    restore: (copy) =>
      turn(async () => {
        await now.client.execute('PRAGMA wal_checkpoint(TRUNCATE)').catch(() => {
          // A database that is too damaged for it is set aside as it is.
        })
        now.client.close()
        try {
          return await putBack(folder, copy, newest)
        } finally {
          now = await open()
        }
      }),
    ready: () =>
      turn(async () => {
        await now.files.expect(now.client)
        await patiently(() => transact(now.db, async () => undefined), Date.now())
      }),
    close: async () => {
      await turn(async () => {
        if (now.client.closed) return
        await now.client.execute('PRAGMA wal_checkpoint(TRUNCATE)').catch(() => {
          // Held or gone: what was saved stays where it is, and is read from there at the next start.
        })
        now.client.close()
        await unlock()
      })
    },
  }
}

/** What to do about a database that cannot be used. */
async function adviceFor(backups: string): Promise<string> {
  const good = await newestGood(backups)
  if (!good) return 'There is no backup that could be put back.'
  const { pairs } = good.content
  return `The newest good backup is ${good.copy.name}, with ${pairs} pair${pairs === 1 ? '' : 's'}; put it back with: npm run restore -- ${good.copy.name}`
}
