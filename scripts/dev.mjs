import { spawn } from 'node:child_process'
import { ensureInstalled, root } from './ensure.mjs'

/** For working on it: the server with the demo workshop and the pages, both from their sources, both loaded anew when a file is saved. */
ensureInstalled()
const shell = process.platform === 'win32'
const start = (command, args, env) =>
  spawn(command, args, { cwd: root, stdio: 'inherit', shell, env: { ...process.env, ...env } })
const both = [
  start('npx', ['tsx', 'watch', '--clear-screen=false', 'server/src/main.ts'], {
    GENTLE_AWL_DEMO: '1',
    GENTLE_AWL_DATA: process.env.GENTLE_AWL_DATA ?? '.data/dev',
    LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
  }),
  start('npx', ['vite', 'web'], {}),
]
const end = (code) => {
  for (const one of both) one.kill()
  process.exitCode = code
}
for (const one of both) one.on('exit', (code) => end(code ?? 0))
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => end(0))
