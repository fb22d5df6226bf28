import { existsSync } from 'node:fs'
import { isAbsolute, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { copiesIn } from './db/backups.ts'
import { filesOf, StartProblem } from './db/dataFolder.ts'
import { openStore } from './db/open.ts'
import { restoreInto } from './db/restoreInto.ts'

/** `restore.js [FILE]`: puts a copy in the place of the database; without a file it lists the copies. */
const root = join(fileURLToPath(new URL('.', import.meta.url)), '..', '..')
const demo = process.env.GENTLE_AWL_DEMO === '1'
const folder = process.env.GENTLE_AWL_DATA ?? join(root, '.data', demo ? 'demo' : 'workshop')
const migrations = join(root, 'server', 'drizzle')
const [file] = process.argv.slice(2)

process.umask(0o077)
const { backups } = filesOf(folder)
const said = (text: string) => process.stdout.write(`${text}\n`)

/** A copy by its name in the backup folder, or any file by its path. */
function found(name: string): string {
  const path = [join(backups, name), isAbsolute(name) ? name : join(process.env.INIT_CWD ?? process.cwd(), name)].find(
    (p) => existsSync(p),
  )
  if (!path) throw new StartProblem(`There is no copy ${name} in ${backups}, and no such file.`)
  return path
}

try {
  if (file === undefined) {
    const copies = copiesIn(backups)
    said(copies.length === 0 ? `There is no backup in ${backups}.` : `Backups in ${backups}, the newest first:`)
    for (const c of copies) said(`  ${c.name}  ${(c.bytes / 1024).toFixed(0)} kB`)
    if (copies.length > 0) said('Put one back with: npm run restore -- NAME')
  } else {
    const { content, setAside } = await restoreInto(folder, found(file), migrations)
    // Opened once as the server will: checked, and brought up to date where it is older than the program.
    const store = await openStore(folder, migrations)
    await store.close()
    said(`${file} was put back: ${content.pairs} pairs, ${content.steps} entries in their logs.`)
    if (setAside) said(`What stood there before lies in ${setAside}.`)
  }
} catch (error) {
  if (!(error instanceof Error)) throw error
  process.stderr.write(`${error instanceof StartProblem ? error.message : (error.stack ?? error.message)}\n`)
  process.exitCode = 1
}
