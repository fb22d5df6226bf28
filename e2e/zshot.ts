import { chromium } from '@playwright/test'
import { launch } from './browser.ts'
const [, , url, out, w = '1280', h = '800', ...acts] = process.argv
const b = await chromium.launch(launch)
const p = await b.newPage({ viewport: { width: +w, height: +h } })
p.on('pageerror', (e) => console.log('ERR', e.message))
p.on('console', (m) => m.type() === 'error' && console.log('CON', m.text()))
await p.goto(`http://127.0.0.1:4599${url}`)
await p.waitForTimeout(4500)
for (const a of acts) {
  const [kind, ...rest] = a.split('=')
  const v = rest.join('=')
  if (kind === 'click') await p.getByText(v, { exact: true }).first().click()
  if (kind === 'role') await p.getByRole('radio', { name: v }).first().click()
  if (kind === 'select') { const [l, o] = v.split('|'); await p.locator(`select[name="${l}"]`).selectOption(o) }
  if (kind === 'check') await p.getByLabel(v, { exact: true }).check()
  if (kind === 'focus') await p.locator(`[data-point="${v}"]`).focus()
  if (kind === 'key') await p.keyboard.press(v)
  if (kind === 'eval') console.log(await p.evaluate(v))
  await p.waitForTimeout(900)
}
await p.screenshot({ path: out })
await b.close()
