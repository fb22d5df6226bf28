import { spawn } from 'node:child_process'
import { ensureChromium } from './chromium.mjs'
import { ensureBuilt, ensureInstalled, run } from './ensure.mjs'

const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm'
const step = (script, what, env) => {
  process.stdout.write(`\n== ${what}\n`)
  run(npm, ['run', '--silent', script], { what, env })
}

/** Checks that do not touch each other run side by side; each says its piece when all are done. Ends the process when one fails. */
async function together(checks) {
  const results = await Promise.all(
    checks.map(
      ([script, what]) =>
        new Promise((resolve) => {
          const child = spawn(npm, ['run', '--silent', script], { shell: process.platform === 'win32' })
          const said = []
          child.stdout.on('data', (d) => said.push(d))
          child.stderr.on('data', (d) => said.push(d))
          child.on('error', (e) => resolve({ what, code: 1, text: e.message }))
          child.on('close', (code) => resolve({ what, code, text: Buffer.concat(said).toString() }))
        }),
    ),
  )
  for (const { what, code, text } of results)
    process.stdout.write(`\n== ${what}${code === 0 ? '' : ' FAILED'}\n${text}`)
  if (results.some((r) => r.code !== 0)) process.exit(1)
}

ensureInstalled()
const browser = ensureChromium()
await together([
  ['lint', 'Lint'],
  ['format:check', 'Format check'],
  ['rules:check', 'Rules in docs/trade.md'],
  ['types', 'Type check'],
])
step('unit', 'Unit tests')
ensureBuilt()
step('e2e', 'End-to-end tests', { GENTLE_AWL_CHROMIUM: browser })
process.stdout.write('\nAll of it passed.\n')
