import { expect, test, visit } from './openPage.ts'
import { startServer, type RunningServer } from './server.ts'
import { colourSpot } from './colourSpot.ts'
import { choose } from './controls.ts'

let server: RunningServer
test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

const pair = (n: number) => `/pairs/01930000-0003-7000-8000-${String(n).padStart(12, '0')}/upper`

test('the throat is dragged and the line on the last follows; it can be given back to the rule', async ({ page }) => {
  await visit(page, `${server.url}${pair(4)}`)
  const throat = page.locator('[data-point="throat:lateral"]')
  await expect(throat).toBeVisible()
  const figure = page.getByLabel('Throat, from the toe', { exact: false })
  const box = await throat.locator('.dot').boundingBox()
  if (!box) throw new Error('The throat is not on the screen.')
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  const last = page.getByRole('img', { name: /The design on the last/ })
  const before = await last.screenshot()
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x - 18, y - 6, { steps: 4 })
  await page.mouse.up()
  await expect(figure).toBeVisible()
  const dragged = Number(await figure.inputValue())
  const now = await throat.locator('.dot').boundingBox()
  expect(now?.x ?? 0).toBeLessThan(box.x - 10)
  await expect(page.getByTestId('save-state')).toHaveText('revision 2')
  expect(before.equals(await last.screenshot())).toBe(false)
  // The arrow keys nudge it by half a millimetre.
  await throat.focus()
  await page.keyboard.press('ArrowLeft')
  await expect.poll(async () => Number(await figure.inputValue())).toBeGreaterThan(dragged + 0.2)
  await page.getByRole('button', { name: 'Back to the rule' }).click()
  await expect.poll(async () => Number(await figure.inputValue())).toBeLessThan(dragged - 1)
})

test('a point is dragged on the last itself, and the forme follows', async ({ page }) => {
  await visit(page, `${server.url}${pair(5)}`)
  await page.locator('[data-point="ankle:lateral"]').focus()
  const canvas = page.getByRole('img', { name: /The design on the last/ })
  const box = await canvas.boundingBox()
  if (!box) throw new Error('The last is not on the screen.')
  // The chosen point's ball is the only solid spot of beeswax on the last.
  const ball = () => colourSpot(canvas, [0xe6, 0xb3, 0x55])
  await expect.poll(ball).not.toBeNull()
  const { x, y } = (await ball()) ?? { x: 0, y: 0 }
  const height = page.getByLabel('Ankle point, above the feather')
  const before = Number(await height.inputValue())
  await page.mouse.move(box.x + x, box.y + y)
  await page.mouse.down()
  await page.mouse.move(box.x + x, box.y + y + 12, { steps: 4 })
  await page.mouse.up()
  await expect.poll(async () => Number(await height.inputValue())).toBeLessThan(before - 2)
  await expect(page.getByTestId('save-state')).toHaveText('revision 2')
})

test('a spoiled back line is seen, mended, and the mend can be undone', async ({ page }) => {
  await visit(page, `${server.url}${pair(1)}`)
  const foot = page.locator('[data-point="backFoot:lateral"]')
  await foot.focus()
  const gap = page.locator('[data-finding="upper.backGap"]')
  await expect(gap).toHaveClass(/fine/)
  // Four millimetres backwards, on both sides.
  for (let k = 0; k < 8; k++) await page.keyboard.press('ArrowLeft')
  await expect(gap).toHaveClass(/stop/)
  await expect(gap).toContainText('too flat')
  await expect(page.getByRole('link', { name: 'Upper' })).toContainText('stop')
  await page.getByRole('button', { name: /^Mend it: Take in/ }).click()
  await expect(gap).toHaveClass(/fine/)
  await expect(page.locator('[data-finding="upper.backBump"]')).toBeVisible()
  await expect(page.getByTestId('save-state')).toHaveText(/^revision/)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(gap).toHaveClass(/stop/)
})

