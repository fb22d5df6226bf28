import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { chromium } from '@playwright/test'
import { launch } from '../e2e/browser.ts'
import { startServer } from '../e2e/server.ts'
import { longestTask } from './longestTask.ts'
import { longLists } from './longLists.ts'
import { summary, type Result } from './measure.ts'

/**
 * What a person waits for in a browser: the first screen, a pair opened, a slider and a point dragged, long lists. `assets`
 * are the built pages, `pair` the id of the demo pair that is opened.
 */
export async function pageFigures(assets: string, pair: string, say: (r: Result) => void): Promise<void> {
  if (!existsSync(assets)) {
    process.stderr.write('The pages are not built, so their size and first paint are left out: npm run build first.\n')
    return
  }
  const server = await startServer()
  const browser = await chromium.launch(launch)
  const size = (names: string[]) => names.reduce((s, n) => s + gzipSync(readFileSync(join(assets, n))).length, 0) / 1024
  const built = readdirSync(assets)
  const paints: number[] = []
  const usable: number[] = []
  let scripts = 0
  for (let i = 0; i < 5; i++) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    const seen = new Set<string>()
    page.on('request', (r) => {
      const name = new URL(r.url()).pathname.split('/').pop() ?? ''
      if (name.endsWith('.js')) seen.add(name)
    })
    const began = performance.now()
    await page.goto(`${server.url}/pairs`)
    await page.getByRole('link', { name: 'New pair' }).waitFor()
    usable.push(performance.now() - began)
    await page.waitForLoadState('networkidle')
    paints.push(await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? 0))
    const known = [...seen].filter((n) => built.includes(n))
    scripts = size(known)
    await page.close()
  }
  say(summary('first screen, first contentful paint', paints, 'ms', 'Chromium, loopback, software painting'))
  say(summary('first screen, usable', usable, 'ms', 'from navigation to the New pair button'))
  say(summary('first screen, script gzipped', [scripts], 'kB', 'what the list of pairs asks for'))
  const worker = size(built.filter((n) => n.startsWith('planWorker')))
  say(summary('planning worker, gzipped', [worker], 'kB', 'loaded with the first pair that is opened'))

  // What goes over the wire until the first page stands, as the browser counts it.
  const fresh = await browser.newContext()
  const bare = await fresh.newPage()
  const wire = await fresh.newCDPSession(bare)
  let received = 0
  await wire.send('Network.enable')
  wire.on('Network.loadingFinished', (e) => (received += e.encodedDataLength))
  await bare.goto(`${server.url}/pairs`)
  await bare.waitForLoadState('networkidle')
  say(summary('first load, sent', [received / 1024], 'kB', 'the list of pairs, packed'))
  const opened: number[] = []
  for (let i = 0; i < 6; i++) {
    const tab = await fresh.newPage()
    const began = performance.now()
    await tab.goto(`${server.url}/pairs/${pair}/parts/puff`)
    await tab.getByRole('slider').first().waitFor()
    opened.push(performance.now() - began)
    // The plan is kept while nobody waits for it.
    await tab.waitForTimeout(1500)
    await tab.close()
  }
  say(
    summary('a pair in a new tab, never planned in this browser', opened.slice(0, 1), 'ms', 'navigation to the shape'),
  )
  say(summary('a pair in a new tab, planned here before', opened.slice(1), 'ms', 'navigation to the shape'))
  await fresh.close()

  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${server.url}/pairs/${pair}/parts/puff`)
  const slider = page.getByRole('slider', { name: 'Back edge behind the toe tip, by tape over the toe box' })
  await slider.waitFor()
  await page.waitForLoadState('networkidle')
  const answers: number[] = []
  for (let i = 0; i < 12; i++) {
    answers.push(
      await page.evaluate(
        async (key) => {
          const handle = document.querySelector<HTMLElement>('.because [role="slider"]')
          const path = document.querySelector('.slate-surface path.cut')
          if (!handle || !path) throw new Error('The drawing is not there.')
          handle.focus()
          const old = path.getAttribute('d')
          const start = performance.now()
          handle.dispatchEvent(new KeyboardEvent('keydown', { key, code: key, bubbles: true, cancelable: true }))
          while (path.getAttribute('d') === old) await new Promise((r) => setTimeout(r, 1))
          return performance.now() - start
        },
        i < 6 ? 'ArrowRight' : 'ArrowLeft',
      ),
    )
  }
  say(summary('slider to new shape on screen', answers, 'ms', 'puff length, in Chromium, worker and drawing'))
  say(await longestTask(page, slider, 'slider'))
  await page.goto(`${server.url}/pairs/${pair}/upper`)
  const point = page.locator('[data-point="ankle:lateral"] .dot')
  await point.waitFor()
  await page.waitForLoadState('networkidle')
  say(await longestTask(page, point, 'point of the upper'))
  const session = await page.context().newCDPSession(page)
  const { usedSize } = await session.send('Runtime.getHeapUsage')
  say(summary('memory of a tab with a pair open', [usedSize / 1024 / 1024], 'MB', 'script heap of the page'))
  await longLists(page, server.url, say)
  await browser.close()
  await server.end()
}
