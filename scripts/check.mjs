import { ensureInstalled, run } from './ensure.mjs'
import { together } from './together.mjs'

/** What to run before a commit: the checks with what they remember of the last time, and the unit tests of what was changed since. */
ensureInstalled()
const cache = 'node_modules/.cache'
const sound = await together([
  ['Lint', ['npx', 'eslint', '.', '--max-warnings', '0', '--cache', '--cache-location', `${cache}/eslint/`]],
  ['Format check', ['npx', 'prettier', '--check', '.', '--cache']],
  ['Rules in docs/trade.md', ['npx', 'tsx', 'scripts/write-trade.ts', '--check']],
  ['Dead exports', ['npx', 'knip']],
  ['Types', ['npm', 'run', '--silent', 'types']],
])
if (!sound) process.exit(1)
const npx = process.platform === 'win32' ? 'npx.cmd' : 'npx'
run(npx, ['vitest', 'run', '--changed', '--passWithNoTests'], { what: 'Unit tests of what was changed' })
