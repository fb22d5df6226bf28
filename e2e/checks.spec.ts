import { expect, test, type Page } from '@playwright/test'
import { startServer, type RunningServer } from './server.ts'

let server: RunningServer
test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

const pairPath = (n: number) => `/pairs/01930000-0003-7000-8000-00000000000${n}`
const [derby, choir, stage] = [pairPath(1), pairPath(3), pairPath(4)]
const stepPath = (pair: string, step: string) => [pair, 'work', step].join('/')
const openView = (page: Page, name: string) => page.getByRole('radio', { name, exact: true }).check({ force: true })
interface Told {
  step: string
  what: string
  at: string
}

test('a shoe that was measured off its plan is sent back with the reason, and what was spoilt is to be made again', async ({
  page,
}) => {
  await page.goto(`${server.url}${stage}/cutting`)
  await page.getByRole('button', { name: 'Stiffener is cut' }).click()
  await expect(page.getByRole('row', { name: /^Stiffener / })).toContainText(/cut \d/)
  await page.goto(`${server.url}${stage}/checks`)
  const back = page.locator('[data-check="backHeight"]')
  const field = back.getByRole('textbox', { name: 'Height at the back, right' })
  const planned = Number(/Planned (\d+\.\d)/.exec(await back.innerText())![1])
  await field.fill(String(planned - 4))
  await field.press('Enter')
  await expect(back).toContainText(/4\.\d mm too little/)
  await expect(back).toContainText('push the top line up')
  // A second device sees it, and so does the mark at the stage.
  await expect(page.getByRole('link', { name: /^Checks/ }).locator('svg')).toBeVisible()
  await back.getByRole('button', { name: 'Send the right shoe back …' }).first().click()
  const dialog = page.getByRole('dialog', { name: 'Send back' })
  await expect(dialog.getByRole('radio', { name: 'Right shoe' })).toBeChecked()
  await expect(dialog.getByRole('textbox', { name: 'Why' })).toHaveValue(/too little/)
  const again = dialog.getByRole('group', { name: 'Done again' })
  await expect(again).toContainText(/\d+ min of handwork/)
  await expect(again.getByRole('checkbox', { name: /last the back, right/ })).toBeChecked()
  await expect(again.getByRole('checkbox', { name: /, left$/ })).toHaveCount(0)
  await dialog.getByRole('combobox', { name: 'Cut again' }).click()
  await page.getByRole('option', { name: 'Stiffener, right' }).click()
  await dialog.getByRole('button', { name: 'Send it back' }).click()
  await expect(dialog).toHaveCount(0)
  await expect(page.getByTestId('remake')).toContainText('One thing made before is of no use any more')
  await openView(page, 'Sent back')
  const setback = page.locator('[data-setback^="last-back"]')
  await expect(setback).toContainText('right shoe')
  await expect(page.getByRole('heading', { name: 'To be made again' }).locator('..')).toContainText('Stiffener, right')
  // On the cutting list it stands uncut again, though it was cut once.
  await page.goto(`${server.url}${stage}/cutting`)
  await expect(page.getByRole('button', { name: 'Stiffener is cut' })).toBeVisible()
  await page.goto(server.url + stepPath(stage, 'last-back.right'))
  await expect(page.getByRole('button', { name: 'Start' })).toBeEnabled()
  await page.goto(server.url + stepPath(stage, 'last-back.left'))
  await expect(page.getByText('Took', { exact: true })).toBeVisible()
  // It was the other pair after all: nothing that was done is lost.
  await page.goto(`${server.url}${stage}/checks/back`)
  await page.getByRole('button', { name: 'Take back: it was a mistake' }).click()
  await expect(page.getByText('Nothing was sent back.')).toBeVisible()
  await page.goto(server.url + stepPath(stage, 'last-back.right'))
  await expect(page.getByText('Took', { exact: true })).toBeVisible()
})

