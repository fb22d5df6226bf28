import { mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, utimesSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { deserialize, serialize } from 'node:v8'
import type { Keeper } from '@gentle-awl/core'

/** Files kept: a last and its forme are about a megabyte. */
const MOST = 80
/** Every so many new ones the folder is looked through. */
const TIDY = 10
const HOUR = 3_600_000

/**
 * Keeps dear results in a folder, one file each, the longest unused going first. `edition` is the program's: what
 * another one worked out is not found. A file that cannot be read is like none; one that cannot be written is done
 * without: nothing here is more than time saved.
 */
export function diskKeeper(folder: string, edition: string): Keeper {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const fileOf = (key: string) => join(folder, `${edition}-${key}.kept`)
  let written = 0
  return {
    get: (key) => {
      const file = fileOf(key)
      try {
        const value: unknown = deserialize(readFileSync(file))
        const now = new Date()
        utimesSync(file, now, now)
        return value
      } catch {
        return undefined
      }
    },
    put: (key, value) => {
      const part = `${fileOf(key)}.${process.pid}.${Math.random().toString(36).slice(2)}.part`
      try {
        writeFileSync(part, serialize(value), { mode: 0o600 })
        renameSync(part, fileOf(key))
        if (written++ % TIDY === 0) tidy(folder, edition)
      } catch {
        rmSync(part, { force: true })
      }
    },
  }
}

/** Removes what other editions and ended threads left, and of this edition the longest unused. */
function tidy(folder: string, edition: string): void {
  const files = readdirSync(folder)
    .filter((n) => /\.(kept|part)$/.test(n))
    .map((name) => ({ name, used: statSync(join(folder, name)).mtimeMs }))
  const isMine = ({ name }: { name: string }) => name.startsWith(`${edition}-`)
  const whole = files.filter((f) => isMine(f) && f.name.endsWith('.kept'))
  const old = whole.sort((a, b) => b.used - a.used).slice(MOST)
  const left = files.filter((f) => !isMine(f) || (f.name.endsWith('.part') && f.used < Date.now() - HOUR))
  for (const { name } of [...old, ...left]) rmSync(join(folder, name), { force: true })
}
