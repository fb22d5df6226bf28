import { test as base, type Page } from '@playwright/test'

const WIDE = { width: 1280, height: 800 }

/**
 * Tests of one file that share a page, as a person does who stays in the workshop: lasts and formes that were worked out
 * stay so, and no test waits for the first screen again. What must begin fresh uses Playwright's own test.
 */
export const test = base.extend<object, { openPage: Page }>({
  openPage: [
    async ({ browser }, use) => {
      const context = await browser.newContext({ viewport: WIDE, acceptDownloads: true })
      await use(await context.newPage())
      await context.close()
    },
    { scope: 'worker' },
  ],
  page: async ({ openPage }, use) => {
    await openPage.setViewportSize(WIDE)
    await use(openPage)
  },
})
export { expect } from '@playwright/test'

/** Goes to a room as a link does, once the workshop is open in this page; to a pair's, until it is that pair which is there. */
export async function visit(page: Page, url: string): Promise<void> {
  const { origin, pathname, search } = new URL(url)
  if (!page.url().startsWith(origin)) {
    await page.goto(url)
    return
  }
  await page.evaluate((to) => {
    history.pushState(null, '', to)
    dispatchEvent(new PopStateEvent('popstate', { state: null }))
  }, pathname + search)
  const pair = /^\/pairs\/([0-9a-f-]{36})/.exec(pathname)?.[1]
  if (pair) await page.locator(`[data-pair="${pair}"]`).waitFor()
}
