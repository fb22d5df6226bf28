import { defineConfig } from 'vite'

/** Bundles the server and its worker for Node; packages stay outside, the core comes in. */
export default defineConfig({
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist',
    emptyOutDir: true,
    rollupOptions: {
      input: {
        main: 'src/main.ts',
        worker: 'src/jobs/worker.ts',
        layThread: 'src/laying/layThread.ts',
        restore: 'src/restore.ts',
      },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name].js' },
    },
  },
  ssr: { noExternal: ['@gentle-awl/core'] },
})
