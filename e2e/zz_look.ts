import { chromium } from '@playwright/test'
import { launch } from './browser.ts'
import { startServer } from './server.ts'
const server = await startServer()
const browser = await chromium.launch(launch)
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  page.on('console', (m) => { if (m.type() === 'error') console.log('CONSOLE', m.text().slice(0, 300)) })
  page.on('pageerror', (e) => console.log('PAGEERR', e.message.slice(0, 300)))
  await page.goto(`${server.url}/liners`)
  await page.getByRole('button', { name: 'From a photograph' }).click()
  await page.waitForTimeout(700)
  await page.screenshot({ path: '/tmp/look/a1.png' })
  const t = Date.now()
  await page.getByRole('button', { name: 'Practise with our photograph' }).click()
  await page.getByRole('button', { name: 'Take this outline' }).waitFor({ timeout: 60000 }).catch(() => console.log('no result'))
  console.log('read after', Date.now() - t)
  await page.waitForTimeout(700)
  await page.screenshot({ path: '/tmp/look/a2.png' })
  await page.getByRole('button', { name: 'Take this outline' }).click().catch(() => null)
  await page.waitForTimeout(700)
  await page.screenshot({ path: '/tmp/look/a3.png' })
} finally {
  await browser.close()
  server.end()
}
