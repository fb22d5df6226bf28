import { expect, test, visit } from './openPage.ts'
import { startServer, type RunningServer } from './server.ts'
import { choose } from './controls.ts'

let server: RunningServer
test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

const deck = '/pairs/01930000-0003-7000-8000-000000000002'
const choir = '/pairs/01930000-0003-7000-8000-000000000003'

test('padding that takes too much girth is seen, and half padding mends it', async ({ page }) => {
  await visit(page, `${server.url}${choir}/parts/padding`)
  const joint = page.locator('[data-finding="padding.girth.joint"]')
  await expect(joint).toHaveClass(/watch/)
  await expect(joint).toContainText('Use half padding')
  await page.getByRole('radio', { name: 'half' }).click()
  await expect(joint).toHaveClass(/fine/)
  await expect(page.getByRole('img', { name: /^Half padding/ })).toBeVisible()
  await page.getByRole('link', { name: 'Work', exact: true }).click()
  await expect(page.locator('[data-step="skive-padding"]')).toContainText('half padding')
  await page.getByRole('link', { name: /Parts/ }).first().click()
  await page.getByRole('navigation', { name: 'Parts' }).getByRole('link', { name: 'Sock liner' }).click()
  await page.getByRole('radio', { name: 'no padding' }).click()
  await expect(page.getByRole('navigation', { name: 'Parts' }).getByRole('link', { name: /padding/i })).toHaveCount(0)
  await page.getByRole('link', { name: 'Work', exact: true }).click()
  await expect(page.locator('[data-step="cut-sock"]')).toBeVisible()
  await expect(page.locator('[data-step="cut-padding"]')).toHaveCount(0)
})

test('a shoe is lasted by its tack plan on a tablet: thumb on the next one, on another, kept over a reload', async ({
  page,
}) => {
  await page.setViewportSize({ width: 820, height: 1180 })
  await visit(page, `${server.url}${choir}/lasting/upper`)
  const next = page.getByTestId('next')
  await expect(next).toHaveText('Next: tack 1, the middle of the toe.')
  const plan = page.getByRole('img', { name: /^Upper: \d+ tacks, seen from below/ })
  const count = Number(/: (\d+) tacks/.exec((await plan.getAttribute('aria-label')) ?? '')![1])
  expect(count).toBeGreaterThan(25)
  expect(count).toBeLessThan(60)
  await page.getByRole('button', { name: 'Tack 1 is in' }).click()
  await expect(next).toHaveText(/^Next: tack 2, the side of the toe, (medial|lateral) side\.$/)
  // A right shoe from below, toe up: its medial side is on the right.
  const x = async (n: number) => (await plan.locator(`[data-tack="${n}"] .tack`).boundingBox())!.x
  expect(await x(2)).toBeGreaterThan(await x(3))
  await plan.locator('[data-tack="4"] .thumb').click()
  await expect(plan.locator('.driven')).toHaveCount(2)
  await page.reload()
  await expect(plan.locator('.driven')).toHaveCount(2)
  await page.getByRole('button', { name: 'Take back' }).click()
  await expect(plan.locator('.driven')).toHaveCount(1)
  // The left shoe has its own, mirrored.
  await page.getByRole('button', { name: 'Lasting', exact: true }).click()
  await page.getByRole('radio', { name: 'Left' }).click()
  await expect(page.getByRole('list', { name: 'Checks' })).toContainText(/a tuck of \d\.\d mm stays/)
  await page.keyboard.press('Escape')
  await expect(plan.locator('.driven')).toHaveCount(0)
  // Each thing that is drawn over has tacks of its own.
  await page.getByRole('button', { name: 'Lasting', exact: true }).click()
  await page.getByRole('radio', { name: 'Lining' }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('img', { name: /^Lining: \d+ tacks/ })).toBeVisible()
  // The puff's are in the step that sets it, and are drawn and counted before the upper comes over it.
  await visit(page, `${server.url}${choir}/lasting/puff`)
  const puff = page.getByRole('img', { name: /^Toe puff: \d+ tacks/ })
  const tacks = /: (\d+) tacks/.exec((await puff.getAttribute('aria-label')) ?? '')![1]!
  const bared = 'work/bare-shells.right'
  await visit(page, `${server.url}${choir}/${bared}`)
  await expect(page.getByText(`${tacks} tacks counted back: one that is left`)).toBeVisible()
})

