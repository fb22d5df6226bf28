import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { choose, chosen } from './controls.ts'
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

test('a flat unit is laid under the shoe, trimmed to it on paper, and its work has no needle', async ({ page }) => {
  await page.goto(`${server.url}/pairs/new`)
  await page.getByRole('radio', { name: 'Harbour 25', exact: true }).check()
  await page.getByRole('radio', { name: /^Derby/ }).check()
  await page.getByRole('radio', { name: /^Flat unit/ }).check()
  await expect(page.getByRole('combobox', { name: 'Bought sole' })).toBeVisible()
  await expect(chosen(page.locator('[name="cup-sole"]'))).toContainText('Plain unit, crepe')
  await page.getByLabel('Order number').fill('3103')
  await page.getByLabel('Name of the pair').fill('Crepe derby')
  await page.getByLabel('Trade of the customer').fill('ferry crew')
  await page.getByRole('button', { name: 'Start this pair' }).click()
  await expect(page).toHaveURL(/\/pairs\/[0-9a-f-]{36}\/last$/)
  const pair = /\/pairs\/[0-9a-f-]{36}/.exec(page.url())![0]

  await test.step('how far it stands out is checked, and its trimmed edge drawn', async () => {
    await page.goto(`${server.url}${pair}/parts/bottom`)
    const edge = page.locator('[data-finding="bottom.unit"]')
    await expect(edge).toContainText('2.5 mm stay all round')
    await expect(page.locator('[data-finding="bottom.heel"]')).toContainText('stand on the ground together')
    await expect(page.locator('svg path.trimmed')).toBeVisible()
  })
  await test.step('it is printed as it is trimmed: as long as the shoe and its edge at both ends', async () => {
    await page.getByRole('button', { name: 'Print and files' }).click()
    await page.getByRole('radio', { name: 'A3' }).click()
    const waiting = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Parts (PDF)' }).click()
    const pages = await measurePdf(readFileSync(await (await waiting).path()))
    const sheet = pages.find((p) => p.text.includes('Flat unit, trimmed, right'))!
    // Along the shoe: the unit as it was bought, the cut edge, the shoe's own line; the edge stands out by 2.5 mm at both ends.
    const along = [...new Set(sheet.lines.map((l) => Math.round(10 * Math.max(l.width, l.height)) / 10))]
    const [bought, trimmed, shoe] = along.filter((l) => l > 295 && l < 330).sort((a, b) => b - a)
    expect(trimmed! - shoe!).toBeCloseTo(5, 0)
    expect(bought! - trimmed!).toBeGreaterThan(2)
    await page.getByRole('button', { name: 'Close' }).click()
  })
  await test.step('its steps, and no seam', async () => {
    await page.getByRole('link', { name: 'Work', exact: true }).click()
    for (const id of ['prepare-unit', 'cement-unit.right', 'press-unit.left', 'trim-unit'])
      await expect(page.locator(`[data-step="${id}"]`)).toBeVisible()
    await expect(page.locator('[data-step="sew-cup.right"]')).toHaveCount(0)
  })
})

test('a unit that was drawn is brought in as one: how far it stands out round a last is told at once', async ({
  page,
}) => {
  await page.goto(`${server.url}/lasts/01930000-0001-7000-8000-000000000001/sole`)
  await expect(page.locator('[data-finding="last.cup"]')).toBeVisible()
  await page.getByRole('button', { name: 'Bring one in' }).click()
  await page.getByLabel('Name').fill('Rubber unit')
  await page.getByRole('radiogroup', { name: 'What is brought in' }).getByRole('radio', { name: 'A flat unit' }).click()
  // An oval far larger than the shoe in the middle, as long as one of its size.
  const oval = Array.from({ length: 60 }, (_, i) => {
    const a = (i / 60) * 2 * Math.PI
    return `${(135 * Math.cos(a)).toFixed(1)}, ${(62 * Math.sin(a)).toFixed(1)}`
  })
  await page.getByLabel('Or points, x and y in mm, one a line').fill(oval.join('\n'))
  await page.getByRole('button', { name: 'Take these points' }).click()
  await expect(page.locator('[data-finding="bottom.unit"]')).toBeVisible()
  await expect(page.getByRole('radiogroup', { name: 'What it is' }).getByLabel('A flat unit')).toBeChecked()
  await page.getByRole('radiogroup', { name: 'Made of' }).getByRole('radio', { name: 'Crepe' }).click()
  await expect(page.getByRole('radiogroup', { name: 'Made of' }).getByLabel('Crepe')).toBeChecked()
  // It is kept in the stores as what it is.
  await page.reload()
  await choose(page.locator('[name="cup-sole"]'), 'Rubber unit')
  await expect(page.locator('[data-finding="bottom.unit"]')).toBeVisible()
  await expect(page.getByRole('radiogroup', { name: 'What it is' }).getByLabel('A flat unit')).toBeChecked()
  await expect(page.getByRole('radiogroup', { name: 'Made of' }).getByLabel('Crepe')).toBeChecked()
})
