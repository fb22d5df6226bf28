import { readFileSync } from 'node:fs'
import { readHpgl, signedArea } from '@gentle-awl/core'
import { choose } from './controls.ts'
import { expect, test, visit } from './openPage.ts'
import { startServer, type RunningServer } from './server.ts'

let server: RunningServer
test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())
const derby = () => `${server.url}/pairs/01930000-0003-7000-8000-000000000001/cutting`

test('the cutting list has every piece for both feet, by what it is cut from', async ({ page }) => {
  await visit(page, derby())
  await expect(page.getByRole('heading', { name: /Tar-brown calf/ })).toBeVisible()
  const vamp = page.getByRole('row', { name: /^Vamp 1 1/ })
  await expect(vamp).toContainText('1.4 mm')
  await expect(vamp).toContainText('one pattern, turned over')
  await expect(page.getByRole('row', { name: /^Welt/ })).toContainText('by measure, along a straight edge')

  const quarter = page.getByRole('row', { name: /^Quarter, lateral/ })
  // Ticked off at the bench; a change of its shape takes the tick back, and says so.
  await quarter.getByRole('button', { name: 'Quarter, lateral is cut' }).click()
  await expect(quarter).toContainText(/cut \d+ [A-Z][a-z]{2}/)
  await page.reload()
  await expect(quarter).toContainText(/cut \d+ [A-Z][a-z]{2}/)
  await visit(page, `${server.url}/pairs/01930000-0003-7000-8000-000000000001/upper`)
  await page.locator('[data-point="ankle:lateral"]').focus()
  await page.keyboard.press('Shift+ArrowUp')
  await expect(page.getByTestId('save-state')).toHaveText(/^revision \d+$/)
  await visit(page, derby())
  await expect(quarter.getByRole('button', { name: 'Quarter, lateral is cut' })).toHaveText('Changed since: cut anew')
  await page.keyboard.press('Control+z')
  await expect(quarter).toContainText(/cut \d+ [A-Z][a-z]{2}/)
})

test('a hide comes into the stores with its flaws, and a pair is laid on one off flaws and lesser parts', async ({
  page,
}) => {
  await visit(page, `${server.url}/stores/hides`)
  await expect(page.getByRole('link', { name: /Calf 7/ })).toContainText(/82\.\d dm² · 1\.5 mm · 4 flaws/)
  await page.getByRole('link', { name: 'New hide or sheet' }).click()
  await page.getByRole('textbox', { name: 'Name or number' }).fill('Calf 8')
  await page.getByRole('textbox', { name: 'Name or number' }).press('Tab')
  await choose(page.getByRole('combobox', { name: 'It is of' }), 'Tar-brown calf')
  await choose(page.getByRole('combobox', { name: 'A press on the drawing marks' }), 'Flaw: a hole')
  // A flaw by number, and one by its corners.
  await page.getByRole('textbox', { name: 'How wide it is' }).fill('40')
  await page.getByRole('textbox', { name: 'How wide it is' }).press('Tab')
  await page.getByRole('button', { name: 'Put it there' }).click()
  const slate = page.locator('.slate-surface')
  const at = (await slate.boundingBox())!
  for (const [x, y] of [
    [0.5, 0.45],
    [0.6, 0.45],
    [0.55, 0.6],
  ] as const) {
    await page.mouse.click(at.x + x * at.width, at.y + y * at.height)
  }
  await page.getByRole('button', { name: 'Close it after 3 corners' }).click()
  await expect(page.getByRole('list', { name: 'What is marked' }).getByRole('listitem')).toHaveCount(2)
  // Not kept yet, it is still there after a reload.
  await page.reload()
  await expect(page.getByText('Not kept yet; it stays in this browser until you keep it.')).toBeVisible()
  await page.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Calf 8' })).toBeVisible()
  await expect(page.getByText(/1000 mm × 600 mm; 5\d\.\d dm² of it sound\./)).toBeVisible()

  await visit(page, `${derby()}/Tar-brown%20calf`)
  await choose(page.getByRole('combobox', { name: 'Laid on' }), /Calf 7/)
  const seconds = page.getByRole('textbox', { name: 'Seconds to look for it' })
  await seconds.fill('2')
  await seconds.press('Tab')
  await page.getByRole('button', { name: 'Lay out' }).click()
  await expect(page.getByTestId('verdict')).toContainText(
    /All of it lies on the hide: [\d.]+ dm² of 82\.\d dm², \d\d %\./,
  )
  await expect(page.getByRole('button', { name: 'Lay out' })).toBeVisible()
  await expect(page.getByRole('img', { name: '8 pieces of Tar-brown calf on a hide' })).toBeVisible()
  // For a cutting table: eight closed lines on the hide, as large as the pieces.
  const waiting = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Cutting table (HPGL)' }).click()
  const plot = readHpgl(readFileSync(await (await waiting).path(), 'utf8'))
  expect(plot.filter((l) => l.closed && l.tool === 1)).toHaveLength(8)
  const covered = plot.reduce((sum, l) => sum + Math.abs(signedArea(l.path)), 0) / 1e4
  const said = Number(/on the hide: ([\d.]+)/.exec((await page.getByTestId('verdict').textContent()) ?? '')![1])
  expect(covered).toBeGreaterThan(said - 0.06)
  expect(covered).toBeLessThan(said + 0.06)
  // A material of which there is a hide stays in the stores.
  const materials = (await (await fetch(`${server.url}/api/v1/materials`)).json()) as {
    id: string
    name: string
    version: number
  }[]
  const goat = materials.find((m) => m.name === 'Undyed goat')!
  const refused = await fetch(`${server.url}/api/v1/materials/${goat.id}`, {
    method: 'DELETE',
    headers: { 'If-Match': `"${goat.version}"` },
  })
  expect(refused.status).toBe(409)
})