test('a look that was not as it should be, with a photograph that is kept with it', async ({ page }) => {
  await page.goto(`${server.url}${derby}/checks`)
  const folds = page.locator('[data-check="look.folds"]')
  const right = folds.getByRole('radiogroup', { name: 'No folds at the seat, right' })
  await right.getByRole('radio', { name: 'Not so' }).click({ force: true })
  await expect(folds).toContainText('Right: not as it should be.')
  const drawn = await page.evaluate(() => {
    const canvas = document.createElement('canvas')
    ;[canvas.width, canvas.height] = [2400, 1200]
    return canvas.toDataURL('image/png').split(',')[1]!
  })
  await folds.locator('input[type="file"]').setInputFiles({
    name: 'seat.png',
    mimeType: 'image/png',
    buffer: Buffer.from(drawn, 'base64'),
  })
  const thumb = folds.getByRole('button', { name: /Photograph 1 of No folds/ })
  await thumb.click()
  const large = page.getByRole('dialog').getByRole('img')
  await expect(large).toBeVisible()
  // Made small enough to be kept, in proportion.
  expect(await large.evaluate((img: HTMLImageElement) => [img.naturalWidth, img.naturalHeight])).toEqual([1600, 800])
  await page.getByRole('button', { name: 'Delete it' }).click()
  await expect(thumb).toHaveCount(0)
  await folds.locator('input[type="file"]').setInputFiles({
    name: 'seat.png',
    mimeType: 'image/png',
    buffer: Buffer.from('no picture'),
  })
  await expect(folds.getByRole('alert')).toContainText('cannot be opened here')
})

test('went wrong: causes are ranked by the pair’s own figures, and what prevents it is tried on a copy', async ({
  page,
}) => {
  await page.goto(`${server.url}${stage}/checks/ask`)
  await page.getByRole('searchbox', { name: 'Find a fault by its words' }).fill('puff line')
  await page.getByRole('link', { name: 'A line at the puff' }).click()
  await expect(page.locator('[data-cause]').first()).toContainText(/likely/)
  const skive = page.locator('[data-cause="shortSkive"]')
  await expect(skive).toContainText('The back edge is skived over 15 mm.')
  await skive.getByRole('button', { name: 'See what that would change' }).click()
  await expect(
    skive
      .getByRole('listitem')
      .filter({ hasText: /→|Shapes that move/ })
      .first(),
  ).toBeVisible()
  await skive.getByRole('button', { name: 'Try it on a copy' }).click()
  await skive.getByRole('link', { name: 'open it' }).click()
  await expect(page.getByRole('heading', { name: 'Stage shoe, tried' })).toBeVisible()
  await expect(page.getByTestId('save-state')).toHaveText('revision 1')
  await page.goto(`${server.url}${stage}/checks/ask?fault=folds`)
  await page.getByRole('button', { name: 'Add a cause of your own' }).click()
  const dialog = page.getByRole('dialog', { name: 'A cause of your own' })
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await expect(dialog.getByRole('alert')).toContainText('one cause')
  await dialog.getByRole('textbox', { name: 'What it comes from' }).fill('The belly was too stretchy')
  await dialog.getByRole('textbox', { name: 'What prevents it next time' }).fill('Cut from nearer the back')
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.locator('[data-own-fault]')).toContainText('The belly was too stretchy')
})

test('glue that waited too long is flagged on both devices, woken by heat, and the work goes on', async ({
  browser,
}) => {
  const context = await browser.newContext()
  const [page, phone] = [await context.newPage(), await context.newPage()]
  await page.goto(`${server.url}/today`)
  // A pair whose margin was cemented an hour ago comes in with its log.
  const file = (await (await fetch(`${server.url}/api/v1${stage}/file`)).json()) as {
    id: string
    label: { order: string; name: string }
    log: Told[]
    readings: unknown[]
  }
  const ago = (minutes: number) => new Date(Date.now() - minutes * 60_000).toISOString()
  const cement = file.log.findIndex((e) => e.step === 'cement-margin.right' && e.what === 'finished')
  const shift = Date.parse(file.log[cement]!.at) - (Date.now() - 60 * 60_000)
  file.log = file.log.slice(0, cement + 1).map((e) => ({ ...e, at: new Date(Date.parse(e.at) - shift).toISOString() }))
  file.readings = []
  file.id = '01930000-00ff-7000-8000-000000000001'
  file.label = { ...file.label, order: '2001', name: 'Late glue' }
  expect(Date.parse(file.log.at(-1)!.at)).toBeLessThan(Date.parse(ago(50)))
  const sent = await fetch(`${server.url}/api/v1/pairs/import`, { method: 'POST', body: JSON.stringify(file) })
  expect(sent.status).toBe(201)
  const { id } = (await sent.json()) as { id: string }
  await phone.goto(`${server.url}/today`)
  for (const one of [page, phone]) {
    const loud = one.getByRole('alert').locator('article').filter({ hasText: '2001 Late glue' })
    await expect(loud).toContainText('Too long since')
    await expect(loud).toContainText('Warmed, it grabs again')
  }
  const loud = page.getByRole('alert').locator('article').filter({ hasText: '2001 Late glue' })
  await loud.getByRole('button', { name: 'Put right, go on' }).click()
  for (const one of [page, phone]) {
    await expect(one.getByRole('alert').locator('article').filter({ hasText: 'Too long since' })).toHaveCount(0)
  }
  await page.goto(server.url + stepPath(`/pairs/${id}`, 'last-toe.right'))
  await page.getByRole('button', { name: 'Start' }).click()
  await page.getByRole('button', { name: 'Pause' }).click()
  await expect(page.getByText('Rests')).toBeVisible()
  await page.getByRole('button', { name: 'Go on' }).click()
  await page.getByRole('button', { name: /^Done/ }).click()
  await expect(page.getByText('Took', { exact: true })).toBeVisible()
  await context.close()
})

