import { expect, test } from '@playwright/test'
import type { Piece } from '../core/src/upper/piece.ts'
import { asDrawing } from '../core/test/asDrawing.ts'
import { choose } from './controls.ts'
import { startServer, type RunningServer } from './server.ts'

let server: RunningServer
test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

test('a pattern drawn elsewhere is laid on the last, asked of it, laid over another one, and moved', async ({
  page,
}) => {
  // A derby of the shelf as somebody may have drawn it: its finished lines, each piece turned and moved on its sheet.
  const api = `${server.url}/api/v1`
  const pairs = (await (await page.request.get(`${api}/pairs/names`)).json()) as {
    id: string
    name: string
    order: string
  }[]
  let own: unknown
  let derby: { id: string; order: string; decisions: { upper: object } } | null = null
  for (const { id, order } of pairs) {
    const file = (await (await page.request.get(`${api}/pairs/${id}/file`)).json()) as {
      decisions: { upper: { style: string } }
    }
    if (file.decisions.upper.style !== 'derby') continue
    const plan = (await (await page.request.post(`${api}/plan`, { data: file })).json()) as {
      upper: { pieces: Piece[] }
    }
    own = { ...asDrawing(plan.upper, ['vamp', 'quarter.lateral', 'quarter.medial']), placed: false }
    derby = { id, order, decisions: file.decisions }
    break
  }
  const label = { order: '3120', name: 'Drawn derby', trade: 'chandler', note: '' }
  const made = await page.request.post(`${api}/pairs`, {
    data: { label, decisions: { ...derby!.decisions, left: null, upper: { style: 'own pattern', own } } },
  })
  expect(made.status()).toBe(201)
  const { id } = (await made.json()) as { id: string }
  const finding = (name: string) => page.locator(`[data-finding="${name}"]`)

  await page.goto(`${server.url}/pairs/${id}/upper`)
  await test.step('unplaced, the last is not asked', async () => {
    await expect(page.getByRole('checkbox', { name: 'It is laid on the last' })).toBeVisible()
    await expect(finding('upper.backGap')).toHaveCount(0)
  })
  await test.step('placed, it has the checks of the last, and linings from it', async () => {
    await page.getByText('It is laid on the last').click()
    await expect(finding('upper.placed')).toContainText('misses the feather line most: by')
    await expect(finding('upper.backGap')).toBeVisible()
    await expect(finding('upper.vampLength')).toBeVisible()
  })
  const worst = async () => Number(await page.locator('[data-line="back line lateral"] td').first().innerText())
  await test.step('laid over the pair it was drawn from, their lines lie on each other', async () => {
    await page.getByRole('button', { name: 'Laid over another pattern' }).click()
    await choose(page.locator('[name="overlay"]'), new RegExp(`^${derby!.order},`))
    await expect(page.locator('[data-line="back line lateral"]')).toBeVisible()
    await expect(page.locator('path.over').first()).toBeVisible()
    expect(await worst()).toBeLessThan(1)
  })
  await test.step('a side moved by its points is apart by as much', async () => {
    await page.getByRole('radio', { name: 'Forme' }).click()
    const rear = page.getByRole('button', { name: /Quarter, lateral, rear end of its bottom edge/ })
    await rear.focus()
    for (let k = 0; k < 12; k++) await page.keyboard.press('ArrowLeft')
    await expect.poll(worst).toBeGreaterThan(2)
    await page.getByRole('button', { name: 'Back to the rule' }).click()
    await expect.poll(worst).toBeLessThan(1)
  })
})
