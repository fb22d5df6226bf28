import { crossings, type Path, type Point } from '@gentle-awl/core'

/** Side of a cell of the raster on which pages are filled, mm. */
export const CELL = 2.5
/** A shape keeps so many cells from every other. */
const APART = 1

/** What a piece takes of a page, in cells: one row of bits after the other, 32 to a word, the lowest row first. */
export interface Shape {
  columns: number
  rows: number
  words: number
  bits: Uint32Array
  /** The same, grown all round by what it keeps from others. */
  grown: Uint32Array
  cells: number
}

/** The cells that an outline inside a box at the origin touches. */
export function shapeOf(outline: Path, width: number, height: number): Shape {
  const columns = Math.ceil(width / CELL)
  const rows = Math.ceil(height / CELL)
  const words = Math.ceil(columns / 32)
  const bits = new Uint32Array(words * rows)
  const set = (to: Uint32Array, c: number, r: number) => {
    if (c >= 0 && c < columns && r >= 0 && r < rows) to[r * words + (c >> 5)]! |= 1 << (c & 31)
  }
  // Cells whose middle line runs inside, and all that the outline itself passes through.
  for (let r = 0; r < rows; r++) {
    const y = (r + 0.5) * CELL
    const xs = crossings(outline, { y })
    for (let i = 0; i + 1 < xs.length; i += 2) {
      for (let c = Math.floor(xs[i]! / CELL); c <= Math.floor(xs[i + 1]! / CELL); c++) set(bits, c, r)
    }
  }
  outline.forEach(([x0, y0], i) => {
    const [x1, y1] = outline[(i + 1) % outline.length]!
    const n = Math.ceil(Math.hypot(x1 - x0, y1 - y0) / (CELL / 4)) + 1
    for (let k = 0; k <= n; k++) {
      set(bits, Math.floor((x0 + ((x1 - x0) * k) / n) / CELL), Math.floor((y0 + ((y1 - y0) * k) / n) / CELL))
    }
  })
  const grown = bits.slice()
  let cells = 0
  for (let r = 0; r < rows; r++) {
    for (let c = 0; c < columns; c++) {
      if (!(bits[r * words + (c >> 5)]! & (1 << (c & 31)))) continue
      cells++
      for (let dr = -APART; dr <= APART; dr++) for (let dc = -APART; dc <= APART; dc++) set(grown, c + dc, r + dr)
    }
  }
  return { columns, rows, words, bits, grown, cells }
}

/** A page as cells that are taken or free. */
export class Raster {
  private readonly columns: number
  private readonly rows: number
  private readonly words: number
  private readonly taken: Uint32Array

  constructor(width: number, height: number) {
    this.columns = Math.floor(width / CELL)
    this.rows = Math.floor(height / CELL)
    // One word more, so that a shifted row may run over.
    this.words = Math.ceil(this.columns / 32) + 1
    this.taken = new Uint32Array(this.words * (this.rows + 1))
  }

  /** Where a shape may lie, as column and row of its lower left cell: the lowest, then the furthest left; null without room. */
  room(shape: Shape): Point | null {
    // A box a little under a whole number of cells may still be a cell too many for the page.
    const [right, top] = [this.columns - shape.columns, this.rows - shape.rows]
    for (let row = 0; row <= Math.max(0, top); row++) {
      for (let column = 0; column <= Math.max(0, right); column++)
        if (this.free(shape, column, row)) return [column, row]
    }
    return null
  }

  private free(shape: Shape, column: number, row: number): boolean {
    const [by, from] = [column & 31, column >> 5]
    for (let r = 0; r < shape.rows; r++) {
      const mine = (row + r) * this.words + from
      for (let w = 0; w < shape.words; w++) {
        const bits = shape.grown[r * shape.words + w]!
        if (bits === 0) continue
        if (this.taken[mine + w]! & (bits << by)) return false
        if (by > 0 && this.taken[mine + w + 1]! & (bits >>> (32 - by))) return false
      }
    }
    return true
  }

  take(shape: Shape, [column, row]: Point): void {
    const [by, from] = [column & 31, column >> 5]
    for (let r = 0; r < shape.rows; r++) {
      const mine = (row + r) * this.words + from
      for (let w = 0; w < shape.words; w++) {
        const bits = shape.bits[r * shape.words + w]!
        this.taken[mine + w]! |= bits << by
        if (by > 0) this.taken[mine + w + 1]! |= bits >>> (32 - by)
      }
    }
  }
}
