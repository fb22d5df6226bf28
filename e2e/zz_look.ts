import { chromium } from '@playwright/test'
import { launch } from './browser.ts'
import { startServer } from './server.ts'
const [path, out, ...steps] = process.argv.slice(2)
const server = await startServer()
const browser = await chromium.launch(launch)
const w = Number(process.env.W ?? 1280),
  h = Number(process.env.H ?? 800)
const page = await browser.newPage({ viewport: { width: w, height: h } })
page.on('pageerror', (e) => console.error('ERR', e.message))
page.on('console', (m) => {
  if (m.type() === 'error') console.error('CON', m.text())
})
if (process.env.DARK) await page.addInitScript(() => localStorage.setItem('gentle-awl.theme', 'dark'))
if (process.env.INCH) await page.addInitScript(() => localStorage.setItem('gentle-awl.unit', 'inch'))
await page.goto(server.url + path)
await page.waitForTimeout(3500)
for (const s of steps) {
  const [role, name] = s.split('::')
  if (role === 'scroll') {
    await page.mouse.move(w / 2, h / 2)
    await page.mouse.wheel(0, Number(name))
  } else if (role === 'css') await page.locator(name!).first().click()
  else
    await page
      .getByRole(role as 'button', { name })
      .first()
      .click()
  await page.waitForTimeout(1200)
}
await page.screenshot({ path: out })
await browser.close()
await server.end()
