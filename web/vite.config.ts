import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [vue()],
  build: { target: 'es2022', chunkSizeWarningLimit: 900 },
  worker: { format: 'es' },
  // The server answers only its own pages: it has to see the host that the page was asked from.
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4310', changeOrigin: false } } },
})
