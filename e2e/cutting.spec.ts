import { readFileSync } from 'node:fs'
import AxeBuilder from '@axe-core/playwright'
import { readHpgl, signedArea, type LayoutSearch } from '@gentle-awl/core'
import { choose } from './controls.ts'
import { measurePdf } from './measurePdf.ts'
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
  await expect(page.getByRole('row', { name: /^Welt 1 1/ })).toContainText('by measure, along a straight edge')

  // What it takes, for one pair and for a dozen: 13.5 dm² each of the upper.
  const calf = page.getByRole('row', { name: /^Tar-brown calf/ })
  await expect(calf).toContainText('13.5 dm²')
  await page.getByRole('textbox', { name: 'Pairs like this one' }).fill('12')
  await page.getByRole('textbox', { name: 'Pairs like this one' }).press('Tab')
  await expect(calf).toContainText(/16[12]\.\d dm²/)

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
  // On paper, with the signs of each shape.
  const id = '01930000-0003-7000-8000-000000000001'
  const file = await fetch(`${server.url}/api/v1/pairs/${id}/cutting.pdf`)
  const paper = (await measurePdf(new Uint8Array(await file.arrayBuffer()))).map((s) => s.text).join(' ')
  expect(paper).toMatch(/Tar-brown calf\s+grain up\s+13\.5 dm²/)
  expect(paper).toMatch(/Vamp\s+1\s+1\s+1\.4 mm\s+5\.5 dm²\s+turned over\s+[0-9a-f]{6}/)
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
  // Which way it gives least there: pressed from end to end, and by number.
  await choose(page.getByRole('combobox', { name: 'A press on the drawing marks' }), 'A way in which it gives least')
  await page.mouse.click(at.x + 0.4 * at.width, at.y + 0.5 * at.height)
  await page.mouse.click(at.x + 0.5 * at.width, at.y + 0.5 * at.height)
  const marks = page.getByRole('list', { name: 'What is marked' }).getByRole('listitem')
  await expect(marks.last()).toContainText(/Gives least at 0° at \d+ mm, \d+ mm/)
  await page.getByRole('textbox', { name: 'Degrees from the ruler', exact: true }).fill('35')
  await page.getByRole('textbox', { name: 'Degrees from the ruler', exact: true }).press('Tab')
  await page.getByRole('button', { name: 'Put it there' }).click()
  // Looked at again at the same place, it is what was found last.
  await expect(marks.last()).toContainText(/Gives least at 35° at/)
  await expect(marks).toHaveCount(3)
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
  await expect(page.getByRole('group', { name: '8 pieces of Tar-brown calf on a hide' })).toBeVisible()
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

