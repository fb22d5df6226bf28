import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { measurePdf } from './measurePdf.ts'
import { startServer, type RunningServer } from './server.ts'

let server: RunningServer
test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

test('a cup is stitched through its wall: as many marks on the insole as stitches, on paper too; glued alone it has none', async ({
  page,
}) => {
  await test.step('a pair in a cup', async () => {
    await page.goto(`${server.url}/pairs/new`)
    await page.getByRole('radio', { name: 'Quay 20', exact: true }).check()
    await page.getByRole('radio', { name: /^Trainer/ }).check()
    await page.getByRole('radio', { name: /^Cup sole/ }).check()
    await page.getByLabel('Order number').fill('3102')
    await page.getByLabel('Name of the pair').fill('Slip trainer')
    await page.getByLabel('Trade of the customer').fill('sail loft')
    await page.getByRole('button', { name: 'Start this pair' }).click()
    await expect(page).toHaveURL(/\/pairs\/[0-9a-f-]{36}\/last$/)
  })
  const pair = /\/pairs\/[0-9a-f-]{36}/.exec(page.url())![0]
  let stitches = 0
  await test.step('its seam is in the room for stitching', async () => {
    await page.getByRole('link', { name: /^Stitching/ }).click()
    await page.getByRole('link', { name: 'Upper to the wall of the cup' }).first().click()
    await expect(page).toHaveURL(/cup\.wall/)
    await expect(page.getByText('Stitches in a row')).toBeVisible()
    const said = await page.locator('body').innerText()
    stitches = Number(/Stitches in a row\s+(\d+)/.exec(said)?.[1])
    // The feather of this last is some 650 mm round; a stitch is about 6 mm.
    expect(stitches).toBeGreaterThan(90)
    expect(stitches).toBeLessThan(130)
  })
  await test.step('as many marks are printed on the insole, counted by another reader', async () => {
    await page.getByRole('button', { name: 'Print and files' }).click()
    await page.getByRole('radio', { name: 'A3' }).click()
    const waiting = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Parts (PDF)' }).click()
    const pages = await measurePdf(readFileSync(await (await waiting).path()))
    const insole = pages.find((p) => p.text.includes('Insole, right'))!
    const ring = insole.lines.filter((l) => l.width < 3 && l.height < 3 && l.points.length > 4)
    expect(ring.length).toBeGreaterThanOrEqual(stitches)
    await page.getByRole('button', { name: 'Close' }).click()
  })
  await test.step('the step comes after the last is out; glued alone it is gone, and what that risks is said', async () => {
    await page.getByRole('link', { name: 'Work', exact: true }).click()
    await expect(page.locator('[data-step="sew-cup.right"]')).toBeVisible()
    await page.getByRole('radio', { name: 'How it is worked' }).click()
    await expect(page.getByText('Glue alone is weak: toes come loose first.')).toBeVisible()
    await page.getByText('glued alone', { exact: true }).click()
    await page.getByRole('radio', { name: 'Step by step' }).click()
    await expect(page.locator('[data-step="sew-cup.right"]')).toHaveCount(0)
    await page.goto(`${server.url}${pair}/stitching`)
    await expect(page.getByRole('link', { name: /^Stitching/ })).toBeVisible()
    await expect(page.getByRole('link', { name: /Upper to the wall of the cup/ })).toHaveCount(0)
  })
})
