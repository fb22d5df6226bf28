import {
  boxOf,
  contains,
  cutLine,
  stitchTicks,
  type DrawablePart,
  type PairFile,
  type Path,
  type Plan,
} from '@gentle-awl/core'
import type { PairPart } from './pairParts.ts'
import { cover, pageMap } from './pdfCover.ts'
import { startPdf } from './pdfDocument.ts'
import { bar, MM, Page, PALE } from './pdfPage.ts'
import {
  FOOT,
  layOutAll,
  MARGIN,
  OVERLAP,
  papers,
  windowOf,
  type Paper,
  type Placed,
  type Sheet,
  type Tile,
} from './sheets.ts'

/** Lines of the last or of a neighbour that reach further than this past a part would cross what shares its page, mm. */
const PAST = 18

function staysNear(part: DrawablePart, path: Path): boolean {
  const [a, b] = [boxOf(part.outline), boxOf(path)]
  return b.minX > a.minX - PAST && b.maxX < a.maxX + PAST && b.minY > a.minY - PAST && b.maxY < a.maxY + PAST
}

function drawPart(page: Page, { part, move, foot }: Placed): void {
  for (const skive of part.skives) page.fill(move(skive.band), '#C98A1B', 0.18)
  for (const l of part.lines) {
    // A crease line that runs beside the part says nothing here and would cross the other foot.
    if (l.kind === 'crease' && !l.path.some((p) => contains(part.outline, p))) continue
    if ((l.kind === 'neighbour' || l.kind === 'feather') && !staysNear(part, l.path)) continue
    const path = move(l.path, l.closed)
    if (l.kind === 'feather') {
      page.line(path, l.closed, 0.45, [], PALE)
      page.line(path, l.closed, 0.25, [], '#FFFFFF')
    } else if (l.holes) {
      page.line(path, l.closed, 0.1, [], PALE)
      for (const tick of stitchTicks(move(l.holes, false))) page.line(tick, false, 0.3)
    } else if (l.kind === 'fold') page.line(path, l.closed, 0.25, [6, 2])
    else if (l.kind === 'stitch') page.line(path, l.closed, 0.3, [2, 2])
    else if (l.kind === 'crease') page.line(path, l.closed, 0.2, [0.6, 1.6], PALE)
    else if (l.kind === 'cut mark') page.line(path, l.closed, 0.35)
    else if (l.kind === 'punch') page.line(path, l.closed, 0.2)
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
  const label = `${part.name}, ${foot}`
  // A narrow part carries its name beside it, small, so that it does not run into the next.
  const narrow = Math.min(box.maxX - box.minX, 2 * (box.maxY - box.minY)) < 1.9 * label.length
  if (narrow) {
    page.text(label, (box.minX + box.maxX) / 2, box.minY - 3, 4.5, { centred: true })
    return
  }
  page.text(label, g[0], top, 9, { bold: true, centred: true })
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

function foot(page: Page, words: string, pageNumber: number, total: number, width: number): void {
  bar(page, 0, -10)
  page.text('100 mm', 102, -11, 7)
  page.text(words, 0, -15, 7.5)
  page.text(`${pageNumber} of ${total}`, width - 14, -11, 7.5)
}

/**
 * Parts of a pair, or the pieces of its upper, at true size: a cover with bars, list and page map, then both feet of every part, tiled on the
 * paper with overlap and register marks. Vector PDF; 1 mm is 72 / 25.4 points.
 */
export async function partsPdf(file: PairFile, plan: Plan, paper: Paper, parts: readonly PairPart[]): Promise<Buffer> {
  const size = papers[paper]
  const window = windowOf(paper)
  const sheets = layOutAll(parts, paper)
  const firstPages: number[] = []
  let total = 2
  for (const sheet of sheets) {
    firstPages.push(total + 1)
    total += sheet.tiles.length
  }
  const { doc, finish } = startPdf(paper, `${file.label.order} ${file.label.name}, revision ${file.revision}`)
  const newPage = () => {
    doc.addPage()
    return new Page(doc, size.height, MARGIN, MARGIN + FOOT)
  }
  const words = `${file.label.order}  ${file.label.name}  revision ${file.revision}`
  const first = newPage()
  cover(first, file, plan, parts, sheets, paper, firstPages, total)
  foot(first, `${words}  cover`, 1, total, window.width)
  const second = newPage()
  pageMap(second, sheets, paper, firstPages)
  foot(second, `${words}  map`, 2, total, window.width)
  let number = 2
  for (const sheet of sheets) {
    for (const tile of sheet.tiles) {
      const frame = newPage()
      number++
      doc.save()
      doc.rect(MARGIN * MM, MARGIN * MM, window.width * MM, window.height * MM).clip()
      const page = new Page(doc, size.height, MARGIN - tile.x, MARGIN + FOOT - tile.y)
      for (const placed of sheet.placed) drawPart(page, placed)
      doc.restore()
      registerMarks(frame, sheet, tile, window)
      foot(frame, `${words}  ${sheet.name}  sheet ${tile.name}`, number, total, window.width)
    }
  }
  return finish()
}
