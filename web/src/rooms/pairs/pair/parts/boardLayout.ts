import { boxOf, type Part, type PartPlace } from '@gentle-awl/core'

/** A part on the board: its flat points move by (dx, dy), mm with y up. */
export interface BoardPart {
  part: Part
  dx: number
  dy: number
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
/** Room for a name under each row and for a title over each group, mm. */
const NAME = 36
const TITLE = 26

/**
 * All parts at one scale, group under group, in rows as wide as `width` mm; within a row they stand on one line. Strips
 * are left out: they are a length, not a shape.
 */
export function boardLayout(parts: readonly Part[], places: readonly PartPlace[], width: number): BoardGroup[] {
  let y = 0
  const groups: BoardGroup[] = []
  for (const place of places) {
    const mine = parts.filter((p) => p.place === place && !p.strip)
    if (mine.length === 0) continue
    const group: BoardGroup = { place, top: y, parts: [] }
    y -= TITLE
    let row: Part[] = []
    let rowWidth = 0
    const flush = () => {
      const height = Math.max(0, ...row.map((p) => boxOf(p.outline)).map((b) => b.maxY - b.minY))
      let x = 0
      for (const part of row) {
        const b = boxOf(part.outline)
        const dy = y - height - b.minY
        group.parts.push({ part, dx: x - b.minX, dy, label: { x: x + (b.maxX - b.minX) / 2, y: y - height } })
        x += b.maxX - b.minX + GAP
      }
      if (row.length > 0) y -= height + NAME
      ;[row, rowWidth] = [[], 0]
    }
    for (const part of mine) {
      const b = boxOf(part.outline)
      const w = b.maxX - b.minX
      if (row.length > 0 && rowWidth + w > width) flush()
      row.push(part)
      rowWidth += w + GAP
    }
    flush()
    groups.push(group)
  }
  return groups
}
