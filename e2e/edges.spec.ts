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

test('a pair closed by hand has holes on both partners, alike in number, and says when each is punched', async ({
  page,
}) => {
  await visit(page, server.url + derby + '/stitching')
  await expect(row(page, 'Quarter over vamp, lateral')).toContainText('2 rows by machine')
  await expect(page.getByTestId('thread')).toContainText('by machine')
  const drawn = async () => (await fetch(`${server.url}/api/v1${derby}/upper.svg`)).text()
  expect(await drawn()).not.toContain('class="hole"')
  await page.getByRole('radio', { name: 'By hand' }).click()
  const lap = row(page, 'Quarter over vamp, lateral')
  await expect(lap).toContainText('by hand, punched now, under it when joined')
  await expect(page.getByTestId('thread')).not.toContainText('by machine')
  await expect(page.getByTestId('save-state')).not.toHaveText(/saving/)
  const stitches = Number(await lap.getByRole('cell').nth(2).innerText())
  expect(stitches).toBeGreaterThan(10)
  await lap.getByRole('link').click()
  await expect(
    page.getByRole('img', { name: new RegExp(`on Quarter, lateral and Vamp: ${stitches} stitches`) }),
  ).toBeVisible()
  // On the printed pieces, read from the file: one hole more than stitches on each, the vamp's to be punched later.
  const svg = await drawn()
  const holesOf = (id: string, line: string) => {
    const piece = svg.slice(svg.indexOf(`id="${id}-right"`))
    expect(piece.slice(0, piece.indexOf('</g>'))).toContain(`data-line="${line}"`)
    return [...piece.slice(0, piece.indexOf('</g>')).matchAll(/class="hole"[^>]*/g)].map((m) => m[0])
  }
  const quarter = holesOf('quarter.lateral', 'Quarter over vamp, lateral')
  const vamp = holesOf('vamp', 'Quarter over vamp, lateral')
  expect(quarter.filter((h) => !h.includes('later')).length).toBeGreaterThanOrEqual(stitches + 1)
  expect(vamp.filter((h) => h.includes('later')).length).toBeGreaterThanOrEqual(stitches + 1)
})
