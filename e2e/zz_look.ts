import { chromium } from '@playwright/test'
import { launch } from './browser.ts'
import { startServer } from './server.ts'
import demo from './demoWorkshop.ts'
const end = await demo()
const s = await startServer()
const b = await chromium.launch(launch)
const [theme, w, h] = [process.env.T ?? 'light', Number(process.env.W ?? 1280), Number(process.env.H ?? 800)]
const ctx = await b.newContext({ viewport: { width: w, height: h } })
await ctx.addInitScript((t) => localStorage.setItem('gentle-awl.theme', t), theme)
const page = await ctx.newPage()
const errs: string[] = []
page.on('console', (m) => {
  if (m.type() === 'error' || m.type() === 'warning') errs.push(m.text().slice(0, 200))
})
page.on('pageerror', (e) => errs.push('PAGE ' + e.message))
const d = '/pairs/01930000-0003-7000-8000-000000000001',
  l = '/lasts/01930000-0001-7000-8000-000000000003'
const all: Record<string, string> = {
  pairs: '/pairs',
  new: '/pairs/new',
  decisions: d + '/decisions',
  last: d + '/last',
  upper: d + '/upper',
  parts: d + '/parts',
  layers: d + '/parts/layers',
  bottom: d + '/parts/bottom',
  puff: d + '/parts/puff',
  feet: '/pairs/01930000-0003-7000-8000-000000000005/parts/feet',
  work: d + '/work',
  lasts: '/lasts',
  measure: l + '/measure',
  shape: l + '/shape',
  buildups: l + '/build-ups',
  foot: l + '/foot',
  compare: l + '/compare',
  sizes: l + '/sizes',
  stock: l + '/stock',
  cup: l + '/cup',
  traced: '/lasts/new/traced',
  scan: '/lasts/new/scan',
  scanner: '/scanner',
  stores: '/stores',
  rules: '/rules',
  backups: '/backups',
  liners: '/liners',
}
const want = (process.argv[2] ?? Object.keys(all).join()).split(',')
for (const name of want) {
  await page.goto(s.url + all[name])
  await page
    .waitForFunction(
      () =>
        document.querySelector('main h1, main h2, main .n-button') &&
        !/(Fetching|Planning|Building|Fitting|Grading|Comparing|Measuring|Laying)[^\n]*…/.test(document.body.innerText),
      null,
      { timeout: 60000 },
    )
    .catch(() => errs.push('TIMEOUT ' + name))
  await page.waitForTimeout(500)
  await page.screenshot({ path: `/tmp/look/${name}${theme === 'dark' ? '-d' : ''}${w !== 1280 ? '-' + w : ''}.png` })
}
console.log([...new Set(errs)].join('\n'))
await b.close()
await s.end()
end()
