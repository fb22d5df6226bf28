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
})

test('one leather is laid out on a sheet, stopped, and laid anew on a narrower one', async ({ page }) => {
  await visit(page, derby())
  await page.getByRole('navigation', { name: 'Cutting' }).getByRole('link', { name: 'Tar-brown calf' }).click()
  const type = async (name: string, value: number) => {
    const field = page.getByRole('textbox', { name })
    await field.fill(String(value))
    await field.press('Tab')
  }
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