test('one leather is laid out on a sheet, stopped, and laid anew on a narrower one', async ({ page }) => {
  await visit(page, derby())
  await page.getByRole('navigation', { name: 'Cutting' }).getByRole('link', { name: 'Tar-brown calf' }).click()
  const type = async (name: string, value: number) => {
    const field = page.getByRole('textbox', { name })
    await field.fill(String(value))
    await field.press('Tab')
  }
  await choose(page.getByRole('combobox', { name: 'Laid on' }), 'a straight sheet of any size')
  await type('Seconds to look for it', 2)
  await page.getByRole('button', { name: 'Lay out' }).click()
  await expect(page.getByRole('progressbar', { name: 'Laying out' })).toBeVisible()
  const verdict = page.getByTestId('verdict')
  await expect(page.getByRole('button', { name: 'Lay out' })).toBeVisible()
  await expect(verdict).toContainText(
    /All of it from \d+ mm of the sheet: [\d.]+ dm², of which the pieces cover \d\d %/,
  )
  await expect(page.getByRole('img', { name: '8 pieces of Tar-brown calf on a sheet' })).toBeVisible()

  // Half as wide, it takes more of the length; what was laid on the other sheet is gone at once.
  const reach = async () => Number(/from (\d+) mm/.exec((await verdict.textContent()) ?? '')![1])
  const wide = await reach()
  await type('Width of the sheet', 300)
  await expect(verdict).toHaveCount(0)
  await page.getByRole('button', { name: 'Lay out' }).click()
  await expect(page.getByRole('button', { name: 'Lay out' })).toBeVisible()
  expect(await reach()).toBeGreaterThan(wide)

  // Stopped, what was found so far stays.
  await type('Seconds to look for it', 300)
  await page.getByRole('button', { name: 'Lay out' }).click()
  await expect(verdict).toBeVisible()
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(verdict).toBeVisible()

  // On a scrap some pieces have no place.
  await type('Length of the sheet', 200)
  await type('Seconds to look for it', 1)
  await page.getByRole('button', { name: 'Lay out' }).click()
  await expect(verdict).toContainText(/For \d pieces no place was found on this sheet/)
})
