import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import {
  boxOf,
  contains,
  cutLine,
  roleNames,
  type PairFile,
  type Part,
  type Path,
  type Plan,
  type Point,
} from '@gentle-awl/core'
import PDFDocument from 'pdfkit'
import {
  layOut,
  FOOT,
  MARGIN,
  OVERLAP,
  papers,
  windowOf,
  type Paper,
  type Placed,
  type Sheet,
  type Tile,
} from './sheets.ts'

const MM = 72 / 25.4
const INK = '#17262B'
const PALE = '#6A7A80'
const BAR = 100

const require = createRequire(import.meta.url)
const font = (weight: number) =>
  readFileSync(
    require.resolve(
      `@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-${weight}-normal.woff`,
    ),
  )

type Doc = InstanceType<typeof PDFDocument>

/** A page in millimetres, origin at the lower left of the window, y up; text in points. */
class Page {
  constructor(
    private readonly doc: Doc,
    private readonly paperHeight: number,
    private readonly originX: number,
    private readonly originY: number,
  ) {}

  x(mm: number): number {
    return (this.originX + mm) * MM
  }

  y(mm: number): number {
    return (this.paperHeight - this.originY - mm) * MM
  }

  line(path: Path, closed: boolean, width = 0.25, dash: number[] = [], colour = INK): void {
    const { doc } = this
    path.forEach(([x, y], i) => (i === 0 ? doc.moveTo(this.x(x), this.y(y)) : doc.lineTo(this.x(x), this.y(y))))
    if (closed) doc.closePath()
    doc.lineWidth(width * MM)
    if (dash.length > 0) doc.dash(dash[0] * MM, { space: dash[1] * MM })
    else doc.undash()
    doc.stroke(colour)
  }

  fill(path: Path, colour: string, opacity: number): void {
    const { doc } = this
    path.forEach(([x, y], i) => (i === 0 ? doc.moveTo(this.x(x), this.y(y)) : doc.lineTo(this.x(x), this.y(y))))
    doc.closePath().fillOpacity(opacity).fill(colour).fillOpacity(1)
  }

  text(
    words: string,
    x: number,
    y: number,
    size: number,
    options: { bold?: boolean; centred?: boolean; colour?: string } = {},
  ): void {
    const { doc } = this
    doc
      .font(options.bold ? 'bold' : 'plain')
      .fontSize(size)
      .fillColor(options.colour ?? INK)
    const width = doc.widthOfString(words)
    doc.text(words, this.x(x) - (options.centred ? width / 2 : 0), this.y(y) - size * 0.75, { lineBreak: false })
  }
}

/** The 100 mm bar with ends and tens, along x or up y, to lay a rule on. */
function bar(page: Page, x: number, y: number, upright = false): void {
  const at = (along: number, across: number): Point => (upright ? [x + across, y + along] : [x + along, y + across])
  page.line([at(0, 0), at(BAR, 0)], false, 0.3)
  for (let mm = 0; mm <= BAR; mm += 10) {
    const tick = mm === 0 || mm === BAR ? 3 : mm === 50 ? 2.2 : 1.4
    page.line([at(mm, 0), at(mm, tick)], false, 0.25)
  }
}

function drawPart(page: Page, part: Part, placed: Placed): void {
  const { move, foot } = placed
  for (const skive of part.skives) page.fill(move(skive.band), '#C98A1B', 0.18)
  for (const l of part.lines) {
    // A crease line that runs beside the part says nothing here and would cross the other foot.
    if (l.kind === 'crease' && !l.path.some((p) => contains(part.outline, p))) continue
    const path = move(l.path, l.closed)
    if (l.kind === 'feather') {
      page.line(path, l.closed, 0.45, [], PALE)
      page.line(path, l.closed, 0.25, [], '#FFFFFF')
    } else if (l.kind === 'fold') page.line(path, l.closed, 0.25, [6, 2])
    else if (l.kind === 'stitch') page.line(path, l.closed, 0.3, [2, 2])
    else if (l.kind === 'crease') page.line(path, l.closed, 0.2, [0.6, 1.6], PALE)
    else if (l.kind === 'neighbour') page.line(path, l.closed, 0.15, [1, 1], PALE)
    else page.line(path, l.closed, 0.2, [3, 1.5], PALE)
  }
  page.line(move(cutLine(part.outline, part.notches)), true, 0.35)
  const [g] = move([part.grain.at], false)
  const box = boxOf(move(part.outline))
  const upright = box.maxY - box.minY > box.maxX - box.minX
  const half = part.grain.length / 2
  const along = part.id === 'puff' || part.id === 'stiffener' ? 0 : half
  const arrow: Path = upright
    ? [
        [g[0], g[1] - half],
        [g[0], g[1] + half],
      ]
    : [
        [g[0] - half, g[1]],
        [g[0] + half, g[1]],
      ]
  page.line(arrow, false, 0.25)
  const tip = arrow[1]
  page.line(
    upright
      ? [[tip[0] - 1.2, tip[1] - 3], tip, [tip[0] + 1.2, tip[1] - 3]]
      : [[tip[0] - 3, tip[1] - 1.2], tip, [tip[0] - 3, tip[1] + 1.2]],
    false,
    0.25,
  )
  const top = upright ? g[1] - along - 5 : g[1] - 5
  page.text(`${part.name}, ${foot}`, g[0], top, 9, { bold: true, centred: true })
  page.text(`${part.materialName}, ${part.thickness} mm`, g[0], top - 4.2, 7, { centred: true })
}