test('a style with its options, decoration and top edge; pieces apart', async ({ page }) => {
  await visit(page, `${server.url}${pair(2)}`)
  await choose(page.locator('[name="style"]'), 'oxford')
  await page.getByLabel('Toe cap').check()
  await choose(page.locator('[name="decoration"]'), 'punched')
  await choose(page.locator('[name="top-finish"]'), 'bound')
  await expect(page.getByText('Top line: bound')).toBeVisible()
  await page.getByText('Forme and folds').click()
  const ankle = page.getByRole('group', { name: /Ankle bones/ })
  await ankle.getByRole('button', { name: 'Measured' }).first().click()
  await ankle.getByLabel('Ankle bone, lateral, mm').fill('36')
  await ankle.getByLabel('Ankle bone, lateral, mm').press('Enter')
  await expect(page.locator('[data-finding="upper.ankle.lateral"]')).toContainText('was measured at 36.0 mm')
  await expect(page.locator('[data-finding="upper.ankle.lateral"]')).not.toHaveClass(/fine/)
  await ankle.getByRole('button', { name: 'By rule' }).click()
  await expect(page.locator('[data-finding="upper.ankle.lateral"]')).toHaveClass(/fine/)
  await page.getByRole('radio', { name: 'Pieces' }).click()
  await page.getByRole('button', { name: 'Folded' }).click()
  await page.getByRole('button', { name: 'Folded' }).click()
  await expect(page.getByRole('img', { name: /Toe cap, Vamp, Quarter, lateral/ })).toBeVisible()
  await page.getByRole('button', { name: 'Toe cap', exact: true }).click()
  await expect(page.getByText('cap edge, lateral: lap over')).toBeVisible()
  await expect(page.getByText(/feather, medial: lasting margin, 18/)).toBeVisible()
})

test('what was cut or printed before a change is listed to be made again', async ({ page }) => {
  await visit(page, `${server.url}${pair(3)}`)
  await page.getByRole('button', { name: 'Upper', exact: true }).click()
  await page.getByRole('button', { name: 'Cut, both feet' }).click()
  await expect(page.getByTestId('remake')).toHaveCount(0)
  await page.locator('[data-point="throat:lateral"]').focus()
  await page.keyboard.press('Shift+ArrowLeft')
  await expect(page.getByTestId('remake')).toContainText('One thing made before')
  await page.getByRole('button', { name: 'Show the list' }).click()
  await expect(page.getByTestId('remake')).toContainText('Upper (cut at revision 1): make it again')
  // It stays on the list after a reload, and goes when the change is taken back.
  await expect(page.getByTestId('save-state')).toHaveText('revision 2')
  await page.reload()
  await expect(page.getByTestId('remake')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByTestId('remake')).toHaveCount(0)
})

