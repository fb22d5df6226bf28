import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'

const USUAL = '/usr/bin/chromium'

/**
 * Path of the browser for the end-to-end tests: GENTLE_AWL_CHROMIUM, or Debian's chromium, which is installed with
 * apt-get when it is absent and we may. Ends the process with a sentence otherwise.
 */
export function ensureChromium() {
  const chosen = process.env.GENTLE_AWL_CHROMIUM
  if (chosen) {
    if (existsSync(chosen)) return chosen
    process.stderr.write(`GENTLE_AWL_CHROMIUM names ${chosen}, but there is no such file.\n`)
    process.exit(1)
  }
  if (existsSync(USUAL)) return USUAL
  const root = process.getuid?.() === 0
  const apt = spawnSync('apt-get', ['--version']).status === 0
  if (!root || !apt) {
    process.stderr.write(
      'The end-to-end tests need Chromium. Install the package "chromium", or set GENTLE_AWL_CHROMIUM to a browser.\n',
    )
    process.exit(1)
  }
  process.stdout.write('Installing the package chromium for the end-to-end tests ...\n')
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  for (const args of [
    ['update', '-qq'],
    ['install', '-y', '-qq', '--no-install-recommends', 'chromium'],
  ]) {
    const result = spawnSync('apt-get', args, { stdio: ['ignore', 'ignore', 'inherit'], env })
    if (result.status !== 0) {
      process.stderr.write(`apt-get ${args[0]} failed; install chromium by hand, or set GENTLE_AWL_CHROMIUM.\n`)
      process.exit(1)
    }
  }
  return USUAL
}
