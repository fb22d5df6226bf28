import { spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { createClient } from '@libsql/client'
import { expect, test, type Page } from '@playwright/test'
import { startServer } from './server.ts'
import { typeLength } from './controls.ts'

const root = join(fileURLToPath(new URL('.', import.meta.url)), '..')
/** The built command that npm run restore starts. */
const restore = (data: string, ...words: string[]) => {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    [join(root, 'server', 'dist', 'restore.js'), ...words],
    {
      env: { ...process.env, GENTLE_AWL_DATA: data },
    },
  )
  return { status, said: `${stdout.toString()}${stderr.toString()}` }
}
const derby = '/pairs/01930000-0003-7000-8000-000000000001'
const puff = (page: Page) =>
  page.getByRole('slider', { name: 'Back edge behind the toe tip, by tape over the toe box' })

test('two tabs: the second learns of the change; when both changed it is asked, and nothing is lost', async ({
  browser,
}) => {
  const server = await startServer()
  const context = await browser.newContext()
  const [one, two] = [await context.newPage(), await context.newPage()]
  for (const p of [one, two]) await p.goto(`${server.url}${derby}/parts/puff`)
  await expect(puff(two)).toHaveAttribute('aria-valuenow', '59.2')

  await typeLength(puff(one), 62)
  await expect(one.getByTestId('save-state')).toHaveText('revision 2')
  await expect(two.getByTestId('save-state')).toHaveText('revision 2')
  await expect(puff(two)).toHaveAttribute('aria-valuenow', '62')

  // A page that is cut off from the news misses the next change.
  const other = await browser.newContext()
  await other.route('**/api/v1/news', (route) => route.abort())
  const three = await other.newPage()
  await three.goto(`${server.url}${derby}/parts/puff`)
  await expect(puff(three)).toHaveAttribute('aria-valuenow', '62')
  await typeLength(puff(one), 50)
  await expect(one.getByTestId('save-state')).toHaveText('revision 3')
  await typeLength(puff(three), 66)
  const dialog = three.getByRole('dialog', { name: 'Changed in two places' })
  await expect(dialog).toContainText('puff · length')
  await expect(dialog.getByRole('row', { name: /puff · length/ })).toContainText('66')
  await dialog.getByRole('button', { name: 'Keep what is here' }).click()
  await expect(three.getByTestId('save-state')).toHaveText('revision 4')
  await three.getByRole('button', { name: 'Undo' }).click()
  await expect(puff(three)).toHaveAttribute('aria-valuenow', '50')
  await context.close()
  await other.close()
  await server.end()
})

test('the server is killed in the middle: what was changed meanwhile waits in the browser and is saved when it is back', async ({
  page,
}) => {
  const server = await startServer()
  const port = new URL(server.url).port
  await page.goto(`${server.url}${derby}/parts/puff`)
  await typeLength(puff(page), 63)
  await expect(page.getByTestId('save-state')).toHaveText('revision 2')
  await server.kill('SIGKILL')
  await typeLength(puff(page), 64)
  await expect(page.getByRole('alert')).toContainText('The workshop server does not answer')
  await expect(page.getByTestId('save-state')).toHaveText('not saved')

  const again = await startServer(server.data, true, port)
  await page.getByRole('button', { name: 'Save again' }).click()
  await expect(page.getByTestId('save-state')).toHaveText('revision 3')

  // And once more, with the browser closed before the server is back.
  await again.kill('SIGKILL')
  await typeLength(puff(page), 65)
  await expect(page.getByTestId('save-state')).toHaveText('not saved')
  const third = await startServer(server.data, true, port)
  await page.reload()
  await expect(page.getByTestId('save-state')).toHaveText('revision 4')
  await expect(puff(page)).toHaveAttribute('aria-valuenow', '65')
  await third.end()
})

