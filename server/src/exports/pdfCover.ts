import { roleNames, stitchTicks, type PairFile, type Plan, type Path, type Point } from '@gentle-awl/core'
import { bar, PALE, type Page } from './pdfPage.ts'
import { OVERLAP, papers, windowOf, type Paper, type Sheet } from './sheets.ts'

/** Small plan of a sheet with its page names, its lower left corner at (x, y). */
function tileMap(
  page: Page,
  sheet: Sheet,
  window: { width: number; height: number },
  x: number,
  y: number,
  scale: number,
): void {
  const shrink = (path: Path): Path => path.map(([px, py]): Point => [x + px * scale, y + py * scale])
  for (const tile of sheet.tiles) {
    const [w, h] = [window.width * scale, window.height * scale]
    const [tx, ty] = [x + tile.x * scale, y + tile.y * scale]
    page.line(
      [
        [tx, ty],
        [tx + w, ty],
        [tx + w, ty + h],
        [tx, ty + h],
      ],
      true,
      0.2,
      [],
      PALE,
    )
    page.text(tile.name, tx + 1, ty + h - 3, 6, { colour: PALE })
  }
  for (const { move } of sheet.placed) page.line(shrink(move(sheet.part.outline)), true, 0.25)
}

/** First page: bars, list of parts, legend, map of the pages. */
export function cover(
  page: Page,
  file: PairFile,
  plan: Plan,
  sheets: Sheet[],
  paper: Paper,
  firstPages: number[],
  total: number,
): void {
  const { label } = file
  const window = windowOf(paper)
  let y = window.height - 6
  page.text(label.name, 0, y, 17, { bold: true })
  y -= 7
  page.text(
    `Order ${label.order}${label.trade ? `, ${label.trade}` : ''}. Revision ${file.revision}. Last: ${file.last.name}, ${plan.last.length.toFixed(0)} mm.`,
    0,
    y,
    10,
  )
  y -= 6
  page.text(
    `${papers[paper].name}, ${total} pages at true size. Print without fitting to the page ("100 %" or "actual size").`,
    0,
    y,
    9,
  )
  y -= 5
  page.text(
    'Lay a rule on both bars: each is 100 mm. If not, the printer scales: set it right before you cut.',
    0,
    y,
    9,
  )
  y -= 9
  bar(page, 20, y - 2)
  page.text('100 mm across', 124, y - 3, 8)
  bar(page, 8, y - 112, true)
  page.text('100 mm up', 0, y - 118, 8)
  let row = y - 14
  page.text('Part', 24, row, 8, { bold: true })
  page.text('Material', 62, row, 8, { bold: true })
  page.text('Thick', 118, row, 8, { bold: true })
  page.text('Cut', 136, row, 8, { bold: true })
  page.text('Pages', 148, row, 8, { bold: true })
  for (const [i, sheet] of sheets.entries()) {
    row -= 5.4
    const { part } = sheet
    const last = firstPages[i] + sheet.tiles.length - 1
    page.text(part.name, 24, row, 9)
    page.text(`${roleNames[part.role]}: ${part.materialName}`.slice(0, 40), 62, row, 8)
    page.text(`${part.thickness} mm`, 118, row, 9)
    page.text(`${part.count}`, 136, row, 9)
    page.text(sheet.tiles.length === 1 ? `${firstPages[i]}` : `${firstPages[i]} to ${last}`, 148, row, 9)
  }
  row -= 9
  for (const [name, draw] of legend) {
    draw(page, 24, row)
    page.text(name, 48, row - 1, 7.5)
    row -= 4.6
  }
  page.text('Map of the pages', 0, y - 126, 10, { bold: true })
  // One row of maps, as large as the page leaves room for.
  const across = sheets.map((s) => (s.columns - 1) * (window.width - OVERLAP) + window.width)
  const up = sheets.map((s) => (s.rows - 1) * (window.height - OVERLAP) + window.height)
  const gap = 6
  const top = y - 131
  const scale = Math.min(
    0.14,
    (window.width - gap * (sheets.length - 1)) / across.reduce((sum, w) => sum + w, 0),
    (top - 8) / Math.max(...up),
  )
  let x = 0
  for (const [i, sheet] of sheets.entries()) {
    tileMap(page, sheet, window, x, top - up[i] * scale, scale)
    page.text(sheet.part.name, x, top - up[i] * scale - 4, 7)
    x += across[i] * scale + gap
  }
}

const sample = (x: number, y: number): Path => [
  [x, y],
  [x + 20, y],
]
const legend: [string, (page: Page, x: number, y: number) => void][] = [
  [
    'Cut here, on the inside of the line; small triangles are notches (side: medial; ends: centre line)',
    (p, x, y) => p.line(sample(x, y), false, 0.35),
  ],
  [
    'Feather line of the last',
    (p, x, y) => {
      p.line(sample(x, y), false, 0.6, [], PALE)
      p.line(sample(x, y), false, 0.25, [], '#FFFFFF')
    },
  ],
  ['Fold', (p, x, y) => p.line(sample(x, y), false, 0.25, [6, 2])],
  [
    'Stitch line, a tick at every hole',
    (p, x, y) =>
      stitchTicks([0, 7, 14, 20].map((dx): Point => [x + dx, y])).forEach((tick) => p.line(tick, false, 0.3)),
  ],
  ['Crease line, joint to joint', (p, x, y) => p.line(sample(x, y), false, 0.2, [0.6, 1.6], PALE)],
  ['Outline of another part, for comparison', (p, x, y) => p.line(sample(x, y), false, 0.15, [1, 1], PALE)],
  [
    'Skive',
    (p, x, y) =>
      p.fill(
        [
          [x, y - 1],
          [x + 20, y - 1],
          [x + 20, y + 1],
          [x, y + 1],
        ],
        '#C98A1B',
        0.18,
      ),
  ],
]
