import { spawn, type ChildProcess } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

export interface RunningServer {
  url: string
  data: string
  /** Kills without notice (as a power cut would) or stops in order. */
  kill: (signal: 'SIGKILL' | 'SIGTERM') => Promise<void>
  /** Ends it and removes its data. */
  end: () => Promise<void>
}

const root = join(fileURLToPath(new URL('.', import.meta.url)), '..')

/** An empty folder, or a copy of the demo workshop that was made for this run. */
function freshFolder(demo: boolean): string {
  const folder = mkdtempSync(join(tmpdir(), 'gentle-awl-'))
  const template = process.env.GENTLE_AWL_TEMPLATE
  if (demo && template) cpSync(template, folder, { recursive: true })
  return folder
}

/** Starts the built server with the demo workshop, in a folder and on a port of its own (or given ones, to start again). */
export async function startServer(given?: string, demo = true, port = '0'): Promise<RunningServer> {
  const data = given ?? freshFolder(demo)
  const child: ChildProcess = spawn(process.execPath, [join(root, 'server', 'dist', 'main.js')], {
    env: { ...process.env, PORT: port, GENTLE_AWL_DATA: data, GENTLE_AWL_DEMO: demo ? '1' : '0', LOG_LEVEL: 'error' },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const url = await new Promise<string>((resolve, reject) => {
    child.stdout?.on('data', (chunk: Buffer) => {
      const match = /http:\/\/\S+/.exec(chunk.toString())
      if (match) resolve(match[0])
    })
    child.on('exit', (code) => reject(new Error(`The server ended with ${code} before it was ready.`)))
  })
  const kill = (signal: 'SIGKILL' | 'SIGTERM') =>
    new Promise<void>((resolve) => {
      if (child.exitCode !== null || child.signalCode !== null) return resolve()
      child.once('exit', () => resolve())
      child.kill(signal)
    })
  return {
    url,
    data,
    kill,
    end: async () => {
      await kill('SIGTERM')
      rmSync(data, { recursive: true, force: true })
    },
  }
}
