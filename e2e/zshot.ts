import { chromium } from '@playwright/test'
import { launch } from './browser.ts'
const [path, name, w, h, ...clicks] = process.argv.slice(2)
const browser = await chromium.launch(launch)
const page = await browser.newPage({ viewport: { width: Number(w ?? 1280), height: Number(h ?? 800) } })
page.on('pageerror', (e) => console.log('pageerror', e.message))
page.on('console', (m) => {
  if (m.type() === 'error' || m.type() === 'warning') console.log(m.type(), m.text())
})
await page.goto(`http://127.0.0.1:4599${path}`)
await page.waitForTimeout(4500)
for (const c of clicks) {
  const [role, n] = c.split(':')
  await page
    .getByRole(role as 'button', { name: n, exact: true })
    .first()
    .click({ timeout: 4000 })
  await page.waitForTimeout(1500)
}
await page.screenshot({ path: `/tmp/shots/${name}.png` })
await browser.close()
