import { readdirSync, readFileSync } from 'node:fs'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'
import { bundles } from './scripts/testBundles.ts'

const limits = { testTimeout: 60_000, hookTimeout: 60_000 }
/** Tests that put something else in the place of a module, and those that ask for it in words: each file has a world of its own. */
const alone = readdirSync('web/src', { recursive: true, encoding: 'utf8' })
  .filter((f) => f.endsWith('.test.ts') && /\bvi\.mock\(|a world of its own/.test(readFileSync(`web/src/${f}`, 'utf8')))
  .map((f) => `web/src/${f}`)

export default defineConfig({
  test: {
    // Two cores are the least that a machine has; by its own count vitest leaves one of them idle.
    maxWorkers: 2,
    projects: [
      {
        test: {
          name: 'node',
          include: ['core/**/*.test.ts', 'server/**/*.test.ts', 'bench/**/*.test.ts'],
          globalSetup: 'server/test/builtWorker.ts',
          // Nothing of these is kept in a module and changed there: what one file loaded serves the next.
          isolate: false,
          // What is imported is what Node imports: a library that has a `then` of its own would be waited for without end.
          deps: { interopDefault: false },
          ...limits,
        },
      },
      {
        plugins: [vue()],
        test: {
          name: 'web',
          include: ['web/**/*.test.ts'],
          exclude: alone,
          environment: 'happy-dom',
          setupFiles: 'web/test/freshSettings.ts',
          isolate: false,
          ...limits,
        },
      },
      {
        plugins: [vue()],
        resolve: { alias: bundles },
        test: {
          name: 'web alone',
          globalSetup: 'scripts/testBundles.ts',
          include: alone,
          environment: 'happy-dom',
          setupFiles: 'web/test/freshSettings.ts',
          ...limits,
        },
      },
    ],
  },
})
