import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { measurePdf } from './measurePdf.ts'
import { startServer, type RunningServer } from './server.ts'
import { slideTo } from './controls.ts'

let server: RunningServer
test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

const saved = (page: Page, revision: number) =>
  expect(page.getByTestId('save-state')).toHaveText(`revision ${revision}`)

test('from a new pair to printed cards and a running clock', async ({ page }) => {
  const errors: string[] = []
  page.on('pageerror', (e) => errors.push(e.message))
  await page.goto(server.url)

  await test.step('a form that is not filled in says what is missing and starts nothing', async () => {
    await page.getByRole('link', { name: 'New pair' }).click()
    // What is known is filled in: the number that comes next, and a name.
    await expect(page.getByLabel('Order number')).toHaveValue('1045')
    await page.getByLabel('Order number').fill('')
    await page.getByRole('button', { name: 'Start this pair' }).click()
    await expect(page.getByText('Give the order a number.')).toBeVisible()
    await expect(page.getByLabel('Order number')).toBeFocused()
    await expect(page).toHaveURL(/\/pairs\/new$/)
  })
  await test.step('new pair', async () => {
    await page.getByLabel('Order number').fill('1041')
    await expect(page.getByText('Order 1041 has a pair already: Welted derby.')).toBeVisible()
    await page.getByLabel('Order number').fill('3001')
    await page.getByLabel('Name of the pair').fill('Sunday derby')
    await page.getByLabel('Trade of the customer').fill('sailmaker')
    await page.getByRole('radio', { name: 'Harbour 25', exact: true }).check()
    await expect(page.getByLabel('Size', { exact: true })).toHaveValue('43.5')
    await page.getByRole('button', { name: 'Start this pair' }).click()
    await expect(page).toHaveURL(/\/pairs\/[0-9a-f-]{36}\/last$/)
  })
  await test.step('the last in 3D with its tape readings', async () => {
    const tape = page.locator('.girths li')
    await expect(tape.filter({ hasText: 'Joint' })).toContainText('252.0 mm')
    const canvas = page.locator('canvas')
    await expect(canvas).toBeVisible()
    await page.getByRole('radio', { name: 'Medial' }).click()
    await expect(canvas).toHaveAttribute('aria-label', /Medial/)
    await page.getByLabel('My own plane').check()
    const own = page.getByTestId('own-girth')
    const first = parseFloat((await own.textContent()) ?? '')
    await slideTo(page.getByRole('slider', { name: 'From the heel' }), 0.3)
    await expect.poll(async () => parseFloat((await own.textContent()) ?? '')).toBeGreaterThan(first)
  })
  await test.step('the parts, each with its number and its reason', async () => {
    await page.keyboard.press(']')
    await expect(page).toHaveURL(/\/upper/)
    await page.keyboard.press(']')
    await expect(page).toHaveURL(/\/parts/)
    for (const name of ['Insole', 'Stiffener', 'Toe puff', 'Sock liner', 'Midsole']) {
      await page.getByRole('navigation', { name: 'Parts' }).getByRole('link', { name }).click()
      await expect(page.getByRole('img', { name: new RegExp(`^${name}, right foot`) })).toBeVisible()
      await expect(page.locator('.because').first()).toBeVisible()
    }
  })
  const puff = page.getByRole('slider', { name: 'Back edge behind the toe tip, by tape over the toe box' })
  const crease = page.locator('[data-finding="puff.crease"]')
  await test.step('too long a puff is stopped', async () => {
    await page.getByRole('navigation', { name: 'Parts' }).getByRole('link', { name: 'Toe puff' }).click()
    await expect(crease).toHaveClass(/fine/)
    const before = await page.locator('.slate-surface path.cut').getAttribute('d')
    await slideTo(puff, 90)
    await expect(crease).toHaveClass(/stop/)
    await expect(crease).toContainText(/Shorten the puff to \d+ mm/)
    expect(await page.locator('.slate-surface path.cut').getAttribute('d')).not.toBe(before)
    await saved(page, 2)
  })
  await test.step('undone, redone, and mended', async () => {
    await page.keyboard.press('Control+z')
    await expect(crease).toHaveClass(/fine/)
    await saved(page, 1)
    await page.keyboard.press('Control+y')
    await expect(crease).toHaveClass(/stop/)
    await page.getByRole('button', { name: /Back to the rule, 59.2 mm/ }).click()
    await expect(crease).toHaveClass(/fine/)
    await saved(page, 3)
  })
  await test.step('the other foot is the mirror image', async () => {
    const d = () => page.locator('.slate-surface path.cut').getAttribute('d')
    const numbers = (s: string | null) => (s ?? '').match(/-?\d+(\.\d+)?/g)?.map(Number) ?? []
    const right = numbers(await d())
    await page.getByRole('radio', { name: 'Left', exact: true }).click()
    await expect(page.getByRole('img', { name: /left foot/ })).toBeVisible()
    const left = numbers(await d())
    const extreme = (n: number[]) => Math.min(...n.filter((_, i) => i % 2 === 1))
    const other = (n: number[]) => Math.max(...n.filter((_, i) => i % 2 === 1))
    expect(extreme(left)).toBeCloseTo(-other(right), 1)
  })
  await test.step('the PDF is downloaded and measured', async () => {
    await page.getByRole('button', { name: 'Print and files' }).click()
    await page.getByRole('radio', { name: 'A3' }).click()
    const waiting = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Parts (PDF)' }).click()
    const download = await waiting
    expect(download.suggestedFilename()).toBe('pair-3001-r3-a3.pdf')
    const pages = await measurePdf(readFileSync(await download.path()))
    const bar = pages[0]!.lines.find((l) => l.points.length === 2 && Math.abs(l.width - 100) < 1)
    expect(Math.abs((bar?.width ?? 0) - 100)).toBeLessThan(0.05)
    const insole = pages.find((p) => p.text.includes('Insole, right'))
    const longest = Math.max(
      ...(insole?.lines ?? []).filter((l) => l.points.length > 40).map((l) => Math.max(l.width, l.height)),
    )
    // The bottom of this last rolled out is 289.9 mm.
    expect(Math.abs(longest - 289.9)).toBeLessThan(0.2)
    await expect(page.getByText(/parts on it put on record as printed/)).toBeVisible()
    await page.getByRole('button', { name: 'Close' }).click()
  })
  await test.step('a step is started and finished, its wait runs, and both survive a reload', async () => {
    await page.getByRole('link', { name: 'Work', exact: true }).click()
    const step = page.locator('[data-step="print"]')
    await step.getByRole('button', { name: 'Start' }).click()
    await expect(step.getByTestId('running-clock')).toBeVisible()
    await page.reload()
    await expect(step.getByTestId('running-clock')).toBeVisible()
    const seconds = async () => {
      const [m, s] = ((await step.getByTestId('running-clock').textContent()) ?? '0:0').split(':').map(Number)
      return m! * 60 + s!
    }
    const at = await seconds()
    await expect.poll(seconds).toBeGreaterThan(at)
    await step.getByRole('button', { name: 'Done' }).click()
    for (const id of ['cut-insole', 'soak-insole']) {
      const next = page.locator(`[data-step="${id}"]`)
      await next.getByRole('button', { name: 'Start' }).click()
      await next.getByRole('button', { name: /Done/ }).click()
    }
    const clock = page.getByTestId('wait-clock')
    await expect(clock).toHaveText(/^(20:00|19:\d\d)$/)
    await page.reload()
    await expect(clock).toHaveText(/^19:\d\d$/)
    await expect(page.locator('[data-step="block-insole"]').getByRole('button', { name: 'Start' })).toBeDisabled()
  })
  await test.step('closed and opened again, everything is where it was', async () => {
    await page.goto(`${server.url}/pairs`)
    const card = page.getByRole('link', { name: /Sunday derby/ })
    await expect(card).toContainText('sailmaker')
    await expect(card).toContainText('3 / 95')
  })
  expect(errors).toEqual([])
})

