import AxeBuilder from '@axe-core/playwright'
import { CODE_CELLS, MARK_CELLS, markCodes, matSheet } from '@gentle-awl/core'
import { measurePdf } from './measurePdf.ts'
import { expect, test, visit } from './openPage.ts'
import { startServer, type RunningServer } from './server.ts'

let server: RunningServer

test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

test('the mat is printed at true size: every cell of every mark where the camera looks for it, and a bar of 100 mm', async () => {
  for (const [kind, paper, sheets] of [
    ['small', 'letter', 2],
    ['wide', 'a4', 1],
    ['floor', 'a4', 1],
  ] as const) {
    const response = await fetch(`${server.url}/api/v1/mat.pdf?kind=${kind}&paper=${paper}&sheets=${sheets}`)
    expect(response.status).toBe(200)
    const pages = await measurePdf(new Uint8Array(await response.arrayBuffer()))
    expect(pages).toHaveLength(sheets)
    for (const [k, page] of pages.entries()) {
      const sheet = matSheet(kind, k + 1)
      const [left, low] = [(page.width - sheet.width) / 2, (page.height - sheet.height) / 2]
      const boxes = page.lines
        .filter((l) => l.points.length >= 4)
        .map(({ points }) => ({
          x0: Math.min(...points.map((p) => p[0])) - left,
          x1: Math.max(...points.map((p) => p[0])) - left,
          y0: Math.min(...points.map((p) => p[1])) - low,
          y1: Math.max(...points.map((p) => p[1])) - low,
        }))
      const black = (x: number, y: number) => boxes.some((b) => x > b.x0 && x < b.x1 && y > b.y0 && y < b.y1)
      const cell = sheet.side / MARK_CELLS
      let wrong = 0
      for (const { mark, corners } of sheet.marks) {
        const [x0, y0] = corners[0]
        for (let row = 0; row < MARK_CELLS; row++) {
          for (let column = 0; column < MARK_CELLS; column++) {
            const edge = row === 0 || column === 0 || row === MARK_CELLS - 1 || column === MARK_CELLS - 1
            const white = ((markCodes()[mark]! >>> ((row - 1) * CODE_CELLS + column - 1)) & 1) === 1
            // Near all four corners of the cell: it is as large as it should be, not only there.
            for (const dx of [0.05, 0.95]) {
              for (const dy of [0.05, 0.95]) {
                const is = black(x0 + (column + dx) * cell, y0 + sheet.side - (row + dy) * cell)
                if (is !== (edge || !white)) wrong++
              }
            }
          }
        }
      }
      expect(wrong).toBe(0)
      expect(
        page.lines.some(
          (l) => Math.abs(Math.max(l.width, l.height) - 100) < 0.02 && Math.min(l.width, l.height) < 0.01,
        ),
      ).toBe(true)
      expect(page.text).toContain(`Mat, ${kind} sheet ${k + 1}`)
    }
  }
  const none = await fetch(`${server.url}/api/v1/mat.pdf?kind=wide&sheets=9`)
  expect(none.status).toBe(422)
  expect(await none.text()).toContain('There are not so many different sheets of this kind.')
})

test('a photograph of an old liner’s tracing becomes its new liner: read, pulled, taken back, taken', async ({
  page,
}) => {
  test.setTimeout(90_000)
  await visit(page, `${server.url}/liners`)
  await page.getByRole('button', { name: 'From a photograph' }).click()
  const dialog = page.getByRole('dialog', { name: 'Bring in a tracing of the old liner' })
  const axe = async () =>
    (await new AxeBuilder({ page }).include('[role=dialog]').analyze()).violations.map((v) => `${v.id}: ${v.help}`)
  await expect(dialog).toBeVisible()
  expect(await axe()).toEqual([])

  // What is no picture is told so, and nothing is changed.
  await dialog
    .locator('input[name=picture]')
    .setInputFiles({ name: 'notes.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') })
  await expect(dialog.getByRole('alert')).toHaveText(/notes\.jpg is no picture that can be read here\. Choose a JPEG/, {
    timeout: 40_000,
  })

  await dialog.getByRole('button', { name: 'Practise with our photograph' }).click()
  await expect(dialog.getByText(/32 marks read/)).toBeVisible({ timeout: 60_000 })
  const figure = (name: string) => dialog.locator('dl > div', { hasText: name }).locator('dd')
  await expect(figure('Length and width')).toHaveText(/^246\.\d mm · 74\.\d mm$/)
  await expect(figure('Width of the pencil line')).toHaveText(/^0\.6\d? mm$/)
  expect(await axe()).toEqual([])

  // A dot of the line moves by the keyboard, and back again.
  const dots = dialog.getByRole('button', { name: /^Place \d+ of \d+ on the line/ })
  await dots.first().focus()
  await page.keyboard.press('Shift+ArrowUp')
  await expect(figure('Corrected by hand')).toHaveText('yes')
  await dialog.getByRole('button', { name: 'Take the correction back' }).click()
  await expect(figure('Corrected by hand')).toHaveCount(0)
  // Pulled by the pointer it is longer.
  const box = (await dots.first().locator('circle').boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 14, { steps: 4 })
  await page.mouse.up()
  await expect(figure('Corrected by hand')).toHaveText('yes')
  await dialog.getByRole('button', { name: 'Take the correction back' }).click()

  await dialog.getByRole('button', { name: 'Take this outline' }).click()
  await expect(dialog).toHaveCount(0)
  await expect(page.getByText(/practice photograph\.jpg: right to 0\.\d+ mm/)).toBeVisible()
  // The line's middle, less half of its width at either end.
  await expect(page.getByText(/Length of the sock liner: 245\.\d mm/)).toBeVisible()
  await expect(page.getByRole('textbox', { name: /Pencil line/ })).toHaveValue(/^0\.6\d?$/)
})
