import type { Page } from '@playwright/test'
import { expect, test, visit } from './openPage.ts'
import { featherLine, generateLast, type LastMeasures } from '@gentle-awl/core'
import { measurePdf } from './measurePdf.ts'
import { startServer, type RunningServer } from './server.ts'
import { colourSpot } from './colourSpot.ts'
import { choose, chosen } from './controls.ts'

let server: RunningServer
test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

const last = (n: number) => `/lasts/01930000-0001-7000-8000-00000000000${n}`
const mm = (text: string | null) => Number(/-?[\d.]+/.exec(text ?? '')?.[0])
const length = async (page: Page) => mm(await page.locator('.title .figure').textContent())

test('a hidden last is scanned, comes in, and reads what the tape reads', async ({ page }) => {
  test.slow()
  await visit(page, `${server.url}/lasts/new/scan`)
  await page.getByRole('link', { name: 'The practice scanner' }).click()
  await page.getByRole('radio', { name: 'Left last' }).click()
  await page.getByRole('button', { name: 'Measure last 7' }).click()
  const tape = mm(await page.getByTestId('true-length').textContent())
  const joint = mm(await page.locator('dl div', { hasText: 'Joint girth' }).locator('dd').textContent())
  await page.getByRole('link', { name: 'Scan it and bring it in' }).click()
  await expect(page.getByTestId('within')).toBeVisible({ timeout: 60_000 })
  await expect(page.locator('p', { hasText: 'A left last' })).toBeVisible()
  await expect(page.getByText('its mirror image is kept')).toBeVisible()
  await expect(page.getByText(/holes bridged/)).toBeVisible()
  expect(mm(await page.getByTestId('within').textContent())).toBeLessThan(0.3)

  // A landmark goes by arrow keys, the feather line by its handles; both are worked in.
  const mark = page.getByRole('button', { name: /Medial joint/ })
  const before = await mark.textContent()
  await mark.press('Shift+ArrowRight')
  await expect(mark).not.toHaveText(before ?? '', { timeout: 30_000 })
  await page.getByRole('button', { name: 'Find all anew' }).click()
  await expect(mark).toHaveText(before ?? '', { timeout: 30_000 })
  await page.getByRole('button', { name: 'waist up by half a millimetre' }).click()
  await expect(page.locator('.handles li', { hasText: 'waist' })).toContainText('0.5')
  await page.getByRole('button', { name: 'waist down by half a millimetre' }).click()
  await expect(page.locator('.progress')).toHaveCount(0, { timeout: 30_000 })

  await page.getByRole('radio', { name: 'The last it makes' }).click()
  await page.getByLabel('Name of the last').fill('From under the cloth')
  await page.getByRole('button', { name: 'Keep this last' }).click()
  await expect(page.getByRole('heading', { name: 'From under the cloth' }).first()).toBeVisible()
  await expect.poll(() => length(page)).toBeGreaterThan(100)
  expect(Math.abs((await length(page)) - tape)).toBeLessThan(0.5)
  expect(Math.abs(mm(await page.getByTestId('girth-joint').textContent()) - joint)).toBeLessThan(0.8)
})

test('what is no last is told why', async ({ page }) => {
  await visit(page, `${server.url}/lasts/new/scan`)
  const file = (name: string, text: string) => ({ name, mimeType: 'model/obj', buffer: Buffer.from(text) })
  const picker = page.locator('input[type="file"]')
  await picker.setInputFiles(file('half.stl', 'solid x\nfacet normal 0 0 0\n'))
  await expect(page.getByRole('alert')).toContainText('breaks off')
  await picker.setInputFiles(file('notes.txt', 'hello'))
  await expect(page.getByRole('alert')).toContainText('scans come as .stl, .obj or .ply')
  // A ball as large as a last.
  const ball: string[] = []
  const [rings, around] = [30, 60]
  for (let i = 0; i <= rings; i++) {
    for (let k = 0; k < around; k++) {
      const [a, b] = [(Math.PI * i) / rings, (2 * Math.PI * k) / around]
      ball.push(`v ${110 * Math.sin(a) * Math.cos(b)} ${110 * Math.sin(a) * Math.sin(b)} ${110 * Math.cos(a)}`)
    }
  }
  for (let i = 0; i < rings; i++) {
    for (let k = 0; k < around; k++) {
      const [a, b] = [i * around + k + 1, i * around + ((k + 1) % around) + 1]
      ball.push(`f ${a} ${a + around} ${b}`, `f ${b} ${a + around} ${b + around}`)
    }
  }
  await picker.setInputFiles(file('ball.obj', ball.join('\n')))
  await expect(page.getByRole('alert')).toContainText('does not look like a last', { timeout: 30_000 })
  await expect(chosen(page.getByLabel('The file is in'))).toContainText('mm')
})

