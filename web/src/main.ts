import '@fontsource/atkinson-hyperlegible-next/latin-400.css'
import '@fontsource/atkinson-hyperlegible-next/latin-600.css'
import '@fontsource/zilla-slab/latin-600.css'
import './app/style.css'
import { useOurWords } from '@gentle-awl/core'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './app/App.vue'
import { router } from './app/router.ts'

/** A page that outlived an update asks for pieces that are gone: it is loaded anew, once. Unsaved changes are in the draft. */
window.addEventListener('vite:preloadError', (event) => {
  const last = Number(sessionStorage.getItem('gentle-awl.reloaded') ?? 0)
  if (Date.now() - last < 10_000) return
  event.preventDefault()
  sessionStorage.setItem('gentle-awl.reloaded', String(Date.now()))
  window.location.reload()
})

useOurWords()
createApp(App).use(createPinia()).use(router).mount('#app')
