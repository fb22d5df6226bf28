import { expect, test, visit } from './openPage.ts'
import { choose } from './controls.ts'
import { startServer, type RunningServer } from './server.ts'

let server: RunningServer
test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

const derby = '/pairs/01930000-0003-7000-8000-000000000001'
/** A view or a step of the work on a pair. */
const benchOf = (pair: string, what: string) => [server.url + pair, 'work', what].join('/')
const choir = '/pairs/01930000-0003-7000-8000-000000000003'
const court = '/pairs/01930000-0003-7000-8000-000000000004'

test('lining first: order, reasons and waits change with it, it is kept under a name and taken for another pair', async ({
  page,
}) => {
  await visit(page, benchOf(choir, 'ways'))
  const lasting = page.locator('[data-way="lasting"]')
  await expect(lasting.getByRole('radio', { name: 'together at the back' })).toBeChecked()
  await expect(lasting).toContainText('a night between for the shells to dry')
  await lasting.getByText('lining first', { exact: true }).click()
  const effect = lasting.getByRole('status')
  await expect(effect).toContainText('New: “Last the lining all round”')
  await expect(effect).toContainText('Gone: “Draft the upper on the last and last the back”')
  await expect(effect).toContainText(/\d+ steps wait otherwise/)
  // What no part of this flat asks for is not asked: it has a board, no lacing and no cup.
  await expect(page.locator('[data-way="cup"]')).toHaveCount(0)

  await page.getByRole('radio', { name: 'Step by step' }).click()
  const ids = async () => page.locator('[data-step]').evaluateAll((all) => all.map((e) => e.getAttribute('data-step')))
  await expect(page.locator('[data-step="last-upper.right"]')).toBeVisible()
  const order = await ids()
  const at = (id: string) => order.indexOf(id)
  expect(at('trim-lining.right')).toBeLessThan(at('paste-stiffener.right'))
  expect(at('paste-stiffener.right')).toBeLessThan(at('last-upper.right'))
  const paste = page.locator('[data-step="paste-stiffener.left"]')
  await paste.getByRole('button', { name: /Paste the stiffener over the lasted lining/ }).click()
  await expect(paste).toContainText('then at least 10 h')
  await expect(paste).toContainText('because it lies on the lasted lining')
  await expect(paste).toContainText(
    'Not after “Cement margin and insole, left”: the shell is dry before the upper comes over it.',
  )

  await page.getByRole('radio', { name: 'How it is worked' }).click()
  await page.getByRole('button', { name: 'Keep under a name' }).click()
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('Give this way of working a name.')).toBeVisible()
  await page.getByLabel('Name', { exact: true }).fill('Choir flats')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('button', { name: 'Do not keep “Choir flats”' })).toBeVisible()
  await visit(page, benchOf(court, 'ways'))
  await expect(lasting.getByRole('radio', { name: 'together at the back' })).toBeChecked()
  await choose(page.getByRole('combobox', { name: 'Worked as' }), 'Choir flats')
  await expect(lasting.getByRole('radio', { name: 'lining first' })).toBeChecked()
})

test('a step is moved where no reason forbids it, an own one is added, and both are there after a reload', async ({
  page,
}) => {
  await visit(page, `${server.url}${choir}/work`)
  const puff = page.locator('[data-step="cut-puff"]')
  await puff.getByRole('button', { name: /Cut the toe puffs/ }).click()
  await expect(puff).toContainText('Not after “Skive the toe puffs”: it is skived dry, from the cut edge.')
  await choose(puff.getByRole('combobox', { name: 'Do it' }), 'before “Cut the upper”')
  const ids = async () => page.locator('[data-step]').evaluateAll((all) => all.map((e) => e.getAttribute('data-step')))
  await expect.poll(async () => (await ids()).indexOf('cut-puff') + 1).toBe((await ids()).indexOf('cut-upper'))

  await page.getByRole('radio', { name: 'How it is worked' }).click()
  await page.getByRole('button', { name: 'Add a step' }).click()
  const dialog = page.getByRole('dialog', { name: 'A step of your own' })
  await dialog.getByRole('button', { name: 'Add it' }).click()
  await expect(dialog.getByRole('alert')).toHaveText('Give the step a name.')
  await dialog.getByLabel('What is done').fill('Stamp the sole')
  const pick = (field: string, name: string) => choose(dialog.getByRole('combobox', { name: field }), name)
  await pick('Comes after', 'Dye and wax the sole edges')
  await pick('Comes before', 'Cut the upper')
  await dialog.getByRole('button', { name: 'Add it' }).click()
  await expect(dialog.getByRole('alert')).toContainText('before and after the same step')
  await dialog.getByRole('button', { name: 'Comes before: not Cut the upper' }).click()
  await pick('Comes before', 'Take the lasts out, feel for tacks')
  await dialog.getByRole('button', { name: 'Add it' }).click()
  await expect(dialog).toBeHidden()
  await page.getByRole('radio', { name: 'Step by step' }).click()
  const stamp = page.locator('[data-step^="own."]')
  await expect(stamp).toContainText('Stamp the sole')
  await expect(page.getByText(/^revision \d+/))
    .toBeVisible()
    .catch(() => undefined)
  await expect
    .poll(async () => (await page.request.get(`${server.url}/api/v1${choir}`)).json())
    .toMatchObject({
      decisions: { work: { own: [{ name: 'Stamp the sole', before: ['last-out'] }] } },
    })
  await page.reload()
  await expect(stamp).toBeVisible()
  const order = await ids()
  const own = order.findIndex((id) => id?.startsWith('own.'))
  expect(own).toBeGreaterThan(order.indexOf('dye-sole'))
  expect(own).toBeLessThan(order.indexOf('last-out'))
  expect(order.indexOf('cut-puff')).toBe(order.indexOf('cut-upper') - 1)
})