test('a tracing on paper becomes a last with measured girths', async ({ page }) => {
  test.slow()
  const m: LastMeasures = {
    length: 270,
    seatWidth: 58,
    waistWidth: 57,
    jointWidth: 83,
    jointGirth: 238,
    waistGirth: 233,
    instepGirth: 237,
    heelGirth: null,
    heelHeight: 18,
    seatSlope: 0.6,
    toeSpring: 9,
    toeBoxHeight: 28,
    toeShape: 'round',
    coneHeight: 76,
    coneFront: 0.4,
    coneWidth: 26,
    swing: 0.045,
    arch: 0.2,
    backBulge: 4.2,
    backIn: 0.29,
    toeSlope: 0.18,
  }
  const s = generateLast(m)
  const line = [...featherLine(s, 'lateral'), ...featherLine(s, 'medial').reverse().slice(1, -1)]
  const d = line.map((p) => `${(p[0] + 10).toFixed(3)} ${(90 - p[1]).toFixed(3)}`).join('L')
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="300mm" height="180mm" viewBox="0 0 300 180"><path d="M${d}Z"/></svg>`
  await visit(page, `${server.url}/lasts/new/traced`)
  await expect(page.getByText('Choose a tracing: its outline is drawn here.')).toBeVisible()
  await page
    .locator('input[type="file"]')
    .setInputFiles({ name: 'bottom.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) })
  await expect(page.getByText('bottom.svg: one outline, unit mm.')).toBeVisible()
  await page.getByRole('radio', { name: 'Inner edge' }).click()
  const found = page.getByTestId('traced-length')
  await expect.poll(async () => mm(await found.textContent()), { timeout: 15_000 }).toBeCloseTo(270, 0)
  await expect(page.getByTestId('pencil')).toContainText('0.00 mm length')
  await page.getByRole('radio', { name: 'Outer edge' }).click()
  await expect(page.getByTestId('pencil')).toContainText('1.40 mm length', { timeout: 15_000 })
  await page.getByRole('radio', { name: 'Inner edge' }).click()
  for (const [name, value] of [
    ['Heel height', '18'],
    ['Joint girth', '238'],
    ['Waist girth', '233'],
    ['Instep girth', '237'],
  ]) {
    await page.getByLabel(`${name!}, mm`, { exact: true }).fill(value!)
  }
  await page.getByLabel('Name of the last').fill('Paper last')
  await page.getByRole('button', { name: 'Keep this last' }).click()
  await expect(page.getByTestId('girth-joint')).toHaveText('238.0 mm', { timeout: 15_000 })
  await expect(page.getByTestId('girth-waist')).toHaveText('233.0 mm')
  await visit(page, `${server.url}/lasts/new/traced`)
  await page.getByRole('button', { name: 'Points by hand' }).click()
  await page.getByLabel('One point a line: x and y, mm').fill('0 0\n1 one')
  await page.getByRole('button', { name: 'Take these points' }).click()
  await expect(page.getByRole('alert')).toContainText('Line 2 is "1 one"')
})

test('an impossible last is refused with the figure while it is typed', async ({ page }) => {
  await visit(page, `${server.url}/lasts`)
  await page.getByRole('link', { name: 'By measures' }).click()
  await expect(page.getByRole('complementary', { name: 'New last by measures' })).toBeVisible()
  await page.getByLabel('Waist girth, mm', { exact: true }).fill('330')
  await expect(page.getByRole('alert')).toContainText('waist girth of 330 mm cannot be met', { timeout: 15_000 })
  await expect(page.getByRole('button', { name: 'Keep this last' })).toBeDisabled()
  await page.getByLabel('Waist girth, mm', { exact: true }).fill('')
  await page.getByLabel('Waist girth, mm', { exact: true }).blur()
  await expect(page.getByText('Write a number.')).toBeVisible()
  await page.getByLabel('Waist girth, mm', { exact: true }).fill('241')
  await choose(page.getByRole('combobox', { name: 'Toe shape' }), 'pointed')
  await page.getByLabel('Short heel girth').fill('324')
  await expect(page.getByText('Short heel girth reads 324.0 mm')).toBeVisible({ timeout: 15_000 })
  await page.getByRole('button', { name: 'Keep this last' }).click()
  await expect(page.getByRole('alert')).toContainText('Give the last a name.')
  await page.getByLabel('Name of the last').fill('Point 25')
  await page.getByRole('button', { name: 'Keep this last' }).click()
  await expect(page.getByTestId('girth-heel')).toHaveText('324.0 mm', { timeout: 15_000 })
})

test('a foot asks for a build-up, the build-up is part of the last, and can be taken off', async ({ page }) => {
  await visit(page, `${server.url}${last(3)}/foot`)
  await expect(page.getByLabel('Feet of')).toContainText('Order 1041')
  const instep = page.locator('[data-fit="instep"]')
  await expect(instep).toContainText('251.0 mm')
  const wanted = mm(await instep.locator('td').nth(1).textContent())
  await instep.getByRole('button', { name: /Build the Instep girth up/ }).click()
  await expect(instep).toHaveClass(/right/, { timeout: 15_000 })
  expect(Math.abs(mm(await instep.locator('td').nth(2).textContent()) - wanted)).toBeLessThan(0.4)
  await page.getByLabel('Instep girth, mm').fill('2500')
  await page.getByLabel('Instep girth, mm').press('Enter')
  await expect(page.getByRole('alert')).toHaveText('From 120 to 400.')
  await page.getByLabel('Instep girth, mm').fill('256')
  // Read and kept on a screen in inches it is what it was, to the tenth.
  await page.getByLabel('Length, mm').fill('272.7')
  await page.getByLabel('Length, mm').press('Enter')
  await page.getByRole('button', { name: 'Show inches' }).click()
  await expect(page.getByLabel('Length, inches')).toHaveValue('10 3/4″')
  await page.getByLabel('Joint width, inches').fill('4')
  const kept = page.waitForResponse((r) => r.request().method() === 'PUT' && r.url().includes('/feet/'))
  await page.getByRole('button', { name: 'Keep these feet' }).click()
  expect((await kept).ok()).toBe(true)
  await page.getByRole('button', { name: 'Show millimetres' }).click()
  await page.reload()
  await expect(page.getByLabel('Length, mm')).toHaveValue('272.7')
  await expect(page.getByLabel('Joint width, mm')).toHaveValue('101.6')

  await page.getByRole('link', { name: 'Build-ups' }).click()
  await expect.poll(async () => Math.abs(mm(await page.getByTestId('reads').textContent()) - wanted)).toBeLessThan(0.4)
  await page.getByLabel('Or the girth wanted, mm').fill('200')
  await page.getByRole('button', { name: 'Find the thickness' }).click()
  await expect(page.getByRole('alert')).toContainText('it needs no build-up')
  await page.getByRole('button', { name: 'Take off the build-up at the instep' }).click()
  await expect(page.getByTestId('reads')).toHaveText('251.0 mm', { timeout: 15_000 })
})

test('what was typed of a foot stays until it is kept, and a last is made for that foot', async ({ page }) => {
  await visit(page, `${server.url}${last(3)}/foot`)
  await page.getByRole('radio', { name: 'Left', exact: true }).click()
  await page.getByLabel('Length, mm').fill('262')
  await page.getByLabel('Joint girth, mm').fill('244')
  // Left by Tab: Enter would keep them.
  await page.getByLabel('Joint girth, mm').press('Tab')
  await expect(page.getByText('Not kept yet.')).toBeVisible()
  // Another page and a reload lose nothing of it.
  await page.getByRole('link', { name: 'Sizes' }).click()
  await page.getByRole('link', { name: 'Foot', exact: true }).click()
  await page.reload()
  await page.getByRole('radio', { name: 'Left', exact: true }).click()
  await expect(page.getByLabel('Length, mm')).toHaveValue('262')
  await page.getByRole('button', { name: 'Keep these feet' }).click()
  await expect(page.getByText('Not kept yet.')).toHaveCount(0)
  await expect(page.locator('.n-message')).toContainText('are kept.')
  // Among all feet that were measured: where this last is furthest off for each, and from there to that foot.
  await page.getByRole('button', { name: 'All feet against this last' }).click()
  const feet = page.getByRole('table').filter({ hasText: 'furthest off' })
  await page
    .getByRole('button', { name: /Look at the right foot of order/ })
    .first()
    .click()
  await expect(page.getByRole('heading', { name: 'The right foot' })).toBeVisible()
  await page.getByRole('searchbox', { name: 'Find feet by order or trade' }).fill('no such trade')
  await expect(page.getByText('No feet match.')).toBeVisible()
  await page.getByRole('searchbox', { name: 'Find feet by order or trade' }).fill('')
  await feet
    .getByRole('row', { name: /left 262\.0/ })
    .getByRole('button')
    .click()
  await expect(page.getByRole('heading', { name: 'The left foot' })).toBeVisible()
  await expect(page.getByLabel('Length, mm')).toHaveValue('262')

  // A foot of 262 makes no last of 262.
  await page.getByRole('link', { name: 'Make a last for this foot' }).click()
  const panel = page.getByRole('complementary', { name: 'New last by measures' })
  await expect(panel.getByText('The foot measures 262 mm, and 14 mm allowance makes 276 mm.')).toBeVisible()
  const shape = panel.getByRole('group', { name: 'Length and heights' })
  await expect(shape.getByLabel('Length, mm')).toHaveValue('276')
  await expect(panel.getByRole('group', { name: 'Girths' }).getByLabel('Joint girth, mm')).toHaveValue('244')
  await panel.getByLabel('Name of the last').fill('For the mate’s left')
  await panel.getByRole('button', { name: 'Keep this last' }).click()
  await expect(page.getByRole('heading', { name: 'For the mate’s left' }).first()).toBeVisible()
  await expect.poll(() => length(page)).toBeCloseTo(276, 1)
  await expect(page.getByTestId('girth-joint')).toHaveText(/24[34]\.\d mm/)
})

test('lasts are compared, graded and fitted into a cup sole', async ({ page }) => {
  await visit(page, `${server.url}${last(3)}/compare`)
  await choose(page.getByLabel('Compared with'), 'Quay 20')
  const chart = page.locator('figure.chart')
  await chart.scrollIntoViewIfNeeded()
  await expect(chart.locator('.scatterlayer .trace')).toHaveCount(2)
  await chart.getByRole('button', { name: 'The figures' }).press('Enter')
  await expect(chart.getByRole('row')).toHaveCount(13)
  const row = page.getByRole('row', { name: /^Length/ })
  await expect(row).toContainText('+8.0', { timeout: 15_000 })
  await expect(page.getByText(/It stands out by up to/)).toBeVisible()
  await page.getByRole('radio', { name: 'Joints' }).click()
  await expect(page.getByText(/It stands out by up to/)).toBeVisible()

  await page.getByRole('link', { name: 'Sizes' }).click()
  const up = page.locator('[data-size="1"]')
  await expect(up).toContainText('296.7', { timeout: 15_000 })
  await expect(up).toContainText('257.0')
  await choose(page.getByLabel('Graded by'), 'UK size')
  await expect(up).toContainText('298.5', { timeout: 15_000 })
  await up.getByRole('button', { name: 'Put +1 on the shelf' }).click()
  await expect(page.getByRole('heading', { name: 'Harbour 25, +1 UK size' }).first()).toBeVisible({ timeout: 15_000 })
  await expect(page.getByTestId('girth-joint')).toHaveText('258.4 mm', { timeout: 15_000 })

  await visit(page, `${server.url}${last(1)}/sole`)
  const check = page.locator('[data-finding="last.cup"]')
  await expect(check).toHaveClass(/fine/, { timeout: 15_000 })
  await page.getByLabel('Thickness of the upper, mm').fill('3')
  await page.getByLabel('Thickness of the upper, mm').press('Enter')
  await expect(check).toHaveClass(/stop/, { timeout: 15_000 })
  await expect(check).toContainText('larger than the cup at its tightest place')
  await choose(page.getByLabel('Layers over the last'), /^as planned for/)
  await expect(check).toBeVisible()
  await page.getByRole('button', { name: 'Bring one in' }).click()
  await page.getByLabel('Or points, x and y in mm, one a line').fill('0 0\n5 5')
  await page.getByRole('button', { name: 'Take these points' }).click()
  await expect(page.getByRole('alert')).toContainText('There are 2 points')
})

test('tape at any plane, the sheet to print, and who has the last until when', async ({ page, request }) => {
  await visit(page, `${server.url}${last(4)}/measure`)
  await page.getByLabel('My own plane').check()
  const own = page.getByTestId('own-girth')
  const first = mm(await own.textContent())
  expect(first).toBeGreaterThan(150)
  await page.getByRole('slider', { name: 'From the heel' }).press('ArrowLeft')
  await expect(own).not.toHaveText(`${first.toFixed(1)} mm`)
  // The white ball stands where the plane meets the ridge. It is looked for from above downwards, and taken along.
  const box = await page.locator('canvas').boundingBox()
  if (!box) throw new Error('There is no 3D view.')
  // Its whole length fills nine tenths of the surface.
  const visible = 260 / 0.9
  const x = box.x + box.width / 2 + (((0.595 - 0.5) * 260) / visible) * box.width
  const before = await own.textContent()
  for (let y = box.y + box.height * 0.3; y < box.y + box.height * 0.65; y += 36) {
    await page.getByRole('radio', { name: 'Lateral' }).click()
    await page.mouse.move(x, y)
    await page.mouse.down()
    await page.mouse.move(x + 50, y + 50, { steps: 5 })
    await page.mouse.up()
    if ((await own.textContent()) !== before) break
  }
  await expect(own).not.toHaveText(before ?? '')
  const carried = mm(await page.getByRole('slider', { name: 'From the heel' }).getAttribute('aria-valuenow'))
  expect(carried).toBeGreaterThan(0.62)
  // On a left last the tapes are seen as well: the waist's, sky blue, on the other half of the picture.
  await page.getByRole('radio', { name: 'Lateral' }).click()
  const waist = async () => (await colourSpot(page.locator('canvas'), [0x8f, 0xd0, 0xe8], 0))?.x
  await expect.poll(waist).toBeGreaterThan(box.width / 2)
  await page.getByRole('radio', { name: 'Left' }).click()
  await expect.poll(waist).toBeLessThan(box.width / 2)
  await page.getByRole('radio', { name: 'Side' }).click()
  await expect(page.getByRole('img', { name: /From the lateral side\..*Heel height 45.0 mm/ })).toBeVisible()
  await page.getByRole('radio', { name: 'Bottom' }).first().click()
  await expect(page.getByRole('img', { name: /Bottom, from above\. Seat 53/ })).toBeVisible()

  const sheet = await request.get(`${server.url}/api/v1${last(4)}/sheet.pdf`)
  const [paper] = await measurePdf(await sheet.body())
  for (const figure of ['Descant 45', '260.0', '223.0', '214.0', '215.0']) expect(paper!.text).toContain(figure)

  await page.getByRole('link', { name: 'Shelf' }).click()
  await expect(page.locator('.holds')).toContainText('1044, Stage shoe')
  await page.getByRole('button', { name: 'Take it from the shelf' }).click()
  await expect(page.getByRole('alert')).toContainText('There is one of "Descant 45"')
  await page.getByRole('button', { name: /is done with it/ }).click()
  await page.getByRole('button', { name: 'Strike out the use by 1044' }).click()
  await expect(page.getByText('Nobody has had it yet.')).toBeVisible()
  await choose(page.getByLabel('By pair'), '1043, Choir flat')
  await page.getByRole('button', { name: 'Take it from the shelf' }).click()
  await expect(page.locator('.holds')).toContainText('1043, Choir flat')
  await visit(page, `${server.url}/lasts`)
  await expect(page.getByRole('link', { name: 'Descant 45' })).toContainText('end not known')
})

test('two people on one last: nothing of either is lost', async ({ page, context }) => {
  await visit(page, `${server.url}${last(2)}/stock`)
  const other = await context.newPage()
  await other.goto(`${server.url}${last(2)}/stock`)
  await other.getByLabel('Where it stands').fill('Window sill')
  await other.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(other.locator('.n-message')).toContainText('is kept.')
  await page.getByLabel('Number stamped on it').fill('42-9')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText('changed elsewhere')
  await page.getByRole('button', { name: 'Take what stands there' }).click()
  await expect(page.getByLabel('Where it stands')).toHaveValue('Window sill')
  await page.getByLabel('Number stamped on it').fill('42-9')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.locator('.n-message')).toContainText('is kept.')
  await page.reload()
  await expect(page.getByLabel('Number stamped on it')).toHaveValue('42-9')
  await expect(page.getByLabel('Where it stands')).toHaveValue('Window sill')
  await page.getByRole('button', { name: 'Delete this last' }).click()
  await page.getByRole('button', { name: 'Delete it' }).click()
  await expect(page.getByRole('alert')).toContainText('stays on the shelf')
})
