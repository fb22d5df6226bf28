import { ensureChromium } from './chromium.mjs'
import { ensureBuilt, ensureInstalled, run } from './ensure.mjs'

const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm'
const step = (script, what, env) => {
  process.stdout.write(`\n== ${what}\n`)
  run(npm, ['run', '--silent', script], { what, env })
}

ensureInstalled()
const browser = ensureChromium()
step('lint', 'Lint')
step('format:check', 'Format check')
step('rules:check', 'Rules in docs/trade.md')
step('types', 'Type check')
step('unit', 'Unit tests')
ensureBuilt()
step('e2e', 'End-to-end tests', { GENTLE_AWL_CHROMIUM: browser })
process.stdout.write('\nAll of it passed.\n')