test('a pair file goes out and comes in again; a broken one is refused with a sentence', async ({ page }) => {
  const server = await startServer()
  await page.goto(`${server.url}${derby}/parts`)
  await page.getByRole('button', { name: 'Print and files' }).click()
  const waiting = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Pair file' }).click()
  const file = readFileSync(await (await waiting).path(), 'utf8')

  await page.goto(`${server.url}/pairs`)
  await expect(page.locator('.pair')).toHaveCount(5)
  const bring = (name: string, text: string) =>
    page.getByLabel('Pair file').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })
  await bring('half.json', file.slice(0, file.length / 2))
  await expect(page.getByRole('alert')).toContainText('half.json: This is not a whole JSON file')
  await bring('odd.json', file.replace('"welted"', '"nailed"'))
  // Its number is taken: whoever brings it in says which one it bears.
  await page.getByRole('button', { name: 'Keep 1041' }).click()
  await expect(page.getByRole('alert')).toContainText('At decisions, construction')
  await expect(page.locator('.pair')).toHaveCount(5)
  await bring('pair.json', file)
  const asked = page.getByRole('dialog', { name: 'There is an order 1041 already' })
  await expect(asked.getByLabel('Order number of the pair that comes in')).toHaveValue('1045')
  await asked.getByRole('button', { name: 'Bring it in as 1045' }).click()
  await expect(page).toHaveURL(/\/parts$/)
  await expect(page.getByText(/^1045 ·/)).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Welted derby (copy)' })).toBeVisible()
  await server.end()
})

test('an empty workshop says what to do first, and an unknown pair says so', async ({ page }) => {
  const server = await startServer(undefined, false)
  await page.goto(`${server.url}/pairs`)
  await expect(page.getByRole('heading', { name: 'No pair yet' })).toBeVisible()
  await page.getByRole('link', { name: 'Start the first pair' }).click()
  await expect(page.getByText('There is no last on the shelf yet')).toBeVisible()
  await page.getByRole('link', { name: 'Put a last on the shelf' }).click()
  await expect(page.getByText('The shelf is empty.')).toBeVisible()
  await page.getByRole('link', { name: 'By measures' }).click()
  await page.getByLabel('Name of the last').fill('First last')
  await page.getByLabel('Joint girth').fill('150')
  await expect(page.getByRole('alert')).toContainText('girth')
  await expect(page.getByRole('button', { name: 'Keep this last' })).toBeDisabled()
  await page.getByLabel('Joint girth').fill('246')
  await page.getByRole('button', { name: 'Keep this last' }).click()
  await expect(page.getByRole('heading', { name: 'First last' }).first()).toBeVisible()
  await page.goto(`${server.url}/pairs/01930000-0003-7000-8000-00000000ffff/parts`)
  await expect(page.getByRole('alert')).toContainText('There is no pair with this id')
  await server.end()
})

test('a drawing that lies about its size is told, and the page goes on', async ({ page }) => {
  const server = await startServer()
  await page.goto(`${server.url}/lasts/new/traced`)
  const dxf = ['0', 'SECTION', '2', 'ENTITIES', '0', 'LWPOLYLINE', '90', '2000000000', '70', '1', '10', '0', '20', '0']
  const bring = (name: string, text: string) =>
    page
      .locator('input[type="file"]')
      .first()
      .setInputFiles({ name, mimeType: 'image/vnd.dxf', buffer: Buffer.from(text) })
  await bring('small.dxf', [...dxf, '0', 'ENDSEC', '0', 'EOF'].join('\n'))
  await expect(page.getByRole('alert')).toContainText('says it has 2000000000 points, and there are 1')
  await bring('half.svg', '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0')
  await expect(page.getByRole('alert')).toContainText('not a whole SVG file')
  const line = (i: number) => `0\nLINE\n10\n${i * 3}\n20\n0\n11\n${i * 3 + 1}\n21\n5\n`
  const loose = Array.from({ length: 20_000 }, (_, i) => line(i)).join('')
  await bring('loose.dxf', `0\nSECTION\n2\nENTITIES\n${loose}0\nENDSEC\n0\nEOF\n`)
  await expect(page.getByRole('alert')).toContainText('holds no closed outline')
  await server.end()
})