test('a house rule goes through every pair, a pair may have its own, and both can be taken back', async ({ page }) => {
  const height = page.locator('.because', { hasText: 'Height at the back' })
  await visit(page, `${server.url}${deck}/parts/stiffener`)
  const by = async () => Number(await height.getByRole('textbox', { name: 'Height at the back' }).inputValue())
  await expect(height).toContainText('house rule')
  const before = await by()

  await page.getByRole('link', { name: 'House rules' }).click()
  // One chapter is open, the others are a press away; words find a rule in any of them.
  await expect(page.getByRole('heading', { name: 'Last and foot' })).toBeVisible()
  await page.getByRole('link', { name: 'Stiffener', exact: true }).click()
  await expect(page.getByRole('textbox', { name: 'Stiffener turned under the feather line' })).toBeVisible()
  await page.getByRole('searchbox', { name: 'Find a rule' }).fill('neither felt below top')
  await expect(page.getByRole('heading', { name: '1 rule' })).toBeVisible()
  const row = page.getByRole('row', { name: /Stiffener below the top line/ })
  await expect(row).toContainText('as in the book')
  await expect(row).toContainText('all 5 pairs')
  const gap = page.getByRole('textbox', { name: 'Stiffener below the top line' })
  await gap.fill('99')
  await gap.blur()
  await expect(page.getByRole('alert')).toContainText('From 1 to 8.')
  await gap.fill('5')
  await gap.blur()
  // What it would do is shown on a pair before it is kept; nothing is changed until then.
  const trial = page.getByRole('group', { name: /^What Stiffener below the top line would change/ })
  await expect(trial).toContainText(/Stiffener, height at the back: [\d.]+ mm → [\d.]+ mm/)
  await trial.getByRole('button', { name: 'Leave it at 3' }).click()
  await expect(gap).toHaveValue('3')
  await gap.fill('5')
  await gap.blur()
  await trial.getByRole('button', { name: 'Keep 5' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Every pair follows' })).toBeVisible()
  await expect(row).toContainText('+2 mm')

  await visit(page, `${server.url}${deck}/parts/stiffener`)
  await expect(height).toContainText('this workshop')
  expect(await by()).toBeCloseTo(before - 2, 1)
  await height.getByRole('button', { name: 'Rule', exact: true }).click()
  await height.getByRole('textbox', { name: /Stiffener below the top line/ }).fill('4')
  await height.getByRole('textbox', { name: /Stiffener below the top line/ }).blur()
  await expect(height).toContainText('this pair')
  expect(await by()).toBeCloseTo(before - 1, 1)
  await height.getByRole('button', { name: "Back to the workshop's figure" }).click()
  await expect(height).toContainText('this workshop')

  await visit(page, `${server.url}/rules`)
  await expect(page.getByRole('link', { name: 'Stiffener 1 changed' })).toBeVisible()
  await page.getByLabel('Only what was changed here (1)').check()
  await page.getByRole('button', { name: 'Back to 3' }).click()
  await expect(page.getByText('Nothing was changed: the workshop goes by the book.')).toBeVisible()
  await visit(page, `${server.url}${deck}/parts/stiffener`)
  await expect(height).toContainText('house rule')
  expect(await by()).toBeCloseTo(before, 1)
})

test('a mend that a person chooses leads to its field, as often as it is pressed', async ({ page }) => {
  await visit(page, `${server.url}/pairs/01930000-0003-7000-8000-000000000001/parts/insole`)
  await choose(page.getByLabel('Insole from'), 'Fibre board, 2.0 mm')
  const holdfast = page.locator('[data-finding="insole.holdfast"]')
  await expect(holdfast).toHaveClass(/stop/)
  for (let k = 0; k < 2; k++) {
    await holdfast.getByRole('button', { name: 'Choose another material: insole' }).click()
    await expect(page).toHaveURL(/\/decisions$/)
    await expect(page.locator('[name="material-insole"]')).toBeFocused()
    await page.goBack()
  }
  await choose(page.getByLabel('Insole from'), 'Insole shoulder, 4.0 mm')
  await expect(holdfast).toHaveClass(/fine/)
})

test('another construction brings other steps, another size a finding, and the order can be put right', async ({
  page,
}) => {
  await visit(page, `${server.url}${deck}/decisions`)
  await choose(page.getByLabel('Construction'), 'cemented')
  await expect(page.locator('[data-finding="pair.construction"]')).toHaveClass(/stop/)
  await expect(page.getByTestId('save-state')).toHaveText(/revision \d+/)
  await page.getByLabel('Size', { exact: true }).fill('5')
  await page.getByLabel('Size', { exact: true }).blur()
  await expect(page.locator('[data-finding="pair.size"]')).toHaveClass(/watch/)
  await page.getByLabel('Size', { exact: true }).fill('five')
  await page.getByLabel('Size', { exact: true }).blur()
  await expect(page.getByText('“five” is no number.')).toBeVisible()
  await page.getByLabel('Name of the pair').fill('Deck slipper')
  await page.getByLabel('Name of the pair').blur()
  await expect(page.getByRole('heading', { name: 'Deck slipper' })).toBeVisible()
  await page.getByRole('link', { name: 'Work', exact: true }).click()
  await expect(page.locator('[data-step="rough-margin"]')).toBeVisible()
  await expect(page.locator('[data-step="sew-welt"]')).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Deck slipper' })).toBeVisible()
})

test('a step is taken back, and what hurts is said where it can hurt', async ({ page }) => {
  await visit(page, `${server.url}${choir}/work`)
  const step = page.locator('[data-step="print"]')
  await step.getByRole('button', { name: 'Start' }).click()
  await step.getByRole('button', { name: 'Take back' }).click()
  await expect(step.getByRole('button', { name: 'Start' })).toBeEnabled()
  // Started and finished in one breath: the start was forgotten, and its time is put right.
  await step.getByRole('button', { name: 'Start' }).click()
  await step.getByRole('button', { name: 'Done' }).click()
  await expect(step).toContainText('took 0 min')
  await step.locator('button.name').click()
  await step.getByRole('textbox', { name: /it took, minutes/ }).fill('25')
  await step.getByRole('textbox', { name: /it took, minutes/ }).press('Enter')
  await expect(step).toContainText('took 25 min')
  const pairSteps = await page.locator('[data-step]').count()
  // As a table: what it took beside what was planned, found by where it stands.
  await page.getByRole('radio', { name: 'Table' }).click()
  const table = page.getByRole('region', { name: 'Steps in working order' })
  const row = table.getByRole('row', { name: /Print/ }).first()
  await expect(row).toContainText('done')
  await expect(row).toContainText('25 min')
  await choose(page.getByRole('combobox', { name: 'Which steps' }), /^done/)
  await expect(table.getByRole('row')).toHaveCount(3)
  await expect(table.getByRole('row', { name: /This step/ })).toContainText('25 min')
  await page.reload()
  await expect(table.getByRole('row')).toHaveCount(pairSteps + 2)
  await page.getByRole('radio', { name: 'Step by step' }).click()
  await expect(step).toContainText('took 25 min')
  await step.locator('button.name').click()
  await step.getByRole('button', { name: 'Take back: it is not done' }).click()
  await step.getByRole('button', { name: 'Take back' }).click()
  const glue = page.locator('[data-step="cement-midsole.right"]')
  await glue.getByRole('button', { name: /Cement midsole and bottom/ }).click()
  await expect(glue).toContainText('no flame or spark near it')
  await expect(glue).toContainText('First: Dye the top rim')
})

test('stores and shelf: what is in use stays, what is not goes, what is wrong is said', async ({ page }) => {
  await visit(page, `${server.url}/stores`)
  await page.getByRole('button', { name: 'Change Firm belly' }).click()
  await page.getByRole('button', { name: 'Delete' }).click()
  await expect(page.getByRole('alert')).toContainText('stays in the stores')
  await page.getByRole('button', { name: 'Leave it' }).click()
  await page.getByRole('button', { name: 'New material' }).click()
  await page.getByLabel('Name', { exact: true }).fill('bend, heavy')
  await expect(page.getByText('There is a sole leather of that name already, 5.0 mm.')).toBeVisible()
  // Without a name it is not kept: the sentence stands at the field, which has the focus.
  await page.getByLabel('Name', { exact: true }).fill(' ')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('alert')).toHaveText('Give the material a name.')
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused()
  await page.getByLabel('Name', { exact: true }).fill('Kangaroo')
  await expect(page.getByRole('alert')).toHaveCount(0)
  await page.getByLabel('Thickness, mm').fill('0')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText('From 0.3 to 12.')
  await page.getByLabel('Thickness, mm').fill('0.8')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('row', { name: /Kangaroo/ })).toContainText('2.0 oz')
  await expect(page.locator('.n-message')).toContainText('Kangaroo is in the stores.')
  // By kind: a list for each, and what is looked for is in its own.
  await page.getByRole('radio', { name: 'By kind' }).click()
  const uppers = page.getByRole('region', { name: 'upper leather' })
  await expect(uppers.getByRole('row', { name: /Kangaroo/ })).toBeVisible()
  await expect(uppers.getByRole('row', { name: /Bend/ })).toHaveCount(0)
  await page.getByRole('searchbox', { name: /Find a material/ }).fill('bend')
  await expect(uppers).toHaveCount(0)
  await expect(page.getByRole('region', { name: 'sole leather' })).toBeVisible()
  await page.getByRole('searchbox', { name: /Find a material/ }).fill('')
  await page.getByRole('radio', { name: 'One list' }).click()
  await page.getByRole('button', { name: 'Change Kangaroo' }).click()
  await page.getByRole('button', { name: 'Delete' }).click()
  await expect(page.getByRole('row', { name: /Kangaroo/ })).toHaveCount(0)

  // A dyed leather shows on the pairs that are made of it.
  await page.getByRole('button', { name: 'Change Tar-brown calf' }).click()
  await choose(page.getByRole('combobox', { name: 'Colour' }), 'black')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await visit(page, `${server.url}/pairs`)
  const shoe = page.getByRole('link', { name: /Welted derby/ }).locator('path.upper')
  await expect(shoe).toHaveCSS('fill', 'rgb(43, 39, 36)', { timeout: 30_000 })

  await visit(page, `${server.url}/lasts`)
  await expect(page.getByRole('heading', { name: 'Lasts' })).toBeVisible()
  await choose(page.locator('[name="last-group"]'), 'By heel')
  const low = page.getByRole('region', { name: 'Heel of 10 to 20 mm' })
  await expect(low.getByRole('link', { name: 'Slipway 10' })).toBeVisible()
  await expect(low.getByRole('link', { name: 'Quay 20' })).toHaveCount(0)
  await page.getByRole('link', { name: 'Quay 20' }).click()
  await page.getByRole('link', { name: 'Shape' }).click()
  await page.getByLabel('Joint girth').fill('258')
  await page.getByRole('button', { name: 'Keep this last' }).click()
  await expect(page.locator('header')).toContainText('joint 258.0 mm')
  await visit(page, `${server.url}${deck}/last`)
  await expect(page.locator('.girths li').filter({ hasText: 'Joint' })).toContainText('258.0 mm')
})

