import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

const limits = { testTimeout: 60_000, hookTimeout: 60_000 }
/** Tests that put something else in the place of a module: each file has a world of its own. */
const alone = [
  'web/src/api/**/*.test.ts',
  'web/src/stores/**/*.test.ts',
  'web/src/workers/plan/**/*.test.ts',
  'web/src/rooms/lasts/**/*.test.ts',
  'web/src/rooms/pairs/pair/*.test.ts',
  'web/src/rooms/stores/hides/*.test.ts',
  'web/src/ui/chart.test.ts',
  'web/src/ui/gauge/*.test.ts',
]

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
        test: {
          name: 'web alone',
          include: alone,
          environment: 'happy-dom',
          setupFiles: 'web/test/freshSettings.ts',
          ...limits,
        },
      },
    ],
  },
})
