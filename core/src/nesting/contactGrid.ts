import type { Segments } from './convolution.ts'

/** What a cell is that no edge touches; one that is touched has the number of its list. */
const FREE = -1
const TAKEN = -2
const EDGE = 0
/** A cell is touched by an edge that comes so near to it, as a share of its side. */
const NEAR = 1e-6
/** Where the exact test says that there is no room, at least so much counts, as a share of a cell's side. */
const LEAST = 0.02

/** A box of places, mm. */
export interface Reach {
  minX: number
  minY: number
  maxX: number
  maxY: number
}

/**
 * Where something may lie and where not, and how far it must move to be free: a table over all places, asked millions
 * of times. *Whether* a place is free is exact: in cells that an edge of the convolution touches its winding number is
 * counted, over the others it does not change. *How far* is read off the cells' corners.
 */
export class ContactGrid {
  private readonly columns: number
  private readonly rows: number
  private readonly per: number
  /** In cells: from column, from row, to column, to row; one cell of room is left all round what lies in `reach`. */
  private readonly segments: Segments
  /** By cell: free, taken, or the number of its list. */
  private readonly cells: Int32Array
  /** By list: the winding number that all have in common, and where its segments begin. */
  private readonly common: Int32Array
  private readonly firsts: Int32Array
  private readonly listed: Int32Array
  /** By corner: how far away the next free one is, mm. */
  private depths: Float32Array | null = null
  /** By corner: 1 where it is free. */
  private readonly freeCorners: Uint8Array

  /**
   * `free` is the winding number of places that are free, `outside` what a place beyond `reach` is taken for: free, or
   * not to be had at all.
   */
  constructor(
    segments: Segments,
    readonly reach: Reach,
    side: number,
    private readonly free: number,
    private readonly outside: 'free' | 'taken',
  ) {
    this.per = 1 / side
    const columns = (this.columns = Math.max(1, Math.ceil((reach.maxX - reach.minX) / side)) + 2)
    const rows = (this.rows = Math.max(1, Math.ceil((reach.maxY - reach.minY) / side)) + 2)
    this.segments = segments.map((v, k) => (v - (k % 2 === 0 ? reach.minX : reach.minY)) * this.per + 1)
    this.cells = new Int32Array(columns * rows).fill(FREE)
    this.touch()
    const windings = this.windingsOfCorners()
    for (let r = 0; r < rows; r++) {
      for (let c = 0; c < columns; c++) {
        const i = r * columns + c
        if (this.cells[i] === FREE && windings[r * (columns + 1) + c] !== free) this.cells[i] = TAKEN
      }
    }
    const lists = this.lists(this.sortedByRow())
    this.common = Int32Array.from(lists.common)
    this.firsts = Int32Array.from(lists.firsts)
    this.listed = Int32Array.from(lists.listed)
    this.freeCorners = new Uint8Array(windings.length)
    for (let i = 0; i < windings.length; i++) if (windings[i] === free) this.freeCorners[i] = 1
  }

  /** Segments that touch each row of cells. */
  private sortedByRow(): number[][] {
    const { segments, rows } = this
    const byRow: number[][] = Array.from({ length: rows }, () => [])
    for (let s = 0; s < segments.length; s += 4) {
      const a = segments[s + 1]!
      const b = segments[s + 3]!
      const low = Math.max(0, Math.floor(Math.min(a, b) - NEAR))
      const high = Math.min(rows - 1, Math.floor(Math.max(a, b) + NEAR))
      for (let r = low; r <= high; r++) byRow[r]!.push(s)
    }
    return byRow
  }

  /**
   * For every cell that is touched, what has to be counted for a place in it: the segments on whose right it is never,
   * but for those that pass it on the right from below its row to above it, which count for all of its places alike.
   */
  private lists(byRow: readonly (readonly number[])[]): Record<'common' | 'firsts' | 'listed', number[]> {
    const { segments, columns, cells } = this
    const [common, firsts, listed]: [number[], number[], number[]] = [[], [0], []]
    byRow.forEach((row, r) => {
      for (let c = 0; c < columns; c++) {
        const i = r * columns + c
        if (cells[i] !== EDGE) continue
        let all = 0
        for (const s of row) {
          const ca = segments[s]!
          const cb = segments[s + 2]!
          if (ca < c - NEAR && cb < c - NEAR) continue
          const ra = segments[s + 1]!
          const rb = segments[s + 3]!
          const past = ca > c + 1 + NEAR && cb > c + 1 + NEAR
          if (past && ra < r - NEAR && rb > r + 1 + NEAR) all++
          else if (past && rb < r - NEAR && ra > r + 1 + NEAR) all--
          else listed.push(s)
        }
        cells[i] = common.push(all) - 1
        firsts.push(listed.length)
      }
    })
    return { common, firsts, listed }
  }

