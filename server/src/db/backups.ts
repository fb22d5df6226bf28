import {
  chmodSync,
  closeSync,
  existsSync,
  fsyncSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs'
import { join } from 'node:path'
import type { Client } from '@libsql/client'
import { ownFolder } from './dataFolder.ts'
import { copyOf, nameOf, outOfDate, type Copy } from './keepByAge.ts'
import { contentOf, examine, type Content } from './soundness.ts'

const SECOND = 1000

/** Copies of the database in a folder, the newest first. */
export function copiesIn(folder: string): (Copy & { bytes: number })[] {
  if (!existsSync(folder) || !statSync(folder).isDirectory()) return []
  return readdirSync(folder)
    .flatMap((name) => copyOf(name) ?? [])
    .map((copy) => ({ ...copy, bytes: statSync(join(folder, copy.name)).size }))
    .sort((a, b) => b.at - a.at)
}

/** The newest copy that can be read whole, with what it holds; null when there is none. */
export async function newestGood(folder: string): Promise<{ copy: Copy; content: Content } | null> {
  for (const copy of copiesIn(folder)) {
    try {
      return { copy, content: await examine(join(folder, copy.name)) }
    } catch {
      // Not this one: the next older may be good.
    }
  }
  return null
}

/** Writes a file's content through to the disk. */
export function flush(path: string): void {
  const file = openSync(path, 'r')
  try {
    fsyncSync(file)
  } finally {
    closeSync(file)
  }
}

/**
 * Copies the database into the folder. The copy is written under another name, opened, checked and counted, and gets
 * its own name only then, so that whatever bears such a name is good; what a power cut left half-written is cleared
 * away. Afterwards copies that are out of date go. Gives the copy's name; throws when it could not be made.
 */
export async function makeCopy(client: Client, folder: string, label = '', now = Date.now()): Promise<string> {
  ownFolder(folder)
  for (const name of readdirSync(folder)) {
    if (/^gentle-awl-.*\.part(-wal|-shm|-journal)?$/.test(name)) rmSync(join(folder, name), { force: true })
  }
  let at = now
  while (existsSync(join(folder, nameOf(at, label)))) at += SECOND
  const name = nameOf(at, label)
  const part = join(folder, `${name}.part`)
  try {
    const content = await contentOf(client)
    await client.execute({ sql: 'VACUUM INTO ?', args: [part] })
    chmodSync(part, 0o600)
    const copied = await examine(part)
    if (JSON.stringify(copied) !== JSON.stringify(content)) throw new Error('the copy holds less than the database')
    flush(part)
    renameSync(part, join(folder, name))
  } finally {
    for (const end of ['', '-wal', '-shm', '-journal']) rmSync(`${part}${end}`, { force: true })
  }
  for (const old of outOfDate(copiesIn(folder), now)) rmSync(join(folder, old.name), { force: true })
  return name
}