test('the drawing is moved by hand, wheel and fingers', async ({ page }) => {
  await visit(page, `${server.url}${deck}/parts/insole`)
  const group = page.locator('.slate-surface svg > g').first()
  await expect(group).toBeAttached()
  await expect(page.locator('.planning')).toHaveCount(0)
  await page.waitForTimeout(300)
  await expect(page.locator('.planning')).toHaveCount(0)
  const read = async () => {
    const [, x, y, s] =
      /translate\(([-\d.e]+) ([-\d.e]+)\) scale\(([-\d.e]+)\)/
        .exec((await group.getAttribute('transform')) ?? '')
        ?.map(Number) ?? []
    return { x, y, s }
  }
  // The room may just have been entered: the drawing is fitted once its place on the screen is known.
  await expect
    .poll(async () => {
      const before = await read()
      await page.waitForTimeout(250)
      return before.s! > 0 && JSON.stringify(before) === JSON.stringify(await read())
    })
    .toBe(true)
  const start = await read()
  await page.mouse.move(500, 400)
  await page.mouse.down()
  await page.mouse.move(560, 430, { steps: 4 })
  await page.mouse.up()
  const dragged = await read()
  expect(dragged.x! - start.x!).toBeCloseTo(60, 0)
  expect(dragged.y! - start.y!).toBeCloseTo(30, 0)
  await page.mouse.wheel(0, -400)
  expect((await read()).s).toBeGreaterThan(start.s! * 1.3)
  await page.getByRole('button', { name: 'The whole drawing' }).click()
  expect((await read()).s).toBeCloseTo(start.s!, 6)
  // Two fingers apart: twice the distance, twice the size.
  await page.locator('.slate-surface').evaluate((surface) => {
    const touch = (identifier: number, clientX: number) =>
      new Touch({ identifier, target: surface, clientX, clientY: 400 })
    const send = (type: string, touches: Touch[], changedTouches: Touch[]) =>
      surface.dispatchEvent(new TouchEvent(type, { touches, changedTouches, bubbles: true, cancelable: true }))
    const [one, two, apart] = [touch(1, 400), touch(2, 500), touch(2, 600)]
    send('touchstart', [one], [one])
    send('touchstart', [one, two], [two])
    send('touchmove', [one, apart], [apart])
    send('touchend', [], [one, apart])
  })
  expect((await read()).s! / start.s!).toBeCloseTo(2, 1)
})

