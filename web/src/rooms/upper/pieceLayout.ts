import { boxOf, type Box, type Piece } from '@gentle-awl/core'

/** A piece with its place on the board of all pieces, mm: where its own origin comes to lie. */
export interface PlacedPiece {
  piece: Piece
  dx: number
  dy: number
}

const GAP = 16

function rows(boxes: readonly { piece: Piece; box: Box }[], row: number) {
  const placed: PlacedPiece[] = []
  let [x, y, deep, width] = [GAP, -GAP, 0, 0]
  for (const { piece, box } of boxes) {
    const w = box.maxX - box.minX
    if (x > GAP && x + w > row) {
      x = GAP
      y -= deep + GAP
      deep = 0
    }
    placed.push({ piece, dx: x - box.minX, dy: y - box.maxY })
    x += w + GAP
    width = Math.max(width, x)
    deep = Math.max(deep, box.maxY - box.minY)
  }
  return { placed, width, height: -y + deep + GAP }
}

/** Pieces in rows at one scale, in the row width that lets them be drawn largest; no nesting, only an order to look at. */
export function piecesInRows(pieces: readonly Piece[], aspect = 2) {
  if (pieces.length === 0) return { placed: [], width: 200, height: 100 }
  const boxes = pieces.map((piece) => ({ piece, box: boxOf(piece.outline) }))
  const widths = boxes.map((_, i) =>
    boxes.slice(0, i + 1).reduce((s, { box }) => s + box.maxX - box.minX + GAP, 2 * GAP),
  )
  const widest = boxes.reduce((m, { box }) => Math.max(m, box.maxX - box.minX + 2 * GAP), 0)
  return [...widths, widest]
    .filter((w) => w >= widest - 1e-9)
    .map((w) => rows(boxes, w))
    .reduce((best, r) => (Math.max(r.width / aspect, r.height) < Math.max(best.width / aspect, best.height) ? r : best))
}
