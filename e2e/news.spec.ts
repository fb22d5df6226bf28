import { expect, test } from '@playwright/test'
import { startServer, type RunningServer } from './server.ts'
import { typeLength } from './controls.ts'

let server: RunningServer
test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

const derby = '/pairs/01930000-0003-7000-8000-000000000001'

test('what is done at one bench is seen at the other, and the focus stays with the step', async ({ browser }) => {
  const [here, there] = [await browser.newContext(), await browser.newContext()]
  const [one, two] = [await here.newPage(), await there.newPage()]
  for (const p of [one, two]) {
    await p.goto(`${server.url}${derby}/work`)
    await expect(p.locator('[data-step]').first()).toBeVisible()
  }
  const open = one
    .locator('[data-step]', { has: one.getByRole('button', { name: 'Start' }).and(one.locator(':enabled')) })
    .first()
  const id = await open.getAttribute('data-step')
  const step = one.locator(`[data-step="${id ?? ''}"]`)
  await step.getByRole('button', { name: 'Start' }).press('Enter')
  await expect(step.getByTestId('running-clock')).toBeVisible()
  await expect(step.getByRole('button', { name: /^Done/ })).toBeFocused()
  // Within a second, without anything done there.
  await expect(two.locator(`[data-step="${id ?? ''}"]`).getByTestId('running-clock')).toBeVisible({ timeout: 3000 })
  await step.getByRole('button', { name: 'Take back' }).click()
  await expect(two.locator(`[data-step="${id ?? ''}"]`).getByTestId('running-clock')).toHaveCount(0, { timeout: 3000 })

  // Stores and pairs follow as well.
  await two.goto(`${server.url}/stores`)
  await expect(two.getByRole('row', { name: /Tar-brown calf/ })).toContainText('1.4 mm')
  await one.goto(`${server.url}/stores`)
  await one.getByRole('button', { name: 'Change Tar-brown calf' }).click()
  const thickness = one.getByLabel('Thickness, mm')
  await thickness.fill('1,2,3')
  await one.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(one.getByRole('alert')).toContainText('is no number')
  await expect(two.getByRole('row', { name: /Tar-brown calf/ })).toContainText('1.4 mm')
  await thickness.fill('1,6')
  await one.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(one.getByRole('row', { name: /Tar-brown calf/ })).toContainText('1.6 mm')
  await expect(two.getByRole('row', { name: /Tar-brown calf/ })).toContainText('1.6 mm', { timeout: 3000 })
  for (const context of [here, there]) await context.close()
})

test('a burst of undo and redo ends where it should, without a word about others', async ({ page }) => {
  await page.goto(`${server.url}${derby}/parts/puff`)
  const puff = page.getByRole('slider', { name: 'Back edge behind the toe tip, by tape over the toe box' })
  await expect(puff).toHaveAttribute('aria-valuenow', '59.2')
  for (const [i, mm] of ['60', '61', '62'].entries()) {
    await typeLength(puff, Number(mm))
    await expect(page.getByTestId('save-state')).toHaveText(`revision ${i + 2}`)
  }
  await page.getByRole('heading', { level: 1 }).click()
  for (let k = 0; k < 8; k++) await page.keyboard.press('Control+z')
  await expect(puff).toHaveAttribute('aria-valuenow', '59.2')
  for (let k = 0; k < 8; k++) await page.keyboard.press('Control+y')
  await expect(puff).toHaveAttribute('aria-valuenow', '62')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect(page.getByRole('alert')).toHaveCount(0)
})