  /** Winding numbers at the corners of the cells, row by row: what crosses a row counts for all that is left of it. */
  private windingsOfCorners(): Int32Array {
    const { segments, columns, rows } = this
    const windings = new Int32Array((columns + 1) * (rows + 1))
    for (let s = 0; s < segments.length; s += 4) {
      const [ca, ra, cb, rb] = [segments[s]!, segments[s + 1]!, segments[s + 2]!, segments[s + 3]!]
      const up = rb > ra
      const from = Math.max(0, Math.ceil(up ? ra : rb))
      const to = Math.min(rows, up ? rb : ra)
      for (let r = from; r <= to; r++) {
        // A row that runs through the upper end is the next segment's.
        if (r === (up ? rb : ra)) break
        const last = Math.min(columns, Math.ceil(ca + ((r - ra) / (rb - ra)) * (cb - ca)) - 1)
        if (last >= 0) windings[r * (columns + 1) + last]! += up ? 1 : -1
      }
    }
    for (let i = windings.length - 2; i >= 0; i--) {
      if ((i + 1) % (columns + 1) !== 0) windings[i]! += windings[i + 1]!
    }
    return windings
  }

  /** Marks every cell that a segment touches. */
  private touch(): void {
    const { segments, columns, rows, cells } = this
    for (let s = 0; s < segments.length; s += 4) {
      let ca = segments[s]!
      let ra = segments[s + 1]!
      let cb = segments[s + 2]!
      let rb = segments[s + 3]!
      if (rb < ra) [ca, ra, cb, rb] = [cb, rb, ca, ra]
      const slope = rb === ra ? 0 : (cb - ca) / (rb - ra)
      const low = Math.max(0, Math.floor(ra - NEAR))
      const high = Math.min(rows - 1, Math.floor(rb + NEAR))
      for (let r = low; r <= high; r++) {
        let x0 = ca
        let x1 = cb
        if (rb !== ra) {
          // Where it comes into this row of cells and where it leaves it.
          x0 = ca + (Math.max(r - NEAR, ra) - ra) * slope
          x1 = ca + (Math.min(r + 1 + NEAR, rb) - ra) * slope
        }
        const first = Math.max(0, Math.floor(Math.min(x0, x1) - NEAR))
        const last = Math.min(columns - 1, Math.floor(Math.max(x0, x1) + NEAR))
        for (let i = r * columns + first, end = r * columns + last; i <= end; i++) cells[i] = EDGE
      }
    }
  }

  /** Whether the winding number about a place in a cell with a list is that of free ones. */
  private isFree(c: number, r: number, list: number): boolean {
    const { segments, listed } = this
    let winding = this.common[list]!
    for (let k = this.firsts[list]!, end = this.firsts[list + 1]!; k < end; k++) {
      const s = listed[k]!
      const ra = segments[s + 1]!
      const rb = segments[s + 3]!
      if (ra <= r ? rb <= r : rb > r) continue
      const ca = segments[s]!
      const left = (segments[s + 2]! - ca) * (r - ra) - (c - ca) * (rb - ra)
      if (rb > ra) {
        if (left > 0) winding++
      } else if (left < 0) winding--
    }
    return winding === this.free
  }

  /** Whether there is no room at a place. */
  isTaken(x: number, y: number): boolean {
    const c = (x - this.reach.minX) * this.per + 1
    const r = (y - this.reach.minY) * this.per + 1
    if (!(c >= 0 && r >= 0 && c < this.columns && r < this.rows)) return this.outside === 'taken'
    const state = this.cells[(r | 0) * this.columns + (c | 0)]!
    return state === TAKEN || (state >= EDGE && !this.isFree(c, r, state))
  }

