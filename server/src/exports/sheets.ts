import { boxOf, mirror, pathLength, resample, rotate, translate, type DrawablePart, type Path } from '@gentle-awl/core'
import type { Foot, PairPart } from './pairParts.ts'

export const papers = {
  a4: { name: 'A4', width: 210, height: 297 },
  a3: { name: 'A3', width: 297, height: 420 },
  letter: { name: 'Letter', width: 215.9, height: 279.4 },
} as const
export type Paper = keyof typeof papers

/** mm: white edge that every printer can spare, the strip at the foot for bar and words, and how far tiles overlap. */
export const MARGIN = 10
export const FOOT = 16
export const OVERLAP = 12
const GAP = 10

/** A part of one foot where it lies on the sheet: `move` takes its flat points there. */
export interface Placed {
  part: DrawablePart
  foot: Foot
  move: (path: Path, closed?: boolean) => Path
}

/** One page's window on the sheet, mm, x to the right and y up. Columns are letters, rows numbers from the top. */
export interface Tile {
  name: string
  column: number
  row: number
  x: number
  y: number
}

/** Both feet of one part, or of several small ones, on one sheet and the pages that it is cut into. */
export interface Sheet {
  name: string
  placed: Placed[]
  width: number
  height: number
  columns: number
  rows: number
  tiles: Tile[]
}

export const windowOf = (paper: Paper) => ({
  width: papers[paper].width - 2 * MARGIN,
  height: papers[paper].height - 2 * MARGIN - FOOT,
})

/** Pages needed to cover a length with overlapping windows. */
export function pagesFor(length: number, window: number): number {
  return Math.max(1, Math.ceil((length - OVERLAP) / (window - OVERLAP) - 1e-9))
}

type Lie = { turned: boolean; stacked: boolean }

function lay(both: PairPart, lie: Lie, paper: Paper): Sheet {
  const window = windowOf(paper)
  const flat =
    (foot: Foot) =>
    (path: Path, closed = true): Path => {
      const side = foot === 'left' ? mirror(path, closed) : path
      return lie.turned ? rotate(side, 90) : side
    }
  // Dimensions and labels stand outside the outline, so the box takes everything that is drawn.
  const boxes = both.feet.map(({ foot, part }) => ({ foot, part, box: boxOf(flat(foot)(part.outline)) }))
  let x = 1
  let y = 1
  let width = 0
  let height = 0
  const placed = boxes.map(({ foot, part, box }): Placed => {
    const [dx, dy] = [x - box.minX, y - box.minY]
    width = Math.max(width, x + box.maxX - box.minX + 1)
    height = Math.max(height, y + box.maxY - box.minY + 1)
    if (lie.stacked) y += box.maxY - box.minY + GAP
    else x += box.maxX - box.minX + GAP
    return { part, foot, move: (path, closed) => translate(flat(foot)(path, closed), dx, dy) }
  })
  const columns = pagesFor(width, window.width)
  const rows = pagesFor(height, window.height)
  const dots = placed.flatMap(({ part, move }) => {
    const line = move(part.outline)
    return resample(line, Math.ceil(pathLength(line, true) / 2), true)
  })
  const tiles: Tile[] = []
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const left = column * (window.width - OVERLAP)
      const bottom = (rows - 1 - row) * (window.height - OVERLAP)
      const inked = dots.some(
        ([px, py]) => px >= left && px <= left + window.width && py >= bottom && py <= bottom + window.height,
      )
      if (inked) tiles.push({ name: `${String.fromCharCode(65 + column)}${row + 1}`, column, row, x: left, y: bottom })
    }
  }
  return { name: both.name, placed, width, height, columns, rows, tiles }
}

/** Lays both feet of a part the way that needs the fewest pages. */
export function layOut(part: PairPart, paper: Paper): Sheet {
  const lies: Lie[] = [
    { turned: true, stacked: false },
    { turned: false, stacked: true },
    { turned: true, stacked: true },
    { turned: false, stacked: false },
  ]
  return lies.map((lie) => lay(part, lie, paper)).reduce((best, s) => (s.tiles.length < best.tiles.length ? s : best))
}

/** Space round a part on a page that it shares with others: room for a label under it, mm. */
const APART = 8

/**
 * Sheets for all parts: large ones by themselves, those that leave most of a page empty together on common pages, in
 * rows from the top, the tallest first. Strips are cut by measure and have no sheet.
 */
export function layOutAll(parts: readonly PairPart[], paper: Paper): Sheet[] {
  const window = windowOf(paper)
  const single = parts.filter((p) => !p.feet[0].part.strip).map((p) => layOut(p, paper))
  const fits = (s: Sheet) => s.tiles.length === 1 && s.height < 0.55 * window.height && s.width < window.width
  const small = single.filter(fits)
  if (small.length < 2) return single
  const shared: Sheet[] = []
  let [x, y, rowHeight] = [0, 0, 0]
  let page: Placed[] = []
  const close = () => {
    if (page.length === 0) return
    const names = [...new Set(page.map((p) => p.part.name))]
    shared.push({
      name: names.length > 3 ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more` : names.join(', '),
      placed: page,
      width: window.width,
      height: window.height,
      columns: 1,
      rows: 1,
      tiles: [{ name: 'A1', column: 0, row: 0, x: 0, y: 0 }],
    })
    page = []
    ;[x, y, rowHeight] = [0, 0, 0]
  }
  for (const sheet of [...small].sort((a, b) => b.height - a.height)) {
    if (x + sheet.width > window.width) [x, y, rowHeight] = [0, y + rowHeight + APART, 0]
    if (y + sheet.height > window.height) close()
    const [dx, dy] = [x, window.height - y - sheet.height]
    page.push(
      ...sheet.placed.map((p): Placed => ({ ...p, move: (path, closed) => translate(p.move(path, closed), dx, dy) })),
    )
    x += sheet.width + APART
    rowHeight = Math.max(rowHeight, sheet.height)
  }
  close()
  return [...single.filter((s) => !fits(s)), ...shared]
}
