import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'

/**
 * What a screen reader or an eye would stumble over, and how far the room runs off the screen. By evening the colours alone
 * are others: what a screen reader hears was heard by day.
 */
async function expectClean(page: Page, path: string, only: 'all' | 'colours'): Promise<void> {
  // One frame only: the legacy way needs no second page to put the results together.
  const axe = new AxeBuilder({ page }).setLegacyMode(true)
  const { violations } = await (only === 'colours' ? axe.withRules(['color-contrast']) : axe).analyze()
  const where = (nodes: { target: unknown[] }[]) =>
    nodes
      .map((n) => n.target.join(' '))
      .slice(0, 4)
      .join(', ')
  expect(violations.map((v) => `${path}: ${v.id} at ${where(v.nodes)}`)).toEqual([])
  const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)
  expect(over, `${path} is wider than the screen`).toBeLessThanOrEqual(0)
  expect(await page.evaluate(hardToRead), `${path}: cut off or broken within a word`).toEqual([])
}

/** Text that runs out of the screen where nothing scrolls to it, and cells of tables too narrow for their longest word. */
function hardToRead(): string[] {
  const found: string[] = []
  const pen = document.createElement('canvas').getContext('2d')
  // What scrolls up and down runs off to the side by mistake, but for wide tables.
  const scrolls = (at: Element | null): boolean =>
    at !== null &&
    ((/auto|scroll/.test(getComputedStyle(at).overflowX) &&
      (at.scrollHeight <= at.clientHeight + 1 || at.closest('.n-data-table') !== null)) ||
      scrolls(at.parentElement))
  const texts = document.createTreeWalker(document.querySelector('main') ?? document.body, NodeFilter.SHOW_TEXT)
  for (let text = texts.nextNode(); text; text = texts.nextNode()) {
    const said = text.textContent?.trim() ?? ''
    const holder = text.parentElement
    if (!said || !holder || !holder.checkVisibility({ visibilityProperty: true, opacityProperty: true })) continue
    if (holder.closest('svg, .visually-hidden')) continue
    const range = document.createRange()
    range.selectNodeContents(text)
    const { right, width } = range.getBoundingClientRect()
    if (right > innerWidth + 1 && !scrolls(holder)) found.push(`cut off: ${said}`)
    if (!holder.closest('td, th') || !pen) continue
    pen.font = getComputedStyle(holder).font
    const longest = Math.max(...said.split(/[\s\-–/]+/).map((word) => pen.measureText(word).width))
    if (width < longest - 2) found.push(`broken: ${said}`)
  }
  return found
}

/** Until the room is there, whatever says that it is still at work is gone, and colours no longer change. */
async function settled(page: Page, path: string): Promise<void> {
  await page.waitForFunction(
    (to) =>
      (location.pathname === to || location.pathname.startsWith(`${to}/`)) &&
      document.querySelector('main h1') !== null &&
      !/(Fetching|Planning|Building|Fitting|Grading|Comparing|Measuring|Laying)[^\n]*…/.test(document.body.innerText),
    path,
  )
  await page.evaluate(async () => {
    const drawn = () => new Promise((resolve) => requestAnimationFrame(resolve))
    await drawn()
    await drawn()
    // What turns for ever says that something is awaited, and never comes to rest.
    const ending = document.getAnimations().filter((a) => a.effect?.getComputedTiming().endTime !== Infinity)
    await Promise.allSettled(ending.map((a) => a.finished))
  })
}

/** What keeps its heading from room to room: a pair, a last, a list of them, or a room with several views. */
const frameOf = (path: string): string =>
  path
    .replace(/[0-9a-f]{8}-[0-9a-f-]{27}/, ':id')
    .replace(/^\/learned\/.*/, '/learned')
    .split('/')
    .slice(0, 3)
    .join('/')

/** Tests every room by day on a laptop, and then by evening on an upright tablet. */
export function cleanRooms(url: () => string, rooms: readonly string[]): void {
  test('every room is clean for screen readers and eyes and fits across, by day 1280 wide and by evening 820', async ({
    page,
  }) => {
    test.slow()
    await page.goto(url() + rooms[0])
    let before = rooms[0]!
    const go = async (path: string) => {
      // As by a link: the page stays, and what it has worked out already with it.
      await page.evaluate((to) => {
        document.querySelector('main h1')?.setAttribute('data-before', '')
        history.pushState(null, '', to)
        dispatchEvent(new PopStateEvent('popstate', { state: null }))
      }, path)
      // The address is there before the room is: until that has come, the heading is the last one's.
      if (frameOf(path) !== frameOf(before)) await expect(page.locator('main h1[data-before]')).toHaveCount(0)
      before = path
      await settled(page, path)
    }
    await page.setViewportSize({ width: 1280, height: 800 })
    for (const path of rooms) {
      await go(path)
      await expectClean(page, `${path}, by day`, 'all')
    }
    await page.getByRole('button', { name: 'Evening light' }).click()
    await page.setViewportSize({ width: 820, height: 1180 })
    for (const path of rooms) {
      await go(path)
      await expectClean(page, `${path}, by evening`, 'colours')
    }
  })
}