test('a changed number moves the shape, and the page stays awake however long the planning takes', async ({ page }) => {
  await page.goto(`${server.url}/pairs/01930000-0003-7000-8000-000000000001/parts/midsole`)
  const slider = page.getByRole('slider', { name: 'Stitch room' })
  const room = page.locator('[data-finding="midsole.room"]')
  const shape = () => page.locator('.slate-surface path.cut').getAttribute('d')
  await expect(slider).toBeVisible()
  await expect(page.locator('.planning')).toHaveCount(0)
  const [worker] = page.workers()
  expect(worker!.url()).toContain('planWorker')

  // The planner is held until it is let go: it waits for an answer that this test gives. The page must answer all the same.
  let letGo = () => {}
  const held = new Promise<void>((resolve) => (letGo = resolve))
  await page.route('**/held', async (route) => {
    await held
    await route.fulfill({ status: 204 })
  })
  const busy = worker!.evaluate(() => {
    const asked = new XMLHttpRequest()
    asked.open('GET', '/held', false)
    asked.send()
    return asked.status
  })
  const before = await shape()
  await slideTo(slider, 2)
  await expect(page.getByText('Planning …')).toBeVisible()
  await page.getByRole('radio', { name: 'Left', exact: true }).click()
  await expect(page.getByRole('img', { name: /left foot/ })).toBeVisible()
  await page.getByRole('radio', { name: 'Right', exact: true }).click()
  expect(await shape()).toBe(before)
  letGo()
  expect(await busy).toBe(204)
  await expect(room).toHaveClass(/stop/)
  expect(await shape()).not.toBe(before)
})