test('on a tablet a step fills the page: begun, done and gone on from there, with its tacks and how it is done', async ({
  page,
}) => {
  await page.setViewportSize({ width: 820, height: 1180 })
  await visit(page, benchOf(choir, 'print'))
  const sheet = page.locator('article.sheet')
  await expect(sheet.getByRole('heading', { level: 2 })).toHaveText('Print the parts and check the 100 mm bar')
  await sheet.getByRole('button', { name: 'Start' }).click()
  await expect(sheet.getByTestId('running-clock')).toBeVisible()
  await sheet.getByRole('button', { name: 'Done' }).click()
  await sheet
    .getByRole('link', { name: /^Next: / })
    .last()
    .click()
  await expect(sheet.getByRole('heading', { level: 2 })).not.toHaveText(/^Print/)
  // One that waits says what for; its tacks are ticked off here as in the lasting room.
  await visit(page, benchOf(derby, 'last-toe.left'))
  await expect(sheet.getByRole('button', { name: 'Start' })).toBeDisabled()
  await expect(sheet).toContainText('First: Cement margin and insole, left')
  await sheet.getByRole('button', { name: 'Tack 1 is in' }).click()
  await expect(sheet.locator('.driven')).toHaveCount(1)
  await visit(page, `${server.url}${derby}/lasting/upper`)
  await expect(page.locator('.driven')).toHaveCount(1)
  await visit(page, benchOf(derby, 'last-toe.left'))
  await sheet.getByRole('button', { name: 'Pull and twist with the pliers' }).click()
  await expect(sheet.getByRole('img', { name: 'Drawing: Pull and twist with the pliers' })).toBeVisible()
  await visit(page, benchOf(derby, 'no-such-step'))
  await expect(page.getByRole('alert')).toContainText('no such step')
})

test('the graph tells what waits for what, and a step chosen there is found by its name', async ({ page }) => {
  await visit(page, benchOf(court, 'graph'))
  await expect(
    page
      .getByRole('img', { name: /^What waits for what/ })
      .locator('svg')
      .first(),
  ).toBeVisible()
  await choose(page.getByRole('combobox', { name: 'Step' }), 'Rasp the puff smooth, left')
  const chosen = page.locator('.chosen')
  await expect(chosen).toContainText('a puff that has not set tears under the rasp')
  await chosen.getByRole('link', { name: 'Large' }).click()
  await expect(page.locator('article.sheet')).toContainText('Rasp the puff smooth, left')
})

test('a card of technique is found by its words, and one of the workshop’s own stands at the step it is for', async ({
  page,
}) => {
  await visit(page, benchOf(derby, 'how-to'))
  const search = page.getByRole('searchbox', { name: 'Find a card by its words' })
  await search.fill('twist wrist')
  await expect(page.getByText('1 card')).toBeVisible()
  await page.getByRole('button', { name: 'Pull and twist with the pliers' }).click()
  await expect(page.getByRole('img', { name: 'Drawing: Pull and twist with the pliers' })).toBeVisible()
  await page.getByRole('button', { name: 'Write a card' }).click()
  const dialog = page.getByRole('dialog', { name: 'A card of your own' })
  await dialog.getByLabel('Title').fill('Rasping by lamplight')
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await expect(dialog.getByRole('alert')).toHaveText('Write down how it is done.')
  await dialog.getByLabel('How it is done').fill('A low lamp from the side shows every ridge.')
  await choose(dialog.getByRole('combobox', { name: 'Shown at' }), 'Rasp the puff smooth')
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await expect(dialog).toBeHidden()
  await search.fill('lamplight')
  await expect(page.getByRole('button', { name: 'Change Rasping by lamplight' })).toBeVisible()
  await visit(page, benchOf(derby, 'shave-puff.right'))
  await page.getByRole('button', { name: 'Rasping by lamplight' }).click()
  await expect(page.getByText('A low lamp from the side shows every ridge.')).toBeVisible()
})
