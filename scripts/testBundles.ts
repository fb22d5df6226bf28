import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build } from 'vite'

const root = join(fileURLToPath(new URL('.', import.meta.url)), '..')
const outDir = join(root, 'node_modules', '.cache', 'test-bundles')
/** Where core and the component library lie, each as one module. */
export const bundles = {
  '@gentle-awl/core': join(outDir, 'core.js'),
  'naive-ui': join(outDir, 'naive.js'),
}

/** Bundles them once for the files that have a world of their own: each would load their two thousand modules anew. */
export default async function makeBundles(): Promise<void> {
  await build({
    root: join(root, 'web'),
    configFile: false,
    logLevel: 'error',
    // These stand once in a page, whoever asks for them.
    ssr: { noExternal: true, external: ['vue', 'zod'] },
    build: {
      ssr: true,
      outDir,
      emptyOutDir: true,
      rollupOptions: {
        input: {
          core: join(root, 'core', 'src', 'index.ts'),
          naive: join(root, 'node_modules', 'naive-ui', 'es', 'index.mjs'),
        },
        // Whatever core and the library give is asked for by somebody.
        preserveEntrySignatures: 'strict',
      },
    },
  })
}
