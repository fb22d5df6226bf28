import type { Page } from '@playwright/test'
import { choose } from './controls.ts'
import { measurePdf, type PdfLine } from './measurePdf.ts'
import { expect, test, visit } from './openPage.ts'
import { startServer, type RunningServer } from './server.ts'

let server: RunningServer
const pairs = '/pairs/01930000-0003-7000-8000-00000000000'
const derby = `${pairs}1`
const deck = `${pairs}2`
const oxford = `${pairs}5`

test.beforeAll(async () => {
  server = await startServer()
})
test.afterAll(() => server.end())

const kept = async (page: Page) => expect(page.getByTestId('save-state')).not.toHaveText(/saving|not kept/i)
const printed = async (path: string) => {
  const response = await fetch(`${server.url}/api/v1${path}`)
  expect(response.status).toBe(200)
  return measurePdf(new Uint8Array(await response.arrayBuffer()))
}
interface Drawn {
  topFinish: { opening: number; kerfs: number[]; nips: number[]; marks: { name: string; at: number }[] }
  lines: { kind: string; side: string; path: [number, number][] }[]
}
interface Sewn {
  id: string
  on: { piece: string; line: [number, number][]; part?: true }[]
}
interface Planned {
  upper: Drawn
  stitching: { seams: Sewn[] }
  left: { upper: Drawn } | null
}
/** The plan of a pair as it is kept. */
async function planned(pair: string): Promise<Planned> {
  const file = await (await fetch(`${server.url}/api/v1${pair}/file`)).text()
  const plan = await fetch(`${server.url}/api/v1/plan`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: file,
  })
  expect(plan.status).toBe(200)
  return (await plan.json()) as Planned
}
const lengthOf = (line: [number, number][]) =>
  line.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - line[i]![0], y - line[i]![1]), 0)
/** Lines of a page that stand upright and are as high as asked, from left to right. */
const upright = (lines: PdfLine[], height: number) =>
  lines
    .filter((l) => l.points.length === 2 && l.width < 0.01 && Math.abs(l.height - height) < 0.05)
    .sort((a, b) => b.points[0]![1] - a.points[0]![1] || a.points[0]![0] - b.points[0]![0])

test('a bead on an oxford whose seam runs straight round goes down both facings: strip, legs and marks', async ({
  page,
}) => {
  await visit(page, `${server.url}${oxford}/upper`)
  await page.getByLabel('Seam straight round').check()
  await choose(page.locator('[name="top-finish"]'), 'bead')
  await expect(page.getByText('Top line: bead, down the facings')).toBeVisible()
  const strip = page.getByTestId('edge-bead')
  await expect(strip).toContainText('long leg 18.0 mm, short leg 12.0 mm')
  await kept(page)
  const { upper } = await planned(oxford)
  const way = (kind: string) => upper.lines.filter((l) => l.kind === kind).reduce((sum, l) => sum + lengthOf(l.path), 0)
  const [top, facings] = [way('top line'), way('facing')]
  expect(facings / top).toBeGreaterThan(0.25)
  const long = Math.round(top + facings + 50)
  await expect(strip).toContainText(`${long} mm × 30.0 mm`)
  await page.getByRole('button', { name: 'Along the strip, from its end' }).click()
  const marks = page.getByRole('row').filter({ hasText: /Front|Back|facing/ })
  await expect(marks).toHaveText([
    /^25 mm ?Front, lateral/,
    /Top of the facing, lateral/,
    /Back/,
    /Top of the facing, medial/,
    /Front, medial/,
  ])
  // As a part: its fold, its check, and the leather that may be another.
  await strip.getByRole('link', { name: 'Bead' }).click()
  await expect(page.getByRole('heading', { name: 'Bead' })).toBeVisible()
  await expect(page.locator('[data-finding="bead.leg"]')).toContainText('past the punched row that ends 7.3 mm from it')
  await choose(page.getByLabel('Cut from'), 'Oiled deck hide, 2.0 mm')
  await kept(page)

  // On paper, in rows of 190 mm: every kerf where the plan has it, counted on from row to row.
  const pages = await printed(`${oxford}/strips.pdf`)
  const text = pages.map((p) => p.text).join(' ')
  expect(text).toContain(`Bead, right: ${(upper.topFinish.opening + 50).toFixed(1)} mm × 30 mm`)
  expect(text).toContain('Oiled deck hide')
  // The left shoe's strip comes first; this pair's feet differ.
  const { left } = await planned(oxford)
  const wanted = left!.upper.topFinish.kerfs.filter((at) => at < 190)
  expect(wanted.length).toBeGreaterThan(2)
  const kerfs = upright(pages[0]!.lines, 12 - 1.5)
  const row = kerfs.filter((k) => Math.abs(k.points[0]![1] - kerfs[0]!.points[0]![1]) < 0.01)
  const nips = left!.upper.topFinish.nips.filter((at) => at < 190)
  const cut = [...wanted, ...nips].sort((x, y) => x - y)
  expect(row).toHaveLength(cut.length)
  // The paper has a margin of 10 mm.
  row.forEach((k, i) => expect(Math.abs(k.points[0]![0] - 10 - cut[i]!)).toBeLessThan(0.02))
})

