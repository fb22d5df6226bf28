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
const lasts = '/lasts/01930000-0001-7000-8000-00000000000'
const wide = { width: 1280, height: 800 }
const views: {
  name: string
  path: string
  dark?: boolean
  click?: string[]
}[] = [
  { name: 'today', path: '/today' },
  { name: 'calendar', path: '/calendar', click: ['radio:By pair'] },
  { name: 'pairs', path: '/pairs' },
  { name: 'new-pair', path: '/pairs/new' },
  { name: 'parts', path: `${welted}/parts` },
  { name: 'layers', path: `${welted}/parts/layers` },
  { name: 'upper', path: '/pairs/01930000-0003-7000-8000-000000000005/upper' },
  { name: 'edges', path: `${welted}/edges/tab.lateral` },
  { name: 'stitching', path: '/pairs/01930000-0003-7000-8000-000000000002/stitching/tab.lateral' },
  { name: 'cutting', path: `${welted}/cutting/Tar-brown%20calf`, click: ['Lay out'] },
  {
    name: 'lasting',
    path: `${welted}/lasting/upper`,
    click: ['Tack 1 is in', 'Tack 2 is in', 'Tack 3 is in', 'Tack 4 is in'],
  },
  { name: 'work', path: `${welted}/work`, dark: true },
  {
    name: 'ask',
    path: '/pairs/01930000-0003-7000-8000-000000000004/checks/ask?fault=crease',
    click: ['radio:Left shoe'],
  },
  { name: 'lasts', path: '/lasts' },
  { name: 'last-measured', path: `${lasts}6/measure`, click: ['radio:Side'] },
  { name: 'learned', path: '/learned/minutes' },
  { name: 'house-rules', path: '/rules' },
  { name: 'hide', path: '/stores/hides/01930000-0006-7000-8000-000000000001' },
  { name: 'camera', path: '/liners', click: ['From a photograph', 'Practise with our photograph'] },
]

const server = await startServer()
const browser = await chromium.launch(launch)
for (const view of views) {
  if (only.length > 0 && !only.includes(view.name)) continue
  const page = await browser.newPage({ viewport: wide })
  page.on('pageerror', (e) => process.stderr.write(`${view.name}: ${e.message}\n`))
  page.on('console', (m) => {
    if (m.type() === 'error') process.stderr.write(`${view.name}: ${m.text()}\n`)
  })
  if (view.dark) await page.addInitScript(() => localStorage.setItem('gentle-awl.theme', 'dark'))
  await page.goto(server.url + view.path)
  await page.waitForLoadState('load')
  for (const click of view.click ?? []) {
    const [role, name] = click.startsWith('radio:')
      ? (['radio', click.slice(6)] as const)
      : (['button', click] as const)
    await page.getByRole(role, { name, exact: true }).click()
  }
  // Whatever says that it is still fetching or planning must be gone, and stay so: a room may begin late.
  for (let quiet = 0; quiet < 3; quiet++) {
    const busy = await page.evaluate(() =>
      /((Fetching|Planning|Building|Fitting|Grading|Comparing|Measuring|Laying|Opening|Looking|Straightening|Reading|being read)[^\n]*…|Stop$)/m.test(
        document.body.innerText,
      ),
    )
    if (busy) quiet = -1
    await page.waitForTimeout(700)
  }
  // Where the demo lies on this machine is nobody's business.
  await page.screenshot({ path: join(target, `${view.name}.png`), style: '.folder { visibility: hidden }' })
  await page.close()
}
await browser.close()
await server.end()