test('backups: one is made, put back, and what was changed since is set aside; a page that was open cannot save over it', async ({
  browser,
}) => {
  const server = await startServer()
  const context = await browser.newContext()
  const [page, stale] = [await context.newPage(), await context.newPage()]
  await page.goto(`${server.url}/backups`)
  await page.getByRole('button', { name: 'Make one now' }).click()
  await expect(page.getByText('A backup was made, opened and checked.')).toBeVisible()
  await stale.goto(`${server.url}${derby}/parts/puff`)
  await typeLength(puff(stale), 62)
  await expect(stale.getByTestId('save-state')).toHaveText('revision 2')
  await page
    .getByRole('button', { name: /^Put back .*20/ })
    .first()
    .click()
  await page.getByRole('button', { name: 'Put it back' }).click()
  await expect(page).toHaveURL(/\/pairs$/)
  await page.goto(`${server.url}${derby}/parts/puff`)
  await expect(puff(page)).toHaveAttribute('aria-valuenow', '59.2')
  // The other page still shows what was set aside: it is asked, not believed.
  await typeLength(puff(stale), 63)
  await expect(stale.getByRole('dialog', { name: 'Changed in two places' })).toBeVisible()
  await context.close()
  await server.end()
})

test('a database that is held by another program is said on every page', async ({ page }) => {
  const server = await startServer()
  await page.route('**/api/v1/health', (route) =>
    route.fulfill({
      status: 503,
      contentType: 'application/problem+json',
      body: JSON.stringify({ detail: 'Another program holds the database.' }),
    }),
  )
  await page.goto(`${server.url}/lasts`)
  await expect(page.getByRole('alert')).toContainText('Another program holds the database.')
  await page.getByRole('link', { name: 'See the backups' }).click()
  await expect(page.getByRole('heading', { name: 'Backups' })).toBeVisible()
  await server.end()
})

test('a plan kept in the browser is shown in a new tab, and never for figures that are others by then', async ({
  browser,
}) => {
  const server = await startServer()
  const context = await browser.newContext()
  const open = async () => {
    const page = await context.newPage()
    await page.goto(`${server.url}${derby}/parts/puff`)
    await expect(puff(page)).toBeVisible()
    return page
  }
  const kept = (page: Page) =>
    page.evaluate(
      () =>
        new Promise<Record<string, number>>((resolve, reject) => {
          const asked = indexedDB.open('gentle-awl-kept')
          asked.onerror = () => reject(new Error('It cannot be opened.'))
          asked.onsuccess = () => {
            const names = ['dear', 'plans'] as const
            const counts = names.map((name) => asked.result.transaction(name).objectStore(name).count())
            const look = () => {
              if (counts.every((c) => c.readyState === 'done')) {
                resolve(Object.fromEntries(names.map((name, i) => [name, counts[i]!.result])))
              } else setTimeout(look, 5)
            }
            look()
          }
        }),
    )
  const first = await open()
  await expect(puff(first)).toHaveAttribute('aria-valuenow', '59.2')
  await expect.poll(() => kept(first)).toEqual({ dear: 4, plans: 1 })
  await first.close()
  const second = await open()
  await expect(puff(second)).toHaveAttribute('aria-valuenow', '59.2')
  await second.close()
  // Somebody changes the rule by which the puff is drawn.
  const rules = `${server.url}/api/v1/house-rules`
  const answer = await fetch(rules, {
    method: 'PUT',
    headers: { 'content-type': 'application/json', 'if-match': '"0"' },
    body: JSON.stringify({ houseRules: { 'puff.base': 56 } }),
  })
  expect(answer.status).toBe(200)
  const third = await open()
  await expect(puff(third)).not.toHaveAttribute('aria-valuenow', '59.2')
  const by = Number(await puff(third).getAttribute('aria-valuenow'))
  expect(by).toBeCloseTo(59.2 + 4, 9)
  await context.close()
  await server.end()
})

