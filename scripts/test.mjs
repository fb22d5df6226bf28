import { ensureChromium } from './chromium.mjs'
import { ensureBuilt, ensureInstalled, run } from './ensure.mjs'
import { together } from './together.mjs'

const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm'
const step = (script, what, env) => {
  process.stdout.write(`\n== ${what}\n`)
  run(npm, ['run', '--silent', script], { what, env })
}

/** `--all`: sweeps try everything on everything, which a usual run tries on every second. */
const all = process.argv.includes('--all')
ensureInstalled()
const browser = ensureChromium()
const sound = await together([
  ['Lint', ['npm', 'run', '--silent', 'lint']],
  ['Format check', ['npm', 'run', '--silent', 'format:check']],
  ['Rules in docs/trade.md', ['npm', 'run', '--silent', 'rules:check']],
  ['Dead exports', ['npm', 'run', '--silent', 'dead']],
  ['Type check', ['npm', 'run', '--silent', 'types']],
])
if (!sound) process.exit(1)
step('unit', 'Unit tests', all ? { VITE_THOROUGH: '1' } : {})
ensureBuilt()
step('e2e', 'End-to-end tests', { GENTLE_AWL_CHROMIUM: browser })
process.stdout.write('\nAll of it passed.\n')
