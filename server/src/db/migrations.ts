import { readFileSync } from 'node:fs'
import { join } from 'node:path'

/** Time of the newest migration that this program knows, as its journal has it. */
export function newestMigration(folder: string): number {
  const journal = JSON.parse(readFileSync(join(folder, 'meta', '_journal.json'), 'utf8')) as {
    entries: { when: number }[]
  }
  return Math.max(...journal.entries.map((e) => e.when))
}
