import {
  boxOf,
  roleNames,
  stitchTicks,
  type DrawablePart,
  type PairFile,
  type Plan,
  type Path,
  type Point,
} from '@gentle-awl/core'
import { piecesOf, type PairPart } from './pairParts.ts'
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
  for (const { part, move } of sheet.placed) page.line(shrink(move(part.outline)), true, 0.25)
}

/** First page: bars, list of parts, legend. */
export function cover(
  page: Page,
  file: PairFile,
  plan: Plan,
  parts: readonly PairPart[],
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
    `Order ${label.order}${label.trade ? `, ${label.trade}` : ''}. Revision ${file.revision}. ${lastsOf(file, plan)}`,
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
  page.text('Material', 72, row, 8, { bold: true })
  page.text('Thick', 124, row, 8, { bold: true })
  page.text('Cut', 140, row, 8, { bold: true })
  page.text('Pages', 150, row, 8, { bold: true })
  const own = new Set(plan.feet.filter((f) => f.kind === 'differs').map((f) => f.id.replace(/^upper\./, '')))
  const onSheet = (part: PairPart) => sheets.findIndex((s) => s.placed.some((p) => p.part.id === part.id))
  const step = Math.min(5.4, (row - 62) / parts.length)
  for (const part of parts) {
    row -= step
    const [{ foot, part: drawn }] = part.feet
    const which = part.feet.length === 1 ? `, ${foot} only` : own.has(part.id) ? ', L and R differ' : ''
    const i = onSheet(part)
    const last = i < 0 ? 0 : firstPages[i] + sheets[i].tiles.length - 1
    const where =
      i < 0
        ? part.feet
            .map((f) => sizeOf(f.part))
            .filter((t, k, all) => all.indexOf(t) === k)
            .join(' / ')
        : last === firstPages[i]
          ? `${last}`
          : `${firstPages[i]} to ${last}`
    page.text(`${part.name}${which}`, 24, row, 8)
    page.text(`${drawn.role ? `${roleNames[drawn.role]}: ` : ''}${drawn.materialName}`.slice(0, 40), 72, row, 7.5)
    page.text(`${drawn.thickness.toFixed(1)} mm`, 124, row, 8)
    page.text(`${piecesOf(part)}`, 140, row, 8)
    page.text(where, 150, row, 8)
  }
  row -= 9
  for (const [name, draw] of legend) {
    draw(page, 24, row)
    page.text(name, 48, row - 1, 7.5)
    row -= 4.6
  }
}

/** The lasts the pair is made on. */
function lastsOf(file: PairFile, plan: Plan): string {
  const right = `${file.last.name}, ${plan.last.length.toFixed(0)} mm`
  if (!plan.left || !file.leftLast) return `Last: ${right}.`
  return `Lasts: right ${right}; left ${file.leftLast.name}, ${plan.left.last.length.toFixed(0)} mm.`
}

/** What a strip is cut to. */
function sizeOf(part: DrawablePart): string {
  const { minX, maxX, minY, maxY } = boxOf(part.outline)
  return `${(maxX - minX).toFixed(0)} x ${(maxY - minY).toFixed(0)} mm`
}

/** Second page: how the pages of every sheet go together, in rows across the page. */
export function pageMap(page: Page, sheets: Sheet[], paper: Paper, firstPages: number[]): void {
  const window = windowOf(paper)
  const gap = 8
  const across = (s: Sheet) => (s.columns - 1) * (window.width - OVERLAP) + window.width
  const up = (s: Sheet) => (s.rows - 1) * (window.height - OVERLAP) + window.height
  const rowsAt = (scale: number): Sheet[][] => {
    const rows: Sheet[][] = [[]]
    let x = 0
    for (const s of sheets) {
      const w = across(s) * scale + gap
      if (x + w > window.width + gap && rows[rows.length - 1].length > 0) {
        rows.push([])
        x = 0
      }
      rows[rows.length - 1].push(s)
      x += w
    }
    return rows
  }
  const heightOf = (rows: Sheet[][], scale: number) =>
    rows.reduce((sum, r) => sum + Math.max(...r.map(up)) * scale + 10, 0)
  let scale = 0.14
  while (scale > 0.02 && heightOf(rowsAt(scale), scale) > window.height - 20) scale *= 0.92
  page.text('Map of the pages', 0, window.height - 8, 12, { bold: true })
  let top = window.height - 16
  for (const row of rowsAt(scale)) {
    let x = 0
    for (const s of row) {
      tileMap(page, s, window, x, top - up(s) * scale, scale)
      page.text(`from page ${firstPages[sheets.indexOf(s)]}`, x, top - up(s) * scale - 4, 6.5)
      x += across(s) * scale + gap
    }
    top -= Math.max(...row.map(up)) * scale + 10
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
