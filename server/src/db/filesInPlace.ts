import { existsSync, statSync } from 'node:fs'
import { join } from 'node:path'
import type { Client } from '@libsql/client'
import { filesOf } from './dataFolder.ts'
import { StoreError } from './errors.ts'
import { nameOf } from './keepByAge.ts'

const identityOf = (file: string): string | null => {
  if (!existsSync(file)) return null
  const { dev, ino } = statSync(file)
  return `${dev}:${ino}`
}

/**
 * Watches that the database is still the file that was opened. A file that was removed or replaced while it is open
 * still takes what is written to it, and all of that is gone when the program ends: so nothing is acknowledged any
 * more, and what the program still holds is written to a file of its own.
 */
export class FilesInPlace {
  private readonly watched: { file: string; identity: string | null }[]
  private rescued: string | null = null

  constructor(private readonly folder: string) {
    const { database, beside } = filesOf(folder)
    this.watched = [database, beside[0]!].map((file) => ({ file, identity: identityOf(file) }))
  }

  /** Throws StoreError when the files are not those that were opened. */
  async expect(client: Client): Promise<void> {
    if (this.watched.every((w) => w.identity === null || identityOf(w.file) === w.identity)) return
    this.rescued ??= await this.rescue(client)
    throw new StoreError(
      'not now',
      'Database gone',
      `The database file was removed or replaced while Gentle Awl was running, so nothing is saved any more. ${this.rescued} Stop Gentle Awl, see what happened to the folder, and put a copy back with npm run restore.`,
    )
  }

  private async rescue(client: Client): Promise<string> {
    const file = join(this.folder, nameOf(Date.now(), 'rescued'))
    try {
      await client.execute({ sql: 'VACUUM INTO ?', args: [file] })
      return `What was saved until then was written to ${file}.`
    } catch (error) {
      return `What was saved until then could not be written out (${(error as Error).message}); the newest backup is in the folder backups.`
    }
  }
}
