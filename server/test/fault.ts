import { spawn, type ChildProcess } from 'node:child_process'
import { createHash } from 'node:crypto'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { addressOf } from '../src/db/dataFolder.ts'

export const root = join(fileURLToPath(new URL('.', import.meta.url)), '..', '..')
export const freshFolder = (name = 'gentle-awl-fault-') => mkdtempSync(join(tmpdir(), name))
export const hashOf = (file: string) => createHash('sha256').update(readFileSync(file)).digest('hex')

/** Runs a few lines in a process of their own and waits until they print "ready". */
export async function otherProcess(lines: string): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', lines], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  await new Promise<void>((resolve, reject) => {
    child.stdout?.on('data', (chunk: Buffer) => {
      if (chunk.toString().includes('ready')) resolve()
    })
    child.once('exit', (code) => reject(new Error(`It ended with ${code} before it was ready.`)))
  })
  return child
}
export const ended = (child: ChildProcess) =>
  new Promise<void>((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) resolve()
    else child.once('exit', () => resolve())
  })

/** Another program that holds a database for itself until it is killed. */
export const holder = (file: string) =>
  otherProcess(`
    import { createClient } from '@libsql/client'
    const client = createClient({ url: ${JSON.stringify(addressOf(file))}, timeout: 3000 })
    await client.transaction('write')
    console.log('ready')
    setInterval(() => {}, 1000)
  `)

/** How long the process was kept from anything else while something ran, ms. */
export async function longestBlock(work: () => Promise<unknown>): Promise<number> {
  let longest = 0
  let last = performance.now()
  const tick = setInterval(() => {
    const now = performance.now()
    longest = Math.max(longest, now - last - 5)
    last = now
  }, 5)
  try {
    await work()
    longest = Math.max(longest, performance.now() - last - 5)
  } finally {
    clearInterval(tick)
  }
  return longest
}