test('a row of holes is moved, and its punching strip measured by another reader', async ({ page }) => {
  await visit(page, `${server.url}${deck}/stitching/tab.lateral`)
  await page.getByLabel('Row of this seam from the edge').fill('5')
  await page.getByLabel('Row of this seam from the edge').press('Tab')
  await page.getByLabel('Stitch of this seam').fill('4,5')
  await page.getByLabel('Stitch of this seam').press('Tab')
  await expect(page.getByRole('row', { name: /From the edge/ })).toContainText('5.00 mm')
  await page.getByRole('radio', { name: 'Punching strip' }).click()
  await expect(page.getByRole('img', { name: /Punching strip of Heel section over vamp, lateral/ })).toBeVisible()
  await kept(page)

  const seam = (await planned(deck)).stitching.seams.find((s) => s.id === 'tab.lateral')!
  const length = lengthOf(seam.on[0]!.line)
  const stitches = Math.round(length / 4.5)
  const pages = await printed(`${deck}/strips.pdf`)
  expect(pages[0]!.text).toContain(`${stitches + 1} holes`)
  expect(pages[0]!.text).toContain('5 mm from the edge')
  // Ticks of 2.8 mm; the first row of them on the page is this seam's.
  const ticks = upright(pages[0]!.lines, 2.8)
  const top = ticks[0]!.points[0]![1]
  const mine = ticks.filter((t) => Math.abs(t.points[0]![1] - top) < 0.01).map((t) => t.points[0]![0])
  expect(mine).toHaveLength(stitches + 1)
  mine.slice(1).forEach((x, i) => expect(Math.abs(x - mine[i]! - length / stitches)).toBeLessThan(0.02))
  expect(Math.abs(mine[mine.length - 1]! - mine[0]! - length)).toBeLessThan(0.02)
  // The strip's lower edge lies five millimetres under the middle of the ticks, its upper one six above.
  const middle = (ticks[0]!.points[0]![1] + ticks[0]!.points[1]![1]) / 2
  const along = pages[0]!.lines.filter((l) => l.points.length === 2 && l.height < 0.01 && l.width > length)
  const off = along.map((l) => l.points[0]![1] - middle)
  for (const wanted of [-5, 6]) expect(Math.min(...off.map((d) => Math.abs(d - wanted)))).toBeLessThan(0.02)
  // It is given back to the rest of the pair.
  await page.getByRole('button', { name: 'Like the rest of the pair' }).click()
  await expect(page.getByRole('row', { name: /From the edge/ })).toContainText('3.00 mm')
})

test('the lacing is decided, drawn and counted; a slip-on has none', async ({ page }) => {
  await visit(page, `${server.url}${derby}/upper`)
  await page.getByRole('button', { name: 'Lacing' }).click()
  await expect(page.getByTestId('lace')).toContainText(/Lace: \d+ mm; take one of \d+ mm/)
  const before = await page.getByTestId('lace').innerText()
  await page.getByLabel('Pairs of eyelets').fill('6')
  await page.getByLabel('Pairs of eyelets').press('Tab')
  await page.getByLabel('Pairs of hooks').fill('2')
  await page.getByLabel('Pairs of hooks').press('Tab')
  await expect(page.getByTestId('lace')).not.toHaveText(before)
  await choose(page.locator('[name="eyelets"]'), 'none, holes with a backing')
  await kept(page)
  const svg = await (await fetch(`${server.url}/api/v1${derby}/upper.svg`)).text()
  const piece = (id: string) => {
    const from = svg.slice(svg.indexOf(`id="${id}-right"`))
    return from.slice(0, from.indexOf('</g>'))
  }
  expect(piece('quarter.lateral').match(/data-line="eyelet"/g)).toHaveLength(4)
  expect(piece('quarter.lateral').match(/data-line="hook"/g)).toHaveLength(2)
  const parts = await (await fetch(`${server.url}/api/v1${derby}/parts.svg`)).text()
  expect(parts).toContain('Backing under the lacing, lateral')
  expect(parts).toMatch(/data-line="eyelet" data-punched="later"/)
  await visit(page, `${server.url}${derby}/work`)
  await expect(page.getByText('Punch the lace holes').first()).toBeVisible()
  await visit(page, `${server.url}${pairs}4/upper`)
  await expect(page.getByRole('button', { name: 'Strain', exact: true })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Lacing' })).toHaveCount(0)
})

test('a print for the flesh side is the other foot’s outline, and says what it makes', async ({ page }) => {
  await visit(page, `${server.url}${deck}`)
  await page.getByRole('button', { name: 'Print' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('radio', { name: 'Flesh side, mirrored' }).click()
  const download = page.waitForEvent('download')
  await dialog.getByRole('button', { name: 'Upper (SVG, in mm)' }).click()
  expect((await download).suggestedFilename()).toContain('flesh-side')
  const read = async (face: string) => (await fetch(`${server.url}/api/v1${deck}/upper.svg?face=${face}`)).text()
  const cut = (svg: string, id: string) => /class="cut" d="([^"]+)"/.exec(svg.slice(svg.indexOf(`id="${id}"`)))![1]!
  const [face, flesh] = [await read('face'), await read('flesh')]
  expect(flesh).toContain('data-lies="flesh side up"')
  for (const id of ['vamp', 'heelSection', 'tongue']) {
    expect(cut(flesh, `${id}-right`)).toBe(cut(face, `${id}-left`))
    expect(cut(flesh, `${id}-left`)).toBe(cut(face, `${id}-right`))
  }
  const pages = await printed(`${deck}/upper.pdf?face=flesh`)
  expect(pages.slice(1).every((p) => p.text.includes('mirrored for the flesh side'))).toBe(true)
  expect(pages.map((p) => p.text).join(' ')).toMatch(/Vamp, right\s+flesh side up, mirrored/)
})
