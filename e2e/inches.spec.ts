import { expect, test } from '@playwright/test'
import { visit } from './openPage.ts'
import { startServer, type RunningServer } from './server.ts'

let server: RunningServer
test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

const pair = (n: number, room: string) => `/pairs/01930000-0003-7000-8000-00000000000${n}/${room}`
const last = '/lasts/01930000-0001-7000-8000-000000000003'
const rooms = [
  ...[1, 3, 5].flatMap((n) =>
    [
      'decisions',
      'last',
      'upper',
      'parts/layers',
      'parts/bottom',
      'parts/puff',
      'parts/sock',
      'edges',
      'edges/skiving',
      'stitching',
      'cutting',
      'lasting',
      'work',
      'checks',
    ].map((room) => pair(n, room)),
  ),
  pair(5, 'parts/feet'),
  pair(2, 'parts/insole'),
  pair(4, 'parts/midsole'),
  pair(4, 'checks/ask?fault=puffLine'),
  `${last}/measure`,
  `${last}/sole`,
  '/lasts',
  '/table',
  '/gauge',
  '/stores/hides',
  '/stores/hides/01930000-0006-7000-8000-000000000001',
]
/** What is called so wherever it is: the bar that every sheet is checked by, and a size system. */
const NAMES = /100 mm bar|Mondopoint 5 mm/g

test('a screen in inches says everything in inches, in words as in figures', async ({ page }) => {
  // Dozens of rooms, each with all that can be unfolded in it.
  test.setTimeout(300_000)
  await page.addInitScript(() => localStorage.setItem('gentle-awl.unit', 'inch'))
  const seen: string[] = []
  for (const room of rooms) {
    await visit(page, `${server.url}${room}`)
    await expect(page.locator('main')).toContainText(/″|handwork left|Nothing lies on it/)
    // One after the other: what is unfolded may hold another fold.
    const unfold = () => {
      const shut = document.querySelector<HTMLElement>('.fold > button[aria-expanded="false"]')
      shut?.click()
      return shut !== null
    }
    // Looked for and pressed at once: a room that is just leaving takes its folds along.
    while (await page.evaluate(unfold)) await page.evaluate(() => new Promise(requestAnimationFrame))
    const text = await page.locator('body').evaluate((body: HTMLElement) => {
      const labels = [...body.querySelectorAll('[aria-label]')].map((e) => e.getAttribute('aria-label') ?? '')
      return [body.innerText, ...labels].join('\n')
    })
    seen.push(
      ...text
        .split('\n')
        .filter((line) => /\bmm²?\b|\[object|"digits"/.test(line.replaceAll(NAMES, '')))
        .map((line) => `${room}: ${line}`),
    )
  }
  expect(seen).toEqual([])
})