test('on a phone the rail lies under the thumb, and no room is wider than the screen', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  for (const room of [
    '/pairs',
    '/pairs/new',
    `${deck}/decisions`,
    `${deck}/upper`,
    `${deck}/work`,
    `${deck}/checks`,
    `${deck}/checks/ask`,
    '/learned',
    '/learned/minutes',
    '/lasts',
    '/rules',
    '/stores',
    '/today',
    '/calendar',
  ]) {
    await visit(page, server.url + room)
    await expect(page.locator('main h1').first()).toBeVisible()
    const rail = await page.getByRole('navigation', { name: 'Workshop' }).boundingBox()
    expect(rail!.y + rail!.height, room).toBeCloseTo(844, 0)
    expect(rail!.height).toBeLessThan(80)
    const wide = await page.evaluate(() => document.documentElement.scrollWidth)
    expect(wide, room).toBeLessThanOrEqual(390)
    for (const link of await page.getByRole('navigation', { name: 'Workshop' }).getByRole('link').all()) {
      const box = await link.boundingBox()
      expect(Math.min(box!.width, box!.height)).toBeGreaterThanOrEqual(44)
    }
  }
  // The pair's own head is as wide as the screen, with its stages in one row.
  await visit(page, `${server.url}${deck}/decisions`)
  const stages = await page.getByRole('navigation', { name: 'Stages of the pair' }).boundingBox()
  expect(stages!.height).toBeLessThan(60)
  await page.setViewportSize({ width: 820, height: 1180 })
  expect((await page.locator('.pair > header').boundingBox())!.height).toBeLessThan(120)
})

test('a pair is deleted only after asking', async ({ page }) => {
  await visit(page, `${server.url}/pairs/01930000-0003-7000-8000-000000000005/decisions`)
  await page.getByRole('button', { name: 'Delete this pair' }).click()
  await page.getByRole('button', { name: 'Keep it' }).click()
  await visit(page, `${server.url}/pairs`)
  await expect(page.locator('.pair')).toHaveCount(5)
  await visit(page, `${server.url}/pairs/01930000-0003-7000-8000-000000000005/decisions`)
  await page.getByRole('button', { name: 'Delete this pair' }).click()
  await page.getByRole('button', { name: 'Delete 1039' }).click()
  await expect(page.locator('.pair')).toHaveCount(4)
  await page.getByRole('searchbox').fill('alto')
  await expect(page.locator('.pair')).toHaveCount(1)
  await page.getByRole('searchbox').fill('dancer')
  await expect(page.getByText('No pair matches “dancer”.')).toBeVisible()
})