test('a layout left to the server goes on when its page is closed, and is there when it is opened again', async ({
  page,
}) => {
  const calf = `${derby()}/Tar-brown%20calf`
  const api = `${server.url}/api/v1/pairs/01930000-0003-7000-8000-000000000001/layouts/searches`
  const search = async () => ((await (await fetch(api)).json()) as LayoutSearch[])[0]
  const lookFor = async (seconds: number) => {
    const field = page.getByRole('textbox', { name: 'Seconds to look for it' })
    await field.fill(String(seconds))
    await field.press('Tab')
    await page.getByRole('button', { name: 'Lay out' }).click()
  }
  await visit(page, calf)
  await choose(page.getByRole('combobox', { name: 'Laid on' }), 'a straight sheet of any size')
  await page.getByRole('radio', { name: 'Let the server look' }).check()
  await lookFor(3000)
  await expect(page.getByTestId('served')).toContainText('This page may be closed')
  await expect(page.getByRole('progressbar', { name: 'Laying out' })).toBeVisible()
  await page.goto('about:blank')
  await expect.poll(async () => (await search())?.left).toBe(0)
  expect(await search()).toMatchObject({ state: 'runs', seconds: 3000 })
  await visit(page, calf)
  await expect(page.getByTestId('served')).toContainText('This page may be closed')
  // What is changed here is kept, and nothing is looked for any more that does not go with it.
  await page.getByRole('textbox', { name: 'Room for the knife' }).fill('4')
  await page.getByRole('textbox', { name: 'Room for the knife' }).press('Tab')
  await expect(page.getByRole('button', { name: 'Lay out' })).toBeVisible()
  expect((await search())!.state).toBe('stopped')
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Room for the knife' })).toHaveValue('4')
  await lookFor(1)
  await expect(page.getByTestId('served')).toHaveText('The server looked for 1 second, and this is what it found.')
  await expect(page.getByTestId('verdict')).toContainText('All of it')
  await expect(page.getByRole('group', { name: '8 pieces of Tar-brown calf on a sheet' })).toBeVisible()
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
  await expect(page.getByRole('group', { name: '8 pieces of Tar-brown calf on a sheet' })).toBeVisible()

  // Half as wide, what was laid lies over its edge, and is laid anew further along it.
  const reach = async () => Number(/from (\d+) mm/.exec((await verdict.textContent()) ?? '')![1])
  const wide = await reach()
  await type('Width of the sheet', 300)
  const wrong = page.getByRole('list', { name: 'What is wrong' })
  await expect(wrong).toContainText('lies over the edge.')
  await page.getByRole('button', { name: 'Lay out' }).click()
  await expect(page.getByRole('progressbar', { name: 'Laying out' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Lay out' })).toBeVisible()
  await expect(wrong).toHaveCount(0)
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

test('a piece is pulled and fixed, the rest laid round it, sent to the table, ticked off, and taken out of the hide', async ({
  page,
}) => {
  await visit(page, `${derby()}/Tar-brown%20calf`)
  await choose(page.getByRole('combobox', { name: 'Laid on' }), /Calf 7/)
  const seconds = page.getByRole('textbox', { name: 'Seconds to look for it' })
  await seconds.fill('2')
  await seconds.press('Tab')
  const lay = async (name: string) => {
    await page.getByRole('button', { name }).click()
    await expect(page.getByRole('progressbar', { name: 'Laying out' })).toBeVisible()
    await expect(page.getByRole('progressbar', { name: 'Laying out' })).toHaveCount(0)
  }
  await lay('Lay out')
  const wrong = page.getByRole('list', { name: 'What is wrong' })
  await expect(wrong).toHaveCount(0)

  // Pulled by the pointer onto its neighbours: that cannot be missed. One step takes it back.
  const vamp = page.locator('.slate-surface').getByRole('button', { name: /^Vamp, left/ })
  const at = (await vamp.boundingBox())!
  const [x, y] = [at.x + at.width / 2, at.y + at.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x - 10, y + 20)
  const other = (await page
    .locator('.slate-surface')
    .getByRole('button', { name: /^Vamp, right/ })
    .boundingBox())!
  await page.mouse.move(other.x, other.y + 20, { steps: 4 })
  await page.mouse.up()
  await expect(wrong).toContainText(/Vamp, left.* lie over each other: \d+ mm² twice\./)
  await expect(vamp).toHaveAccessibleName(/something is wrong, put there by hand/)
  await expect(page.getByRole('button', { name: 'Send to the table' })).toBeDisabled()
  const { violations } = await new AxeBuilder({ page }).setLegacyMode(true).analyze()
  expect(violations.map((v) => `${v.id}: ${v.help}: ${v.nodes[0]!.html}`)).toEqual([])
  await page.getByRole('button', { name: 'Take back' }).click()
  await expect(wrong).toHaveCount(0)

  // By keys and by number, to the free end of the hide; the rest is laid round it and it stays where it is.
  await vamp.focus()
  await page.keyboard.press('Shift+ArrowRight')
  await page.keyboard.press('.')
  const along = page.getByRole('textbox', { name: 'Middle along' })
  const across = page.getByRole('textbox', { name: 'Middle across' })
  await along.fill('800')
  await along.press('Tab')
  await across.fill('20')
  await across.press('Tab')
  const turned = page.getByRole('textbox', { name: 'Turned off the tight direction, degrees' })
  // From the way of the leather there, which is nearly the backbone's.
  await expect(turned).toHaveValue(/^-?\d(\.\d)?$/)
  await turned.fill('0')
  await turned.press('Tab')
  await lay('Lay the rest')
  await expect(wrong).toHaveCount(0)
  await page.reload()
  await vamp.focus()
  await expect(along).toHaveValue('800')
  await expect(across).toHaveValue('20')

  // The table cuts half of it: what is cut is told, the rest is not ticked.
  await page.evaluate(() =>
    fetch('/api/v1/standins/table', {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ plugged: true, fault: 'stops half way' }),
    }),
  )
  await page.getByRole('button', { name: 'Send to the table' }).click()
  const table = page.getByTestId('table')
  await expect(table).toHaveText(/The table stopped: \d of 8 pieces are cut\./)
  await expect(page.getByRole('list', { name: 'What the table did not cut well' })).toContainText(': not cut.')
  await visit(page, `${server.url}/table`)
  await expect(page.getByTestId('work')).toHaveText(/^Stopped: \d of 8 lines, \d+ mm of cut\.$/)
  await choose(page.getByRole('combobox', { name: 'With the next work goes wrong' }), 'nothing')

  await visit(page, `${derby()}/Tar-brown%20calf`)
  await page.getByRole('button', { name: 'Send to the table' }).click()
  await expect(table).toContainText('All 8 pieces are cut, as long as they were planned.')
  await page.getByRole('button', { name: 'Take it out of the hide' }).click()
  await expect(page.getByText(/^What is left of Calf 7.* is in the stores\.$/).first()).toBeVisible()
  // What was cut lies there no more.
  await expect(page.getByRole('group', { name: '0 pieces of Tar-brown calf on a hide' })).toBeVisible()
  // The table's work outlasts the layout: it can still be ticked off.
  await page.getByRole('button', { name: 'Tick off what is cut' }).click()
  await expect(page.getByText('What was cut is ticked off.').first()).toBeVisible()
  await page.getByRole('navigation', { name: 'Cutting' }).getByRole('link', { name: 'Cutting list' }).click()
  await expect(page.getByRole('row', { name: /^Vamp 1 1/ })).toContainText(/cut \d+ [A-Z][a-z]{2}/)
  await visit(page, `${server.url}/stores/hides`)
  await expect(page.getByRole('link', { name: /^Calf 7 Tar/ })).not.toContainText('82.1 dm²')
})

test('readings of the thickness gauge land on the hide that waits for them, damaged ones nowhere', async ({
  page,
  context,
}) => {
  await visit(page, `${server.url}/stores/hides/01930000-0006-7000-8000-000000000002`)
  await choose(page.getByRole('combobox', { name: 'A press on the drawing marks' }), 'A thickness that was measured')
  const marked = page.getByRole('list', { name: 'What is marked' }).getByRole('listitem')
  const before = await marked.count()
  await page.getByRole('button', { name: 'From the gauge' }).click()
  await expect(page.getByRole('button', { name: 'Waits for the gauge' })).toBeVisible()
  // While it waits, a press says where it will be put down and measures nothing.
  const slate = (await page.locator('.slate-surface').boundingBox())!
  await page.mouse.click(slate.x + slate.width / 2, slate.y + slate.height / 2)
  await expect(marked).toHaveCount(before)

  const other = await context.newPage()
  await visit(other, `${server.url}/gauge`)
  await other.getByRole('radio', { name: 'none' }).click()
  const under = other.getByRole('textbox', { name: 'Under its foot' })
  await under.fill('1.7')
  await under.press('Tab')
  await choose(other.getByRole('combobox', { name: 'What goes wrong' }), 'it sends half a message')
  await other.getByRole('button', { name: 'Press it down' }).click()
  const alert = 'The gauge sent something that cannot be read: press it again.'
  await expect(other.getByRole('alert')).toHaveText(alert)
  await expect(page.getByRole('alert')).toHaveText(alert)
  await expect(marked).toHaveCount(before)
  await choose(other.getByRole('combobox', { name: 'What goes wrong' }), 'nothing')
  await other.getByRole('button', { name: 'Press it down' }).click()
  await expect(page.getByText('1.70 mm read.')).toBeVisible()
  await expect(marked).toHaveCount(before + 1)
  await expect(page.getByRole('list', { name: 'What is marked' })).toContainText('1.7 mm')
})
