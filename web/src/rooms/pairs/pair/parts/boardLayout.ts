import { boxOf, type Box, type Part, type PartPlace } from '@gentle-awl/core'
import { inLines } from '../../../../drawing/labels.ts'

/** A part on the board: its flat points move by (dx, dy), mm with y up. */
export interface BoardPart {
  part: Part
  dx: number
  dy: number
  /** What it takes there. */
  box: Box
  /** Middle of its lower edge, where its name stands. */
  label: { x: number; y: number }
}
export interface BoardGroup {
  place: PartPlace
  /** Top of the group, mm. */
  top: number
  parts: BoardPart[]
}

const GAP = 14
/** Pixels: a line of a name under its row, what is over and under all of them, a letter, and a title over each group. */
const LINE = 15
const UNDER = 12
const LETTER = 7.5
const TITLE = 26
/** Letters of a line of a name, about. */
const LETTERS = 12

/** The lines of a part's name. */
export const nameLines = (part: Part): string[] => inLines(part.name, LETTERS)

/**
 * All parts at one scale, group under group, in rows as wide as `width` mm; within a row they stand on one line, with room
 * for names and titles on a screen where a pixel is `px` mm. Strips are left out: they are a length, not a shape.
 */
export function boardLayout(
  parts: readonly Part[],
  places: readonly PartPlace[],
  width: number,
  px: number,
): BoardGroup[] {
  let y = 0
  const groups: BoardGroup[] = []
  // A part is given as much room as its name takes.
  const cells = new Map(
    parts.map((part) => {
      const box = boxOf(part.outline)
      const lines = nameLines(part)
      const letters = Math.max(...lines.map((l) => l.length))
      return [part, { box, lines: lines.length, width: Math.max(box.maxX - box.minX, letters * LETTER * px) }]
    }),
  )
  const cell = (part: Part) => cells.get(part)!
  for (const place of places) {
    const mine = parts.filter((p) => p.place === place && !p.strip)
    if (mine.length === 0) continue
    const group: BoardGroup = { place, top: y, parts: [] }
    y -= TITLE * px
    let row: Part[] = []
    let rowWidth = 0
    const flush = () => {
      const height = Math.max(0, ...row.map((p) => cell(p).box).map((b) => b.maxY - b.minY))
      let x = 0
      for (const part of row) {
        const { box, width } = cell(part)
        const middle = x + width / 2
        const [dx, dy] = [middle - (box.minX + box.maxX) / 2, y - height - box.minY]
        const at = { minX: box.minX + dx, maxX: box.maxX + dx, minY: box.minY + dy, maxY: box.maxY + dy }
        group.parts.push({ part, dx, dy, box: at, label: { x: middle, y: y - height } })
        x += width + GAP
      }
      if (row.length > 0) y -= height + px * (UNDER + LINE * Math.max(...row.map((p) => cell(p).lines)))
      ;[row, rowWidth] = [[], 0]
    }
    for (const part of mine) {
      const w = cell(part).width
      if (row.length > 0 && rowWidth + w > width) flush()
      row.push(part)
      rowWidth += w + GAP
    }
    flush()
    groups.push(group)
  }
  return groups
}
