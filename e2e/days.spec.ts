import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { startServer, type RunningServer } from './server.ts'

let server: RunningServer
test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

test('today is the first room: a step is begun by thumb, two devices see the same clock, and it is done', async ({
  browser,
}) => {
  const tablet = await browser.newContext({ viewport: { width: 820, height: 1180 } })
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 } })
  const [one, two] = [await tablet.newPage(), await phone.newPage()]
  await one.goto(server.url)
  await expect(one).toHaveURL(/\/today$/)
  await two.goto(`${server.url}/today`)
  const first = one.locator('[data-next]').first()
  const step = await first.getAttribute('data-next')
  await first.getByRole('button', { name: 'Start' }).click()
  for (const page of [one, two]) await expect(page.locator(`[data-running="${step}"]`)).toBeVisible()
  const clock = async (page: typeof one) => {
    const [m, s] = ((await page.locator(`[data-running="${step}"]`).getByTestId('bench-clock').textContent()) ?? '')
      .split(':')
      .map(Number)
    return m! * 60 + s!
  }
  expect(Math.abs((await clock(one)) - (await clock(two)))).toBeLessThanOrEqual(2)
  expect(await two.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await two.locator(`[data-running="${step}"]`).getByRole('button', { name: /Done/ }).click()
  for (const page of [one, two]) await expect(page.locator(`[data-running="${step}"]`)).toHaveCount(0)
  await tablet.close()
  await phone.close()
})

test('the calendar lays all open pairs out: by maker, by pair, by last, as a list; another maker is added and has work', async ({
  page,
}) => {
  await page.goto(`${server.url}/calendar`)
  const timeline = page.getByRole('group', { name: 'The work of all open pairs over time' })
  await expect(timeline).toContainText('Window bench')
  await page.getByRole('radio', { name: 'By pair' }).check({ force: true })
  await expect(timeline).toContainText('1041 Welted derby')
  await page.getByRole('radio', { name: 'By last' }).check({ force: true })
  await expect(timeline).toContainText('Harbour 25')
  await page.getByRole('radio', { name: 'By maker' }).check({ force: true })
  await timeline.hover()
  await page.keyboard.down('Control')
  await page.mouse.wheel(0, 100)
  await expect(page.getByRole('radio', { name: 'Month', exact: true })).toBeChecked()
  await page.mouse.wheel(0, -100)
  await page.keyboard.up('Control')
  await expect(page.getByRole('radio', { name: 'Week', exact: true })).toBeChecked()
  await page.getByRole('button', { name: 'Who works, and when' }).click()
  const dialog = page.getByRole('dialog', { name: 'Who works, and when' })
  await dialog.getByRole('button', { name: 'Add a maker' }).click()
  const added = dialog.locator('[data-maker="Bench 3"]')
  await added.getByRole('textbox', { name: 'Saturday' }).fill('9 to')
  await added.getByRole('textbox', { name: 'Saturday' }).press('Enter')
  await expect(added.getByText('Write hours as 8:00 to 12:00')).toBeVisible()
  await expect(dialog.getByRole('button', { name: 'Keep this calendar' })).toBeDisabled()
  await added.getByRole('textbox', { name: 'Saturday' }).fill('9 to 13')
  await added.getByRole('textbox', { name: 'Saturday' }).press('Enter')
  await dialog.getByRole('button', { name: 'Keep this calendar' }).click()
  await expect(dialog).toHaveCount(0)
  await expect(timeline).toContainText('Bench 3')
  await page.getByRole('radio', { name: 'As a list' }).check({ force: true })
  await expect(page.getByRole('cell', { name: 'Bench 3' }).first()).toBeVisible()
  const outlook = page.locator('[data-outlook="1044"]')
  await outlook.getByRole('button', { name: 'Step by step, from the end' }).click()
  await expect(outlook.getByRole('listitem').first()).toContainText('1044')
  const waiting = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Calendar file' }).click()
  const file = readFileSync(await (await waiting).path(), 'utf8')
  expect(file).toContain('BEGIN:VEVENT')
  expect(file).toContain('LOCATION:Bench 3')
})

test('a new order is promised a day before it is accepted, and keeps it', async ({ page }) => {
  await page.goto(`${server.url}/pairs/new`)
  await page.getByRole('button', { name: 'When could it be ready?' }).click()
  const promised = page.locator('[data-promised]')
  await expect(promised).toContainText(/Earliest \w+day/)
  await promised.getByRole('button', { name: 'Promise this day' }).click()
  await expect(page.locator('input[name="due"]')).not.toHaveValue('')
  const due = await page.locator('input[name="due"]').inputValue()
  await page.getByRole('button', { name: 'Start this pair' }).click()
  await expect(page).toHaveURL(/\/last$/)
  await page.goto(page.url().replace(/last$/, 'decisions'))
  await expect(page.locator('input[name="due"]')).toHaveValue(due)
})

test('a step is dragged to a later hour: what that moves is said first, it stays there, and is let go again', async ({
  page,
}) => {
  await page.goto(`${server.url}/calendar`)
  const timeline = page.getByRole('group', { name: 'The work of all open pairs over time' })
  await page.getByRole('radio', { name: 'Month', exact: true }).check({ force: true })
  // The widest bar of those that are not begun: one that a finger would take.
  const bars = timeline.locator('.work:not(.begun)')
  await expect(bars.first()).toBeVisible()
  const boxes = await bars.evaluateAll((all) =>
    all.map((g) => ({
      id: g.getAttribute('data-bar') ?? '',
      width: g.querySelector('rect')!.getBoundingClientRect().width,
    })),
  )
  const { id } = boxes.reduce((a, b) => (b.width > a.width ? b : a))
  const bar = timeline.locator(`[data-bar="${id}"]`)
  const box = (await bar.locator('rect').boundingBox())!
  const [x, y] = [box.x + Math.min(4, box.width / 2), box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x + 60, y, { steps: 6 })
  await page.mouse.move(x + 240, y, { steps: 6 })
  await page.mouse.up()
  const dialog = page.getByRole('dialog', { name: 'Move this step' })
  await expect(dialog).toContainText('It comes to lie at')
  await expect(dialog).toContainText(/other steps? moves?|Nothing else moves/)
  await dialog.getByRole('button', { name: 'Put it there' }).click()
  await expect(dialog).toHaveCount(0)
  const put = timeline.locator('.work.put')
  await put.first().locator('rect').click({ force: true })
  await page.getByRole('button', { name: 'Move it …' }).click()
  await dialog.getByRole('textbox', { name: 'Time' }).fill('25:00')
  await expect(dialog.getByText('Write the time as 8:30.')).toBeVisible()
  await dialog.getByRole('button', { name: 'Leave it to the timetable' }).click()
  await expect(put).toHaveCount(0)
})
