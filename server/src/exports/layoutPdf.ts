import { boxOf, translate, type Path, type Point } from '@gentle-awl/core'
import type { LayoutDrawing } from './layoutDrawing.ts'
import { startPdf } from './pdfDocument.ts'
import { bar, Page, PALE } from './pdfPage.ts'
import { FOOT, MARGIN, OVERLAP, papers, windowOf, type Paper } from './sheets.ts'

/** Crosses by which sheets are laid on each other, mm. */
const CROSS = 4
/** A sheet on which nothing is drawn is not printed; a line may touch it by so much, mm. */
const TOUCH = 0.5

interface Tile {
  row: number
  column: number
  /** Its lower left corner on the layout, mm. */
  at: Point
}

/** Windows of a paper that cover a box, each overlapping the next: as few as do, from the lower left on. */
export function tiles(width: number, height: number, paper: Paper): { tiles: Tile[]; rows: number; columns: number } {
  const window = windowOf(paper)
  const along = (length: number, most: number): number[] => {
    const n = Math.max(1, Math.ceil((length - OVERLAP) / (most - OVERLAP)))
    return Array.from({ length: n }, (_, k) => k * (most - OVERLAP))
  }
  const [xs, ys] = [along(width, window.width), along(height, window.height)]
  return {
    tiles: ys.flatMap((y, row) => xs.map((x, column): Tile => ({ row, column, at: [x, y] }))),
    rows: ys.length,
    columns: xs.length,
  }
}

/**
 * A layout at true size on sheets to be laid on the leather: joined by crosses, named by row and column, without those on
 * which nothing is drawn.
 */
export async function layoutPdf(layout: LayoutDrawing, paper: Paper): Promise<Uint8Array> {
  const b = boxOf(layout.outline)
  const lower = (path: Path): Path => translate(path, -b.minX, -b.minY)
  const outline = lower(layout.outline)
  const flaws = layout.flaws.map(lower)
  const pieces = layout.pieces.map((p) => ({ ...p, path: lower(p.path) }))
  const { tiles: all, rows, columns } = tiles(b.maxX - b.minX, b.maxY - b.minY, paper)
  const window = windowOf(paper)
  const boxes = pieces.map((p) => boxOf(p.path))
  const needed = all.filter(({ at: [x, y] }) =>
    boxes.some(
      (q) =>
        q.maxX > x + TOUCH &&
        q.minX < x + window.width - TOUCH &&
        q.maxY > y + TOUCH &&
        q.minY < y + window.height - TOUCH,
    ),
  )
  const { doc, finish } = startPdf(paper, layout.title)
  for (const { row, column, at } of needed) {
    doc.addPage()
    const page = new Page(doc, papers[paper].height, MARGIN, MARGIN + FOOT)
    const here = (path: Path): Path => translate(path, -at[0], -at[1])
    const edge: Path = [
      [0, 0],
      [window.width, 0],
      [window.width, window.height],
      [0, window.height],
    ]
    page.clipped(edge, () => {
      page.line(here(outline), true, 0.2, [3, 2], PALE)
      for (const flaw of flaws) {
        page.fill(here(flaw), PALE, 0.2)
        page.line(here(flaw), true, 0.25, [], PALE)
      }
      pieces.forEach(({ path, name, foot }, k) => {
        page.line(here(path), true, 0.3)
        const q = boxes[k]!
        const [x, y] = here([[(q.minX + q.maxX) / 2, (q.minY + q.maxY) / 2]])[0]!
        if (x > 0 && x < window.width && y > 0 && y < window.height)
          page.text(`${name}, ${foot}`, x, y, 9, { centred: true })
      })
    })
    crosses(page, column > 0, column + 1 < columns, row > 0, row + 1 < rows, window)
    bar(page, 0, -FOOT + 4)
    const words = `${layout.title}: row ${row + 1} of ${rows}, column ${column + 1} of ${columns}, from the lower left. Print at 100 %; the bar is 100 mm.`
    const lines = page.wrapped(words, window.width - 106, 8)
    lines.slice(0, 3).forEach((line, k) => page.text(line, 106, -5 - 3.6 * k, 8))
  }
  return finish()
}

/** Crosses in the middle of what a sheet shares with its neighbours. */
function crosses(
  page: Page,
  left: boolean,
  right: boolean,
  below: boolean,
  above: boolean,
  { width, height }: { width: number; height: number },
): void {
  const half = OVERLAP / 2
  const xs = [...(left ? [half] : []), ...(right ? [width - half] : [])]
  const ys = [...(below ? [half] : []), ...(above ? [height - half] : [])]
  const at: Point[] = [
    ...xs.flatMap((x): Point[] => [0.25, 0.75].map((t): Point => [x, height * t])),
    ...ys.flatMap((y): Point[] => [0.25, 0.75].map((t): Point => [width * t, y])),
  ]
  for (const [x, y] of at) {
    page.line(
      [
        [x - CROSS, y],
        [x + CROSS, y],
      ],
      false,
      0.2,
    )
    page.line(
      [
        [x, y - CROSS],
        [x, y + CROSS],
      ],
      false,
      0.2,
    )
  }
}
