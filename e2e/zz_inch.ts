import { chromium } from '@playwright/test'
import { launch } from './browser.ts'
import { startServer } from './server.ts'
const server = await startServer()
const browser = await chromium.launch(launch)
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
page.on('pageerror', (e) => console.error('ERR', e.message))
await page.addInitScript(() => localStorage.setItem('gentle-awl.unit', 'inch'))
const P = (n: number) => `/pairs/01930000-0003-7000-8000-00000000000${n}`
const L = (n: number) => `/lasts/01930000-0001-7000-8000-00000000000${n}`
for (const path of [
  '/pairs',
  ...[1, 2, 3, 4, 5].flatMap((n) =>
    [
      'decisions',
      'last',
      'upper',
      'parts',
      'parts/layers',
      'parts/bottom',
      'parts/feet',
      'parts/insole',
      'parts/puff',
      'parts/stiffener',
      'parts/sockLiner',
      'parts/midsole',
      'parts/padding',
      'work',
    ].map((r) => `${P(n)}/${r}`),
  ),
  '/pairs/new',
  '/liners',
  '/lasts',
  '/lasts/new/made',
  '/lasts/new/traced',
  '/lasts/new/scan',
  ...['measure', 'shape', 'build-ups', 'foot', 'compare', 'sizes', 'cup', 'stock'].map((r) => `${L(3)}/${r}`),
  '/stores',
  '/rules',
  '/scanner',
]) {
  await page.goto(server.url + path)
  await page.waitForTimeout(path.includes('/pairs/0') ? 1500 : 1200)
  const text = await page.locator('body').evaluate((b) => {
    for (const d of b.querySelectorAll('details')) d.open = true
    return (
      (b as HTMLElement).innerText +
      '\n' +
      [...b.querySelectorAll('[aria-label],[title],option')]
        .map((e) => (e.getAttribute('aria-label') ?? '') + ' ' + (e.getAttribute('title') ?? ''))
        .join('\n')
    )
  })
  const lines = [...new Set(text.split('\n').filter((l) => /\bmm\b|\[object|"digits"/.test(l)))]
  if (lines.length) console.log('== ' + path + '\n' + lines.slice(0, 25).join('\n'))
}
await browser.close()
await server.end()
