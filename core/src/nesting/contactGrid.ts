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
    const { common, firsts, listed } = this.lists()
    this.common = common
    this.firsts = firsts
    this.listed = listed
    this.freeCorners = new Uint8Array(windings.length)
    for (let i = 0; i < windings.length; i++) if (windings[i] === free) this.freeCorners[i] = 1
  }

  /**
   * For every cell that is touched, what has to be counted for a place in it: the segments that come into its part of the
   * row or end in the row to the right of it. Those that pass it on the right, from below its row to above it, count for
   * all of its places alike; those on its left for none.
   */
  private lists(): Record<'common' | 'firsts' | 'listed', Int32Array> {
    const { columns, rows, cells } = this
    const [common, firsts, listed]: [number[], number[], number[]] = [[], [0], []]
    const inRows = new InRows(this.segments, rows)
    for (let r = 0; r < rows; r++) {
      const row = inRows.row(r)
      for (let c = 0, i = r * columns; c < columns; c++, i++) {
        if (cells[i] !== EDGE) continue
        let all = 0
        for (let k = row.from; k < row.to; k++) {
          if (inRows.last[k]! < c - NEAR) continue
          if (inRows.way[k] !== 0 && inRows.first[k]! > c + 1 + NEAR) all += inRows.way[k]!
          else listed.push(inRows.segment[k]!)
        }
        cells[i] = common.push(all) - 1
        firsts.push(listed.length)
      }
    }
    return { common: Int32Array.from(common), firsts: Int32Array.from(firsts), listed: Int32Array.from(listed) }
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

/** The parts of segments that lie in each row of cells. */
class InRows {
  private readonly starts: Int32Array
  readonly segment: Int32Array
  /** From which column to which one a part reaches. */
  readonly first: Float64Array
  readonly last: Float64Array
  /** 1 where it goes up through the whole row, -1 where down, 0 where it begins or ends there. */
  readonly way: Int8Array

  constructor(segments: Segments, rows: number) {
    const low = (s: number) => Math.max(0, Math.floor(Math.min(segments[s + 1]!, segments[s + 3]!) - NEAR))
    const high = (s: number) => Math.min(rows - 1, Math.floor(Math.max(segments[s + 1]!, segments[s + 3]!) + NEAR))
    const starts = (this.starts = new Int32Array(rows + 1))
    for (let s = 0; s < segments.length; s += 4) for (let r = low(s); r <= high(s); r++) starts[r + 1]!++
    for (let r = 0; r < rows; r++) starts[r + 1]! += starts[r]!
    const all = starts[rows]!
    this.segment = new Int32Array(all)
    this.first = new Float64Array(all)
    this.last = new Float64Array(all)
    this.way = new Int8Array(all)
    const next = starts.slice()
    for (let s = 0; s < segments.length; s += 4) {
      const [ca, ra, cb, rb] = [segments[s]!, segments[s + 1]!, segments[s + 2]!, segments[s + 3]!]
      const [bottom, top] = [Math.min(ra, rb), Math.max(ra, rb)]
      const slope = ra === rb ? 0 : (cb - ca) / (rb - ra)
      for (let r = low(s); r <= high(s); r++) {
        const k = next[r]!++
        const from = ra === rb ? ca : ca + (Math.max(r - NEAR, bottom) - ra) * slope
        const to = ra === rb ? cb : ca + (Math.min(r + 1 + NEAR, top) - ra) * slope
        this.segment[k] = s
        this.first[k] = Math.min(from, to)
        this.last[k] = Math.max(from, to)
        this.way[k] = bottom < r - NEAR && top > r + 1 + NEAR ? (rb > ra ? 1 : -1) : 0
      }
    }
  }

  row(r: number): { from: number; to: number } {
    return { from: this.starts[r]!, to: this.starts[r + 1]! }
  }
}

/**
 * How far each corner of a grid lies from the next free one, mm: exact, first along the columns and then along the rows
 * by the lower envelope of parabolas (Felzenszwalb and Huttenlocher 2012, Distance Transforms of Sampled Functions).
 */
function depthsOf(free: Uint8Array, width: number, height: number, side: number): Float32Array {
  const none = width + height
  // Steps up or down to the next free corner of the same column.
  const inColumn = new Int32Array(free.length)
  for (let i = 0; i < free.length; i++) {
    inColumn[i] = free[i] ? 0 : i < width ? none : Math.min(none, inColumn[i - width]! + 1)
  }
  for (let i = free.length - width - 1; i >= 0; i--) {
    const below = inColumn[i + width]! + 1
    if (below < inColumn[i]!) inColumn[i] = below
  }
  const depths = new Float32Array(free.length)
  // The parabolas of a row that are lowest somewhere, and from where on each of them is.
  const at = new Int32Array(width)
  const from = new Float64Array(width + 1)
  for (let r = 0; r < height; r++) {
    const row = r * width
    let size = 0
    for (let c = 0; c < width; c++) {
      const g = inColumn[row + c]!
      let meets = -Infinity
      while (size > 0) {
        const d = at[size - 1]!
        const h = inColumn[row + d]!
        meets = (g * g + c * c - (h * h + d * d)) / (2 * (c - d))
        if (meets > from[size - 1]!) break
        size--
        meets = -Infinity
      }
      at[size] = c
      from[size] = meets
      size++
    }
    from[size] = Infinity
    for (let c = 0, k = 0; c < width; c++) {
      if (free[row + c]) continue
      while (from[k + 1]! < c) k++
      const d = c - at[k]!
      const g = inColumn[row + at[k]!]!
      depths[row + c] = Math.min(Math.sqrt(d * d + g * g), none) * side
    }
  }
  return depths
}
