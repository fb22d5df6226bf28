import { expect, test } from '@playwright/test'
import { choose } from './controls.ts'
import { startServer, type RunningServer } from './server.ts'

let server: RunningServer
test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

test('folds are laid round a shaft, with marks where they meet the lining, whose front may be sewn along its middle', async ({
  page,
}) => {
  await page.goto(`${server.url}/pairs/new`)
  await page.getByRole('radio', { name: 'Quay 20', exact: true }).check()
  await page.getByRole('radio', { name: /^Pull-on boot/ }).check()
  await page.getByRole('radio', { name: /^Cemented/ }).check()
  await page.getByLabel('Order number').fill('3111')
  await page.getByLabel('Name of the pair').fill('Slouch boot')
  await page.getByLabel('Trade of the customer').fill('ferry crew')
  await page.getByRole('button', { name: 'Start this pair' }).click()
  await expect(page).toHaveURL(/\/pairs\/[0-9a-f-]{36}\/last$/)
  const pair = /\/pairs\/[0-9a-f-]{36}/.exec(page.url())![0]

  await test.step('on the forme the slashes run from the front to the back', async () => {
    await page.goto(`${server.url}${pair}/upper`)
    await page.getByRole('button', { name: 'Forme and folds' }).click()
    await page.getByRole('button', { name: 'Add a version' }).click()
    await choose(page.locator('[name="fold-place"]'), 'round the shaft')
    await expect(page.locator('path.slash')).toHaveCount(7)
  })
  await test.step('its lining is marked up the front and the back', async () => {
    const marks = async (part: string) => {
      await page.goto(`${server.url}${pair}/parts/${part}`)
      await expect(page.locator('path[class*="cut"][class*="mark"]').first()).toBeVisible()
      return page.locator('path[class*="cut"][class*="mark"]').count()
    }
    expect(await marks('quarterLining.lateral')).toBeGreaterThan(7)
  })
  await test.step('the lining of the vamp in two halves', async () => {
    await page.goto(`${server.url}${pair}/parts/vampLining`)
    await page.getByRole('radio', { name: 'with a seam along its middle' }).click()
    await expect(page.getByRole('link', { name: 'Vamp lining, medial' })).toBeVisible()
    await page.getByRole('link', { name: 'Vamp lining, lateral' }).click()
    await page.getByRole('radio', { name: 'in one' }).click()
    await expect(page.getByRole('link', { name: 'Vamp lining', exact: true })).toBeVisible()
  })
})
