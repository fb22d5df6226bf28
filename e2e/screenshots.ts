import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { chromium } from '@playwright/test'
import { launch } from './browser.ts'
import { startServer } from './server.ts'

/** Takes the pictures of the README anew from demo data: `npx tsx e2e/screenshots.ts [folder] [only these names ...]`. */
const [folder, ...only] = process.argv.slice(2)
const target = folder ?? join(fileURLToPath(new URL('.', import.meta.url)), '..', 'docs', 'screenshots')
mkdirSync(target, { recursive: true })

const welted = '/pairs/01930000-0003-7000-8000-000000000001'
const choir = '/pairs/01930000-0003-7000-8000-000000000003'
const wide = { width: 1280, height: 800 }
const tablet = { width: 820, height: 1180 }
const views: {
  name: string
  path: string
  size?: { width: number; height: number }
  dark?: boolean
  click?: string[]
}[] = [
  { name: 'pairs', path: '/pairs' },
  { name: 'new-pair', path: '/pairs/new' },
  { name: 'decisions', path: `${welted}/decisions` },
  { name: 'last', path: `${welted}/last` },
  { name: 'insole', path: `${welted}/parts/insole`, click: ['Lines'] },
  { name: 'stiffener', path: `${welted}/parts/stiffener` },
  { name: 'toe-puff', path: `${welted}/parts/puff` },
  { name: 'padding', path: `${choir}/parts/padding` },
  { name: 'midsole', path: `${welted}/parts/midsole` },
  { name: 'work', path: `${welted}/work` },
  { name: 'lasts', path: '/lasts' },
  { name: 'stores', path: '/stores' },
  { name: 'house-rules', path: '/rules' },
  { name: 'print', path: `${welted}/parts/insole`, click: ['Print and files'] },
  { name: 'tablet-parts', path: `${welted}/parts/stiffener`, size: tablet },
  { name: 'tablet-work', path: `${welted}/work`, size: tablet },
  { name: 'evening', path: `${welted}/parts/puff`, dark: true },
]

const server = await startServer()
const browser = await chromium.launch(launch)
for (const view of views) {
  if (only.length > 0 && !only.includes(view.name)) continue
  const page = await browser.newPage({ viewport: view.size ?? wide })
  page.on('pageerror', (e) => process.stderr.write(`${view.name}: ${e.message}\n`))
  page.on('console', (m) => {
    if (m.type() === 'error') process.stderr.write(`${view.name}: ${m.text()}\n`)
  })
  if (view.dark) await page.addInitScript(() => localStorage.setItem('gentle-awl.theme', 'dark'))
  await page.goto(server.url + view.path)
  await page.waitForLoadState('networkidle')
  for (const name of view.click ?? []) await page.getByRole('button', { name, exact: true }).click()
  // Whatever says that it is still fetching or planning must be gone.
  await page.waitForFunction(() => !/Fetching|Planning|Building/.test(document.body.innerText))
  await page.waitForTimeout(1200)
  await page.screenshot({ path: join(target, `${view.name}.png`) })
  await page.close()
}
await browser.close()
await server.end()
