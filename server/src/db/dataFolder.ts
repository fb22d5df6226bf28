import { chmodSync, existsSync, mkdirSync, statSync } from 'node:fs'
import { join } from 'node:path'

/** Why the workshop cannot be opened, as a sentence for whoever starts it: what is wrong, and what to do. */
export class StartProblem extends Error {
  override readonly name = 'StartProblem'
}

export const DATABASE = 'gentle-awl.sqlite'

/** Files of the workshop in its folder. */
export const filesOf = (folder: string) => ({
  database: join(folder, DATABASE),
  /** What SQLite keeps beside it while it is open: the last saves may still lie in the first. */
  beside: [join(folder, `${DATABASE}-wal`), join(folder, `${DATABASE}-shm`)],
  backups: join(folder, 'backups'),
  setAside: join(folder, 'set-aside'),
  /** Results that take long; can be deleted at any time. */
  kept: join(folder, 'kept'),
  lock: join(folder, 'running.lock'),
  runner: join(folder, 'running.txt'),
})

/** Address of a database file for the driver: a folder's name may hold what means something in an address. */
export const addressOf = (file: string): string =>
  `file:${file.replaceAll('\\', '/').split('/').map(encodeURIComponent).join('/')}`

/** Makes the folder where it is missing, for its owner's eyes alone. */
export function ownFolder(folder: string): void {
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 })
    chmodSync(folder, 0o700)
  } catch (error) {
    throw new StartProblem(
      `The data folder ${folder} cannot be used (${(error as Error).message}). Set GENTLE_AWL_DATA to a folder that you may write to.`,
    )
  }
}

/** Nobody but the owner reads the database and what lies beside it. */
export function ownFiles(folder: string): void {
  const { database, beside } = filesOf(folder)
  for (const file of [database, ...beside]) if (existsSync(file)) chmodSync(file, 0o600)
}

/** A database that is missing, or was made and never filled. */
export const isMissing = (file: string): boolean => !existsSync(file) || statSync(file).size === 0