test('a stop on the base pattern is said in the stages that follow', async ({ page }) => {
  await visit(page, `${server.url}${pair(4)}`)
  await page.locator('[data-point="backFoot:lateral"]').focus()
  // Once: on a busy machine two presses can be two revisions, and one undo takes back one.
  await page.keyboard.press('Shift+ArrowLeft')
  await expect(page.locator('[data-finding="upper.backGap"]')).toHaveClass(/stop/)
  await page.getByRole('link', { name: /Parts/ }).click()
  await expect(page.getByText('The base pattern is not right yet')).toBeVisible()
  await page.getByRole('link', { name: 'To the upper' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('link', { name: /Parts/ }).click()
  await expect(page.getByText('The base pattern is not right yet')).toHaveCount(0)
})

test('the upper goes out as DXF, SVG and PDF', async ({ page }) => {
  await visit(page, `${server.url}${pair(1)}`)
  await page.getByRole('button', { name: 'Print and files' }).click()
  for (const [button, name, begins] of [
    ['Upper (DXF, in mm)', /\.dxf$/, '0\nSECTION'],
    ['Upper (SVG, in mm)', /\.svg$/, '<?xml'],
    ['Upper (PDF)', /\.pdf$/, '%PDF'],
  ] as const) {
    const waiting = page.waitForEvent('download')
    await page.getByRole('button', { name: button }).click()
    const file = await waiting
    expect(file.suggestedFilename()).toMatch(name)
    const text = (await (await file.createReadStream()).toArray()).join('').replaceAll('\r', '')
    expect(text.trimStart().startsWith(begins)).toBe(true)
  }
})

test('a drawn pattern comes in, its edges are named, and its seams are checked', async ({ page }) => {
  await visit(page, `${server.url}${pair(2)}`)
  await choose(page.locator('[name="style"]'), 'own pattern')
  const picker = page.locator('input[name="own-drawing"]')
  await picker.setInputFiles({
    name: 'words.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from('<svg><text>no</text></svg>'),
  })
  await expect(page.getByRole('alert')).toContainText('holds no closed outline')
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="300mm" height="200mm" viewBox="0 0 300 200">
    <path d="M10 10 H110 V70 H10 Z"/><path d="M150 10 H250 V71.2 H150 Z"/></svg>`
  await picker.setInputFiles({ name: 'panels.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) })
  await expect(page.getByRole('status').filter({ hasText: '2 outlines, unit mm' })).toBeVisible()
  await expect(page.locator('fieldset.edge')).toHaveCount(4)
  // One upright edge of each panel is joined: 60 against 61.2 mm.
  for (const piece of ['Piece 1', 'Piece 2']) {
    await choose(page.locator('[name="own-piece"]'), piece)
    await choose(page.locator('[name="edge-role-1"]'), /^closed seam/)
    await page.locator('input[name="edge-seam-1"]').fill('side')
    await page.locator('input[name="edge-seam-1"]').press('Tab')
  }
  await expect(page.locator('[data-finding="upper.join.side"]')).toContainText('measure')
  await expect(page.locator('[data-finding="upper.join.side"]')).toHaveClass(/watch/)
  await expect(page.getByTestId('save-state')).toHaveText(/^revision/)
  await page.reload()
  await expect(page.locator('[data-finding="upper.join.side"]')).toBeVisible()
})

test('a forme from tape takes the place of the computed one, and can be given back', async ({ page }) => {
  await visit(page, `${server.url}${pair(1)}`)
  await page.getByText('Forme and folds').click()
  // The computed outline drawn on paper, a little larger, as somebody would have traced it round the tape.
  const outline = await page.evaluate(() => {
    const d = document.querySelector('path.side.lateral')?.getAttribute('d') ?? ''
    return d
      .replace(/^M/, '')
      .replace(/Z$/, '')
      .split('L')
      .map((p) => p.split(' ').map(Number))
  })
  const tracing = (flip: number) =>
    `<svg xmlns="http://www.w3.org/2000/svg" width="400mm" height="300mm" viewBox="0 0 400 300"><path d="M${outline
      .map(([x, y]) => `${60 + 1.004 * x!} ${200 + flip * 1.004 * y!}`)
      .join('L')}Z"/></svg>`
  for (const [side, flip] of [
    ['lateral', 1],
    ['medial', -1],
  ] as const) {
    await page
      .locator(`input[name="taping-${side}"]`)
      .setInputFiles({ name: `${side}.svg`, mimeType: 'image/svg+xml', buffer: Buffer.from(tracing(flip)) })
  }
  await expect(page.getByText(/The tape lies .* from the computed edge on average/)).toBeVisible()
  await expect(page.getByLabel('lateral back point, x, mm')).toBeVisible()
  await expect(page.getByTestId('save-state')).toHaveText(/^revision/)
  await page.getByRole('button', { name: 'Back to the computed forme' }).click()
  await expect(page.getByText(/The tape lies .* from the computed edge/)).toHaveCount(0)
})

test('the upper goes through a size run, which can be stopped', async ({ page }) => {
  await visit(page, `${server.url}${pair(3)}`)
  await page.getByRole('radio', { name: 'Sizes' }).click()
  await page.locator('input[name="grade-down"]').fill('1')
  await page.locator('input[name="grade-up"]').fill('1')
  await page.getByRole('button', { name: 'Grade the upper' }).click()
  await expect(page.getByText(/^3 sizes, lasts of/)).toBeVisible({ timeout: 60_000 })
  await expect(page.getByRole('img', { name: '3 sizes of 1 pieces, nested' })).toBeVisible()
  await page.locator('input[name="grade-up"]').fill('6')
  await page.getByRole('button', { name: 'Grade the upper' }).click()
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByRole('button', { name: 'Grade the upper' })).toBeVisible()
})

test('the lasting margin is drawn out just where it runs short, and what it takes of leather is told', async ({
  page,
}) => {
  await visit(page, `${server.url}${pair(2)}`)
  await choose(page.getByRole('combobox', { name: 'Style' }), 'derby')
  await expect(page.locator('[data-point="tabFront:lateral"]')).toBeVisible()
  const waist = page.locator('[data-point="margin.3:lateral"]')
  await expect(waist).toHaveCount(0)
  await page.getByRole('checkbox', { name: 'Set the lasting margin place by place' }).check()
  await expect(waist).toBeVisible()
  await waist.focus()
  const figure = page.getByLabel('Margin at the waist, past the feather')
  await expect(figure).toHaveValue('18')
  // Both sides are shown and moved together: half a millimetre a press, downwards out of the feather.
  for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowDown')
  await expect.poll(async () => Number(await figure.inputValue())).toBeGreaterThan(21.5)
  await expect(page.getByText('More leather for the margin, a pair')).toBeVisible()
  // Typed, it stands so far past the feather; no margin is wider than 60 mm.
  await figure.fill('14')
  await figure.press('Enter')
  await expect(page.getByText('Leather saved at the margin, a pair')).toBeVisible()
  await page.getByRole('button', { name: 'Back to the rule' }).click()
  await expect(figure).toHaveValue('18')
  await expect(page.getByText(/at the margin, a pair|for the margin, a pair/)).toHaveCount(0)
})
