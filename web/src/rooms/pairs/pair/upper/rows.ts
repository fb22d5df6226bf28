import type { Box } from '@gentle-awl/core'

const GAP = 16

/** How far every box is moved, mm, and what all of them need together. */
export interface Rows {
  moves: { dx: number; dy: number }[]
  width: number
  height: number
}

function inRow(boxes: readonly Box[], row: number): Rows {
  let [x, y, deep, width] = [GAP, -GAP, 0, 0]
  const moves = boxes.map((box) => {
    const w = box.maxX - box.minX
    if (x > GAP && x + w > row) {
      x = GAP
      y -= deep + GAP
      deep = 0
    }
    const move = { dx: x - box.minX, dy: y - box.maxY }
    x += w + GAP
    width = Math.max(width, x)
    deep = Math.max(deep, box.maxY - box.minY)
    return move
  })
  return { moves, width, height: -y + deep + GAP }
}

/**
 * Boxes side by side in rows, from the top left, in the row width that lets them be drawn largest in a window of the
 * given aspect; no nesting, only an order to look at.
 */
export function inRows(boxes: readonly Box[], aspect: number): Rows {
  if (boxes.length === 0) return { moves: [], width: 200, height: 100 }
  const widest = Math.max(...boxes.map((b) => b.maxX - b.minX + 2 * GAP))
  let run = 2 * GAP
  const widths = boxes.map((b) => (run += b.maxX - b.minX + GAP))
  const size = (r: Rows) => Math.max(r.width / aspect, r.height)
  return [...widths.filter((w) => w >= widest), widest]
    .map((w) => inRow(boxes, w))
    .reduce((best, r) => (size(r) < size(best) ? r : best))
}
