import { readFileSync, writeFileSync } from 'node:fs'
import type { Transaction } from '@libsql/client'
import { filesOf, StartProblem } from './dataFolder.ts'
import { openFile } from './openFile.ts'

/**
 * Takes the data folder for this process and no other. The lock is SQLite's own on a file of its own: the system lets
 * it go when the process ends, however it ends, so nothing has to be cleared away after a power cut. Throws
 * StartProblem when another process has it. Gives the way to let go.
 */
export async function lockFolder(folder: string): Promise<() => Promise<void>> {
  const { lock, runner } = filesOf(folder)
  const client = openFile(lock)
  let held: Transaction
  try {
    held = await client.transaction('write')
  } catch (error) {
    client.close()
    if (!/BUSY|locked/.test((error as Error).message)) throw error
    throw new StartProblem(
      `Gentle Awl already works in ${folder} (${whoRuns(runner)}). Use that one, or stop it first; two at once would write over each other.`,
    )
  }
  writeFileSync(runner, `process ${process.pid}, since ${new Date().toISOString()}\n`, { mode: 0o600 })
  return async () => {
    await held.rollback()
    client.close()
  }
}

function whoRuns(runner: string): string {
  try {
    return readFileSync(runner, 'utf8').trim()
  } catch {
    return 'another process'
  }
}