function registerMarks(page: Page, sheet: Sheet, tile: Tile, window: { width: number; height: number }): void {
  const has = (column: number, row: number) => sheet.tiles.some((t) => t.column === column && t.row === row)
  const cross = (x: number, y: number) => {
    page.line(
      [
        [x - 3, y],
        [x + 3, y],
      ],
      false,
      0.2,
    )
    page.line(
      [
        [x, y - 3],
        [x, y + 3],
      ],
      false,
      0.2,
    )
  }
  const mid = OVERLAP / 2
  const [left, right] = [has(tile.column - 1, tile.row), has(tile.column + 1, tile.row)]
  const [above, below] = [has(tile.column, tile.row - 1), has(tile.column, tile.row + 1)]
  // Crosses lie on the middle of every overlap, at the same places of the sheet on both pages.
  for (const x of [left ? mid : null, right ? window.width - mid : null]) {
    if (x === null) continue
    page.line(
      [
        [x, 0],
        [x, window.height],
      ],
      false,
      0.12,
      [1, 3],
      PALE,
    )
    cross(x, 12)
    cross(x, window.height - 12)
  }
  for (const y of [below ? mid : null, above ? window.height - mid : null]) {
    if (y === null) continue
    page.line(
      [
        [0, y],
        [window.width, y],
      ],
      false,
      0.12,
      [1, 3],
      PALE,
    )
    cross(12, y)
    cross(window.width - 12, y)
  }
}

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

function cover(page: Page, file: PairFile, sheets: Sheet[], paper: Paper, firstPages: number[], total: number): void {
  const { label } = file
  const window = windowOf(paper)
  let y = window.height - 6
  page.text(label.name, 0, y, 17, { bold: true })
  y -= 7
  page.text(
    `Order ${label.order}${label.trade ? `, ${label.trade}` : ''}. Revision ${file.revision}. Last: ${file.last.name}, ${file.last.measures.length} mm.`,
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
  ['Stitch line, holdfast', (p, x, y) => p.line(sample(x, y), false, 0.3, [2, 2])],
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

function foot(page: Page, words: string, pageNumber: number, total: number, width: number): void {
  bar(page, 0, -10)
  page.text('100 mm', 102, -11, 7)
  page.text(words, 0, -15, 7.5)
  page.text(`${pageNumber} of ${total}`, width - 14, -11, 7.5)
}

/**
 * The parts of a pair at true size: a cover with bars, list and page map, then both feet of every part, tiled on the
 * paper with overlap and register marks. Vector PDF; 1 mm is 72 / 25.4 points.
 */
export async function partsPdf(file: PairFile, plan: Plan, paper: Paper): Promise<Buffer> {
  const size = papers[paper]
  const window = windowOf(paper)
  const sheets = plan.parts.map((part) => layOut(part, paper))
  const firstPages: number[] = []
  let total = 1
  for (const sheet of sheets) {
    firstPages.push(total + 1)
    total += sheet.tiles.length
  }
  const doc = new PDFDocument({
    autoFirstPage: false,
    size: [size.width * MM, size.height * MM],
    margin: 0,
    info: { Title: `${file.label.order} ${file.label.name}, revision ${file.revision}`, Creator: 'Gentle Awl' },
  })
  doc.registerFont('plain', font(400))
  doc.registerFont('bold', font(700))
  const chunks: Buffer[] = []
  doc.on('data', (c: Buffer) => chunks.push(c))
  const done = new Promise<void>((resolve, reject) => {
    doc.on('end', resolve)
    doc.on('error', reject)
  })
  const newPage = () => {
    doc.addPage()
    return new Page(doc, size.height, MARGIN, MARGIN + FOOT)
  }
  const words = `${file.label.order}  ${file.label.name}  revision ${file.revision}`
  const first = newPage()
  cover(first, file, sheets, paper, firstPages, total)
  foot(first, `${words}  cover`, 1, total, window.width)
  let number = 1
  for (const sheet of sheets) {
    for (const tile of sheet.tiles) {
      const frame = newPage()
      number++
      doc.save()
      doc.rect(MARGIN * MM, MARGIN * MM, window.width * MM, window.height * MM).clip()
      const page = new Page(doc, size.height, MARGIN - tile.x, MARGIN + FOOT - tile.y)
      for (const placed of sheet.placed) drawPart(page, sheet.part, placed)
      doc.restore()
      registerMarks(frame, sheet, tile, window)
      foot(frame, `${words}  ${sheet.part.name}  sheet ${tile.name}`, number, total, window.width)
    }
  }
  doc.end()
  await done
  return Buffer.concat(chunks)
}
