import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ensureBuilt, ensureInstalled, root } from './ensure.mjs'
import { runServer } from './serve.mjs'

/**
 * npm run restore -- [FILE] [--demo] [--no-start]: puts a backup in the place of the workshop's database and starts the
 * server on it. Without a file it lists the backups.
 */
const words = process.argv.slice(2)
const [file, more] = words.filter((w) => !w.startsWith('--'))
const unknown = words.find((w) => w.startsWith('--') && !['--demo', '--no-start'].includes(w))
if (unknown !== undefined || more !== undefined) {
  process.stderr.write('Use it as: npm run restore -- [FILE] [--demo] [--no-start]\n')
  process.exit(1)
}
const env = words.includes('--demo') ? { GENTLE_AWL_DEMO: '1' } : {}
ensureInstalled()
ensureBuilt()
const { status } = spawnSync(
  process.execPath,
  [join(root, 'server', 'dist', 'restore.js'), ...(file === undefined ? [] : [file])],
  { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } },
)
if (status !== 0) process.exit(status ?? 1)
if (file !== undefined && !words.includes('--no-start')) runServer(env)
