import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { ensureBuilt, ensureInstalled, root } from './ensure.mjs'

/** Installs and builds what is missing, then runs the server. */
export function serve(env) {
  ensureInstalled()
  ensureBuilt()
  runServer(env)
}

/** Runs the built server until it is told to stop. */
export function runServer(env) {
  const server = spawn(process.execPath, [join(root, 'server', 'dist', 'main.js')], {
    cwd: root,
    stdio: 'inherit',
    env: { NODE_ENV: 'production', LOG_LEVEL: 'warn', ...process.env, ...env },
  })
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
  server.on('exit', (code) => process.exit(code ?? 0))
}