test('a backup is put back from the command line once the server has stopped, and not before', async ({ page }) => {
  const server = await startServer()
  const [copy] = readdirSync(join(server.data, 'backups'))
  await page.goto(`${server.url}${derby}/parts/puff`)
  await typeLength(puff(page), 62)
  await expect(page.getByTestId('save-state')).toHaveText('revision 2')
  expect(restore(server.data).said).toContain(copy)
  expect(restore(server.data, copy!)).toMatchObject({
    status: 1,
    said: expect.stringMatching(/already works in/),
  })
  await server.kill('SIGKILL')
  expect(restore(server.data, 'nothing.sqlite').status).toBe(1)
  const done = restore(server.data, copy!)
  expect(done).toMatchObject({ status: 0, said: expect.stringMatching(/was put back: 5 pairs/) })
  const again = await startServer(server.data)
  await page.goto(`${again.url}${derby}/parts/puff`)
  await expect(puff(page)).toHaveAttribute('aria-valuenow', '59.2')
  await again.end()
})

test('a backup that cannot be made keeps nobody from working, and is said on every page', async ({ page }) => {
  const data = mkdtempSync(join(tmpdir(), 'gentle-awl-nobackup-'))
  writeFileSync(join(data, 'backups'), 'a file where the folder should be')
  const server = await startServer(data, false)
  await page.goto(`${server.url}/pairs`)
  await expect(page.getByRole('alert')).toContainText('No backup could be made')
  await expect(page.getByRole('heading', { name: 'No pair yet' })).toBeVisible()
  await server.end()
})

test('a start that cannot be is said in a sentence and not with a trace', () => {
  const data = mkdtempSync(join(tmpdir(), 'gentle-awl-start-'))
  const start = (env: Record<string, string>) => {
    const { status, stderr } = spawnSync(process.execPath, [join(root, 'server', 'dist', 'main.js')], {
      env: { ...process.env, GENTLE_AWL_DATA: data, GENTLE_AWL_DEMO: '0', LOG_LEVEL: 'warn', ...env },
    })
    return { status, said: stderr.toString() }
  }
  writeFileSync(join(data, 'gentle-awl.sqlite'), 'Dear diary, today I cut two pairs of insoles.')
  for (const [env, says] of [
    [{ PORT: 'harbour' }, /PORT is "harbour"/],
    [{ GENTLE_AWL_DATA: join(data, 'gentle-awl.sqlite', 'shop') }, /cannot be used/],
    [{}, /is damaged .* no backup that could be put back/],
  ] as const) {
    const { status, said } = start(env)
    expect(status).toBe(1)
    expect(said).toMatch(says)
    expect(said).not.toMatch(/\n\s+at /)
  }
})

test('a pair whose saved decisions are damaged is named on the list and can be deleted; the others stand', async ({
  page,
}) => {
  const server = await startServer()
  const client = createClient({ url: `file:${join(server.data, 'gentle-awl.sqlite')}` })
  await client.execute({
    sql: 'UPDATE pair_revisions SET decisions = substr(decisions, 1, 40) WHERE pair_id = ?',
    args: [derby.split('/')[2]!],
  })
  client.close()
  await page.goto(`${server.url}/pairs`)
  await expect(page.locator('.pair')).toHaveCount(5)
  await expect(page.getByRole('alert')).toContainText('What was saved of this pair is damaged')
  await page.getByRole('button', { name: 'Delete 1041' }).click()
  const dialog = page.getByRole('dialog', { name: 'Delete 1041, Welted derby?' })
  await dialog.getByRole('button', { name: 'Delete it' }).click()
  await expect(page.locator('.pair')).toHaveCount(4)
  await expect(page.getByRole('alert')).toHaveCount(0)
  await server.end()
})
