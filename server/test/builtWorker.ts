import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { build } from 'vite'
import type { TestProject } from 'vitest/node'

declare module 'vitest' {
  interface ProvidedContext {
    /** Addresses of what threads do, bundled. */
    jobWorker: string
    layThread: string
    /** Folder in which lasts and formes are kept that some test has worked out already. */
    jobsKept: string
  }
}

const server = join(fileURLToPath(new URL('.', import.meta.url)), '..')

/** Bundles the program of the threads once for all tests: from source every thread of every test would load TypeScript anew. */
export default async function builtWorker({ provide }: TestProject): Promise<() => void> {
  const outDir = join(server, '..', 'node_modules', '.cache', 'test-worker')
  await build({
    root: server,
    logLevel: 'error',
    build: {
      outDir,
      rollupOptions: {
        input: {
          worker: join(server, 'src/jobs/worker.ts'),
          layThread: join(server, 'src/laying/layThread.ts'),
        },
      },
    },
  })
  provide('jobWorker', pathToFileURL(join(outDir, 'worker.js')).href)
  provide('layThread', pathToFileURL(join(outDir, 'layThread.js')).href)
  const kept = mkdtempSync(join(tmpdir(), 'gentle-awl-kept-'))
  provide('jobsKept', kept)
  return () => rmSync(kept, { recursive: true, force: true })
}