test('a thicker lining widens the midsole, in numbers and in inches', async ({ page }) => {
  await page.goto(`${server.url}/pairs/01930000-0003-7000-8000-000000000002/parts/midsole`)
  const length = page.locator('.because', { hasText: 'Length of the midsole' }).locator('.value')
  await expect(length).toContainText('mm')
  const before = parseFloat((await length.textContent()) ?? '')
  await page.goto(`${server.url}/stores`)
  await page.getByRole('button', { name: 'Change Undyed goat' }).click()
  await page.getByLabel('Thickness, mm').fill('1.5')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('row', { name: /Undyed goat/ })).toContainText('1.5 mm')
  await page.goto(`${server.url}/pairs/01930000-0003-7000-8000-000000000002/parts/midsole`)
  await expect(length).toContainText('mm')
  expect(parseFloat((await length.textContent()) ?? '') - before).toBeCloseTo(1.2, 1)
  await page.getByRole('button', { name: 'Show inches' }).click()
  await expect(length).toHaveText(/^\d+( \d+\/\d+)?″$/)
})

test('a new pair is chosen by pictures with the keyboard alone', async ({ page }) => {
  await page.goto(`${server.url}/pairs/new`)
  await expect(page.getByLabel('Order number')).toHaveValue(/\d/)
  const shoe = page.getByRole('complementary', { name: 'The pair as chosen' })
  await expect(shoe.getByRole('img', { name: /^Derby, welted, .* on Breakwater 30, from its side$/ })).toBeVisible()
  const derby = await shoe.locator('svg path.upper').getAttribute('d')
  const focused = () => page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? '')
  /** Each group of pictures is one stop. */
  async function tabTo(name: RegExp): Promise<number> {
    for (let n = 1; n <= 30; n++) {
      await page.keyboard.press('Tab')
      if (name.test(await focused())) return n
    }
    throw new Error(`Nothing called ${String(name)} was reached.`)
  }
  await tabTo(/^Breakwater 30$/)
  await page.keyboard.press('ArrowRight')
  expect(await focused()).toBe('Descant 45')
  expect(await tabTo(/^Derby$/)).toBe(3)
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('radio', { name: 'Oxford' })).toBeChecked()
  await expect(page.getByText(/^As for order 1039/)).toBeVisible()
  expect(await tabTo(/^Welted$|^Cemented$/)).toBe(1)
  await expect(page.getByRole('radio', { name: 'Stitch-down' }).last()).toBeDisabled()
  await page.getByRole('radio', { name: 'Cemented' }).focus()
  await page.keyboard.press('Space')
  await expect(shoe.getByRole('img', { name: /^Oxford, cemented, .* on Descant 45, from its side$/ })).toBeVisible()
  await expect.poll(() => shoe.locator('svg path.upper').getAttribute('d')).not.toBe(derby)
  await expect(shoe).toContainText('Descant 45')
  await page.getByLabel('Trade of the customer').focus()
  await page.keyboard.type('rigger')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/pairs\/[0-9a-f-]{36}\/last$/)
  await expect(page.getByText('Oxford on Descant 45').first()).toBeVisible()
  // The shoe that was shown is the one that is on the list.
  await page.goto(`${server.url}/pairs`)
  const card = page.getByRole('link', { name: /Oxford on Descant 45/ })
  await expect(card.locator('svg path.upper')).toBeVisible()
  await expect(card).toContainText('rigger, cemented')
})

test.describe('on a tablet, in inches', () => {
  test.use({ viewport: { width: 820, height: 1180 }, hasTouch: true })
  test('a new pair is chosen by pictures with a thumb', async ({ page }) => {
    await page.addInitScript(() => localStorage.setItem('gentle-awl.unit', 'inch'))
    await page.goto(`${server.url}/pairs/new`)
    const lasts = page.getByRole('radiogroup', { name: 'Last' })
    await expect(lasts).toContainText('11 7/16″')
    await lasts.getByRole('radio', { name: 'Quay 20' }).tap()
    await page.getByRole('radio', { name: 'Ankle boot' }).tap()
    await page.getByRole('radio', { name: 'Cup sole' }).tap()
    await expect(page.getByRole('combobox', { name: 'Bought sole' })).toBeVisible()
    const shoe = page.getByRole('complementary', { name: 'The pair as chosen' })
    await expect(shoe.getByRole('img', { name: /^Ankle boot, cup sole, .* on Quay 20, from its side$/ })).toBeVisible()
    await page.getByRole('button', { name: 'Start this pair' }).tap()
    await expect(page).toHaveURL(/\/pairs\/[0-9a-f-]{36}\/last$/)
    await expect(page.getByText('Ankle boot on Quay 20').first()).toBeVisible()
  })
})