test('a lesson is written down on a pair and offered with the next one like it', async ({ page }) => {
  await page.goto(`${server.url}${choir}/checks/lessons`)
  await page.getByRole('button', { name: 'Write down what was learned' }).click()
  const dialog = page.getByRole('dialog', { name: 'What was learned' })
  await dialog.getByRole('textbox', { name: 'In your words' }).fill('Let the bead strip dry before it is rolled over')
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.locator('[data-lesson]').filter({ hasText: 'bead strip' })).toContainText('1043 Choir flat')
  await page.goto(`${server.url}/pairs/new`)
  await page.getByRole('radio', { name: /Ballet flat/ }).check({ force: true })
  await expect(page.locator('[data-offered]')).toContainText('Let the bead strip dry')
  await expect(page.locator('[data-offered]')).toContainText('Offered because of the same style')
  await page.goto(`${server.url}/learned`)
  await page.getByRole('searchbox', { name: 'Find a lesson by its words' }).fill('bead')
  await expect(page.locator('[data-lesson]')).toHaveCount(1)
  await page.locator('[data-lesson]').getByRole('button', { name: 'Delete' }).click()
  await expect(page.getByText('No lesson says that.')).toBeVisible()
})

test('minutes, waits and blades are learned from the log, and a wait is taken over as a house rule', async ({
  page,
}) => {
  await page.goto(`${server.url}/learned/minutes`)
  await expect(page.getByText('still being read')).toHaveCount(0, { timeout: 60_000 })
  const cut = page.locator('[data-minutes="cut-upper"]')
  await expect(cut).toContainText(/Window bench|Stove bench/)
  await openView(page, 'Waits')
  const overnight = page.locator('[data-wait-rule="wait.overnight"]')
  await expect(overnight).toContainText('8 h')
  await overnight.getByRole('button', { name: /^Make it/ }).click()
  await expect(overnight).not.toContainText('10 h')
  await openView(page, 'Blades and needles')
  const knife = page.locator('[data-tool="knife"]')
  await expect(knife).toContainText(/It mostly came to \d/)
  await knife.getByRole('button', { name: 'It was changed' }).click()
  await expect(knife).toContainText('0.0 m cut since')
  await knife.getByRole('button', { name: 'Take back' }).click()
  await expect(knife).not.toContainText('0.0 m cut since')
})

test('a pair is given up with what it cost, leaves the bench, and can be taken up again', async ({ page }) => {
  await page.goto(`${server.url}${choir}/checks/back`)
  await page.getByRole('button', { name: 'Give this pair up …' }).click()
  const dialog = page.getByRole('dialog', { name: 'Give this pair up' })
  await expect(dialog.getByRole('button', { name: 'Give it up' })).toBeDisabled()
  await dialog.getByRole('textbox', { name: 'Why' }).fill('The grain cracked at the toe')
  await dialog.getByRole('button', { name: 'Give it up' }).click()
  await expect(page.getByTestId('given-up')).toContainText('The grain cracked at the toe')
  await page.goto(`${server.url}/pairs`)
  await expect(page.getByRole('link', { name: /Choir flat/ })).toContainText('Given up')
  await page.goto(`${server.url}/today`)
  await expect(page.locator('[data-today]')).not.toContainText('1043 Choir flat')
  await page.goto(`${server.url}${choir}/checks/back`)
  await page.getByRole('button', { name: 'Take it up again' }).click()
  await expect(page.getByTestId('given-up')).toHaveCount(0)
})