  /** How far something at a place has to move to be free, mm, about; exactly 0 where it is. */
  depth(x: number, y: number): number {
    const c = (x - this.reach.minX) * this.per + 1
    const r = (y - this.reach.minY) * this.per + 1
    if (!(c >= 0 && r >= 0 && c < this.columns && r < this.rows)) return this.outside === 'free' ? 0 : this.beyond(x, y)
    const ci = c | 0
    const ri = r | 0
    const state = this.cells[ri * this.columns + ci]!
    if (state === FREE) return 0
    if (state >= EDGE && this.isFree(c, r, state)) return 0
    // Whoever only asks whether there is room never needs these.
    const depths = (this.depths ??= depthsOf(this.freeCorners, this.columns + 1, this.rows + 1, 1 / this.per))
    const i = ri * (this.columns + 1) + ci
    const u = c - ci
    const v = r - ri
    const low = depths[i]! + u * (depths[i + 1]! - depths[i]!)
    const j = i + this.columns + 1
    const high = depths[j]! + u * (depths[j + 1]! - depths[j]!)
    const depth = low + v * (high - low)
    const least = LEAST / this.per
    return depth > least ? depth : least
  }

  /** Beyond the box of places that could be free: the way back to it, and what is lost there. */
  private beyond(x: number, y: number): number {
    const { minX, minY, maxX, maxY } = this.reach
    const px = Math.min(Math.max(x, minX), maxX)
    const py = Math.min(Math.max(y, minY), maxY)
    const [dx, dy] = [x - px, y - py]
    return Math.sqrt(dx * dx + dy * dy) + this.depth(px, py)
  }
}

/** Farther than any grid is wide. */
const FAR = 1 << 14

/**
 * How far each corner of a grid lies from the next free one, mm (8SSED, Danielsson 1980: two passes that hand on the
 * nearest known; within a few hundredths of a cell).
 */
function depthsOf(free: Uint8Array, width: number, height: number, side: number): Float32Array {
  const nearest = new Nearest(free.length)
  for (let i = 0; i < free.length; i++) if (!free[i]) nearest.far(i)
  for (let r = 0; r < height; r++) {
    for (let c = 0, i = r * width; c < width; c++, i++) {
      if (r > 0) {
        nearest.take(i, i - width, 0, 1)
        if (c > 0) nearest.take(i, i - width - 1, 1, 1)
        if (c < width - 1) nearest.take(i, i - width + 1, 1, 1)
      }
      if (c > 0) nearest.take(i, i - 1, 1, 0)
    }
    for (let c = width - 2, i = r * width + c; c >= 0; c--, i--) nearest.take(i, i + 1, 1, 0)
  }
  for (let r = height - 1; r >= 0; r--) {
    for (let c = width - 1, i = r * width + c; c >= 0; c--, i--) {
      if (r < height - 1) {
        nearest.take(i, i + width, 0, 1)
        if (c > 0) nearest.take(i, i + width - 1, 1, 1)
        if (c < width - 1) nearest.take(i, i + width + 1, 1, 1)
      }
      if (c < width - 1) nearest.take(i, i + 1, 1, 0)
    }
    for (let c = 1, i = r * width + 1; c < width; c++, i++) nearest.take(i, i - 1, 1, 0)
  }
  const depths = new Float32Array(free.length)
  for (let i = 0; i < depths.length; i++) depths[i] = Math.min(nearest.distance(i), width + height) * side
  return depths
}

/** How many columns and rows each corner lies from the nearest free one that is known. */
class Nearest {
  private readonly dx: Int16Array
  private readonly dy: Int16Array

  constructor(corners: number) {
    this.dx = new Int16Array(corners)
    this.dy = new Int16Array(corners)
  }

  far(i: number): void {
    this.dx[i] = this.dy[i] = FAR
  }

  /** What a neighbour knows, so many columns and rows further. */
  take(i: number, neighbour: number, sx: number, sy: number): void {
    const { dx, dy } = this
    const [ax, ay] = [dx[i]!, dy[i]!]
    if (ax === 0 && ay === 0) return
    const bx = dx[neighbour]! + sx
    const by = dy[neighbour]! + sy
    if (bx * bx + by * by < ax * ax + ay * ay) {
      dx[i] = bx
      dy[i] = by
    }
  }

  distance(i: number): number {
    return Math.sqrt(this.dx[i]! ** 2 + this.dy[i]! ** 2)
  }
}
