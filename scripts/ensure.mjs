import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join, dirname } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = dirname(dirname(fileURLToPath(import.meta.url)))

/** Runs a command with its output shown; ends this process with a sentence when it fails. */
export function run(command, args, { env = {}, what }) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
  if (result.error || result.status !== 0) {
    process.stderr.write(`\n${what} failed${result.error ? `: ${result.error.message}` : ''}.\n`)
    process.exit(result.status || 1)
  }
}

const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm'

function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19)) {
    process.stderr.write(`Gentle Awl needs Node 20.19 or newer; this is ${process.versions.node}.\n`)
    process.exit(1)
  }
}

/** Installs what the lockfile names, once per lockfile. */
export function ensureInstalled() {
  checkNode()
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')
  const mark = join(root, 'node_modules', '.gentle-awl-lock')
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return
  process.stdout.write('Installing the packages named in package-lock.json ...\n')
  run(npm, ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { what: 'The installation' })
  writeFileSync(mark, lock)
}

function* filesUnder(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) {
      if (entry.name !== 'node_modules' && entry.name !== 'dist') yield* filesUnder(path)
    } else yield path
  }
}

/** One line for the state of all sources; equal lines mean that nothing has to be built. */
function stampOf(folders) {
  const hash = createHash('sha256')
  for (const folder of folders) {
    for (const file of [...filesUnder(join(root, folder))].sort()) {
      const { mtimeMs, size } = statSync(file)
      hash.update(`${file}|${mtimeMs}|${size}\n`)
    }
  }
  hash.update(readFileSync(join(root, 'package-lock.json')))
  return hash.digest('hex')
}

/** Builds pages and server when their sources changed since the last build. */
export function ensureBuilt() {
  for (const [name, folders] of [
    ['web', ['core/src', 'web']],
    ['server', ['core/src', 'server']],
  ]) {
    const mark = join(root, name, 'dist', '.built-from')
    const stamp = stampOf(folders)
    if (existsSync(mark) && readFileSync(mark, 'utf8') === stamp) continue
    process.stdout.write(`Building ${name} ...\n`)
    run(npm, ['run', 'build', '-w', name, '--loglevel=error'], { what: `Building ${name}` })
    writeFileSync(mark, stamp)
  }
}
