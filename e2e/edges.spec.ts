import type { Page } from '@playwright/test'
import { choose } from './controls.ts'
import { measurePdf } from './measurePdf.ts'
import { expect, test, visit } from './openPage.ts'
import { startServer, type RunningServer } from './server.ts'

let server: RunningServer
const pairs = '/pairs/01930000-0003-7000-8000-00000000000'
const derby = `${pairs}1`
const deck = `${pairs}2`

test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

const row = (page: Page, name: string) =>
  page.getByRole('row').filter({ has: page.getByRole('link', { name, exact: true }) })

test('every seam stands in a table with what its skive does; a leather that is not skived shows what it would be', async ({
  page,
}) => {
  await visit(page, server.url + derby + '/edges')
  // 1.4 mm over 1.4 mm skived to 0.55 of that, over 9 mm of lap and 2 mm more.
  await expect(row(page, 'Quarter over vamp')).toContainText('2.80 → 2.17 mm')
  await expect(row(page, 'Quarter over vamp')).toContainText('11 mm to 0.77')
  await expect(row(page, 'Quarter, top line')).toContainText('2.80 → 1.40 mm')
  await expect(page.locator('[data-finding="edges.ridge"]')).toHaveClass(/fine/)
  // Sorted by what is thickest, the opened back seam comes first.
  await page.getByRole('columnheader', { name: 'Thickest' }).click()
  await expect(page.getByRole('row').nth(1)).toContainText('Quarter, back')
  await row(page, 'Quarter over vamp').getByRole('link').click()
  await expect(page.getByRole('img', { name: /Section of Quarter over vamp, to scale: 2\.17 mm/ })).toBeVisible()
  await expect(page.getByRole('navigation', { name: 'Edges' }).locator('[aria-current="page"]')).toHaveText(
    /Quarter over vamp/,
  )
})

test('a thicker leather is left thicker, and the sections follow it', async ({ page }) => {
  await visit(page, server.url + derby + '/decisions')
  await choose(page.getByRole('combobox', { name: 'Upper', exact: true }), 'Oiled deck hide, 2.0 mm')
  await expect(page.getByTestId('save-state')).toHaveText('revision 2')
  await visit(page, server.url + derby + '/edges')
  await expect(row(page, 'Quarter over vamp')).toContainText('4.00 → 3.10 mm')
  await expect(row(page, 'Quarter, top line')).toContainText('4.00 → 2.00 mm')
})

test('cover and section turned out together are skived over the span they share', async ({ page }) => {
  await visit(page, server.url + deck + '/edges')
  await expect(row(page, 'Heel cover and heel section, turned out')).toContainText('4.00 → 2.00 mm')
  await visit(page, server.url + deck + '/parts/layers')
  await expect(page.locator('[data-finding="layers.turnOut"]')).toContainText(/lie flat/)
  await expect(page.locator('[data-finding="layers.turnOut"]')).toHaveClass(/fine/)
})

test('the skiving list sets the guide once, on the screen and on paper', async ({ page }) => {
  await visit(page, server.url + deck + '/edges')
  await page.getByRole('navigation', { name: 'Edges' }).getByRole('link', { name: 'Skiving list' }).click()
  const settings = page.locator('.settings > li')
  const turned = settings.filter({ hasText: '15 mm wide, 1.00 mm left' })
  await expect(turned).toContainText('Level, then rising, flesh side')
  await expect(turned.getByRole('row', { name: /Heel cover.*2 ×/ })).toHaveCount(1)
  const shown = await settings.locator('h3').allInnerTexts()
  const bytes = new Uint8Array(await (await fetch(`${server.url}/api/v1${deck}/skiving.pdf`)).arrayBuffer())
  const sheets = await measurePdf(bytes)
  const text = sheets.map((s) => s.text).join(' ')
  for (const setting of shown) expect(text).toContain(setting.split('\n')[0])
  expect(text).toContain('Heel cover')
})

test('the pieces show what is skived, on the screen and on paper', async ({ page }) => {
  await visit(page, server.url + deck + '/upper')
  await page.getByRole('radio', { name: 'Pieces' }).click()
  await expect(page.locator('.slate-surface path.skive')).not.toHaveCount(0)
  const svg = await (await fetch(`${server.url}/api/v1${deck}/upper.svg`)).text()
  // Of the heel cover, both sides' edges: 12 mm of margin and 3 mm up the wall, to half of 2.0 mm.
  expect(svg).toMatch(
    /id="heelCover-right".*?data-skive="feather" data-width-mm="15" data-left-mm="1" data-face="flesh"/,
  )
})
