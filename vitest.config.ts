import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

const limits = { testTimeout: 60_000, hookTimeout: 60_000 }

export default defineConfig({
  test: {
    // Two cores are the least that a machine has; by its own count vitest leaves one of them idle.
    maxWorkers: 2,
    projects: [
      {
        test: {
          name: 'node',
          include: ['core/**/*.test.ts', 'server/**/*.test.ts', 'bench/**/*.test.ts'],
          // Nothing of these is kept in a module and changed there: what one file loaded serves the next.
          isolate: false,
          ...limits,
        },
      },
      {
        plugins: [vue()],
        test: { name: 'web', include: ['web/**/*.test.ts'], environment: 'happy-dom', ...limits },
      },
    ],
  },
})
