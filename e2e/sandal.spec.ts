import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { measurePdf } from './measurePdf.ts'
import { startServer, type RunningServer } from './server.ts'
import { choose } from './controls.ts'

let server: RunningServer
test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

test('a sandal goes from a new pair to its printed sheets, and knows no step that it has not', async ({ page }) => {
  const errors: string[] = []
  page.on('pageerror', (e) => errors.push(e.message))
  await test.step('it is chosen by its picture', async () => {
    await page.goto(`${server.url}/pairs/new`)
    await page.getByRole('radio', { name: 'Slipway 10', exact: true }).check()
    await page.getByRole('radio', { name: /^Sandal/ }).check()
    await page.getByRole('radio', { name: /^Cemented/ }).check()
    await page.getByLabel('Order number').fill('3101')
    await page.getByLabel('Name of the pair').fill('Quay sandal')
    await page.getByLabel('Trade of the customer').fill('crane driver')
    await page.getByRole('button', { name: 'Start this pair' }).click()
    await expect(page).toHaveURL(/\/pairs\/[0-9a-f-]{36}\/last$/)
  })
  await test.step('its straps are laid out, their edges clear of the bones', async () => {
    await page.getByRole('link', { name: 'Upper', exact: true }).click()
    for (const point of ['strapFront', 'strapRear', 'instepFront', 'instepRear'])
      await expect(page.locator(`[data-point="${point}:lateral"]`)).toBeVisible()
    await expect(page.locator('[data-finding="upper.bones.medial"]')).toHaveClass(/fine/)
    await expect(page.locator('[data-finding="upper.strapHold"]')).toHaveClass(/fine/)
  })
  await test.step('the rear edge of the front strap is led on to the bone: that is told, and mended', async () => {
    const bone = page.locator('[data-finding="upper.bones.medial"]')
    const foot = page.locator('[data-point="strapRearFoot:medial"]')
    await foot.focus()
    for (let i = 0; i < 5; i++) await page.keyboard.press('Shift+ArrowRight')
    await expect(bone).toHaveClass(/watch/)
    await expect(bone).toContainText('or it cuts in')
    await bone.getByRole('button').first().click()
    await expect(bone).not.toContainText('or it cuts in')
  })
  await test.step('nothing is behind: neither stiffener nor heel grip, and no puff', async () => {
    await page.getByRole('link', { name: /^Parts/ }).click()
    const parts = page.getByRole('navigation', { name: 'Parts' })
    await expect(parts.getByRole('link', { name: 'Heel strap lining' })).toBeVisible()
    for (const name of ['Stiffener', 'Toe puff', 'Heel grip', 'Quarter lining'])
      await expect(parts.getByRole('link', { name })).toHaveCount(0)
  })
  await test.step('the work sews buckles on and closes no back', async () => {
    await page.getByRole('link', { name: 'Work', exact: true }).click()
    await expect(page.locator('[data-step="set-buckles"]')).toBeVisible()
    await expect(page.locator('[data-step="punch-strap"]')).toBeVisible()
    for (const step of ['hammer-back', 'paste-stiffener.right', 'set-puff.right'])
      await expect(page.locator(`[data-step="${step}"]`)).toHaveCount(0)
  })
  await test.step('printed, another reader measures the buckle’s loop and the holes of the strap', async () => {
    await page.getByRole('button', { name: 'Print and files' }).click()
    const waiting = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Upper (PDF)' }).click()
    const pages = await measurePdf(readFileSync(await (await waiting).path()))
    const lines = pages.flatMap((p) => p.lines)
    expect(pages.some((p) => p.text.includes('Heel strap'))).toBe(true)
    // By the rules: 0.8 of 18 mm wide; round the bar and sewn on at either end, 2 x (24 + 5) mm long.
    const near = (a: number, b: number) => Math.abs(a - b) < 0.06
    const loops = lines.filter(
      (l) => (near(l.width, 14.4) && near(l.height, 58)) || (near(l.width, 58) && near(l.height, 14.4)),
    )
    expect(loops.length).toBeGreaterThan(0)
    // Five holes of 2.5 mm, 8 mm apart.
    const holes = lines
      .filter((l) => near(l.width, 2.5) && near(l.height, 2.5))
      .map((l) => {
        const xs = l.points.map((p) => p[0])
        const ys = l.points.map((p) => p[1])
        return [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2] as const
      })
    expect(holes.length % 5).toBe(0)
    const row = holes.slice(0, 5)
    const apart = row.slice(1).map((h, i) => Math.hypot(h[0] - row[i]![0], h[1] - row[i]![1]))
    for (const d of apart) expect(Math.abs(d - 8)).toBeLessThan(0.1)
    await page.getByRole('button', { name: 'Close' }).click()
  })
  await test.step('it becomes a mule, and the straps are gone', async () => {
    await page.getByRole('link', { name: /^Upper/ }).click()
    await choose(page.getByRole('combobox', { name: 'Style' }), 'mule')
    await expect(page.locator('[data-point="throat:lateral"]')).toBeVisible()
    await expect(page.locator('[data-point="strapFront:lateral"]')).toHaveCount(0)
    await expect(page.locator('[data-finding="upper.openHold"]')).toHaveClass(/fine/)
  })
  expect(errors).toEqual([])
})
