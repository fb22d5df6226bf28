import { GeometryError } from '../geometry/path.ts'

/** Entries of a symmetric matrix, each pair once; entries of one place add up. */
export class Entries {
  readonly rows: number[] = []
  readonly columns: number[] = []
  readonly values: number[] = []

  add(row: number, column: number, value: number): void {
    this.rows.push(row)
    this.columns.push(column)
    this.values.push(value)
  }
}

/** The upper triangle of a permuted symmetric matrix, column by column; entries of one place may stand in it several times. */
interface Upper {
  start: Int32Array
  rows: Int32Array
}

/**
 * Where a symmetric matrix and its factor are not zero: all that can be worked out before the numbers are known, so it
 * serves every matrix of the same entries. `rows` and `columns` of an n x n matrix, each pair once or more,
 * `order[new] = old`.
 */
export class SparsePattern {
  readonly upper: Upper
  /** Place in the upper triangle of each entry. */
  readonly slots: Int32Array
  /** Parent of every column in the elimination tree. */
  readonly parent: Int32Array
  /** Where each column of the factor begins. */
  readonly start: Int32Array

  constructor(
    readonly n: number,
    rows: ArrayLike<number>,
    columns: ArrayLike<number>,
    readonly order: Int32Array,
  ) {
    const { upper, slots } = permuted(n, rows, columns, order)
    this.upper = upper
    this.slots = slots
    this.parent = eliminationTree(n, upper)
    const reach = new Reach(n, upper, this.parent)
    const counts = new Int32Array(n).fill(1)
    for (let k = 0; k < n; k++) {
      for (let top = reach.of(k); top < n; top++) counts[reach.stack[top]!]!++
    }
    this.start = new Int32Array(n + 1)
    for (let k = 0; k < n; k++) this.start[k + 1] = this.start[k]! + counts[k]!
  }
}

/** The factor of a matrix whose pattern is not kept. */
export const factored = (n: number, { rows, columns, values }: Entries, order: Int32Array): SparseCholesky =>
  new SparseCholesky(new SparsePattern(n, rows, columns, order), values)

/**
 * Factor L of a symmetric positive definite matrix, A = L L', column by column, only where it is not zero
 * (up-looking, after Davis, Direct Methods for Sparse Linear Systems, 2006).
 */
export class SparseCholesky {
  private readonly n: number
  private readonly order: Int32Array
  private readonly start: Int32Array
  private readonly rows: Int32Array
  private readonly values: Float64Array

  /**
   * `entries` in the order of the pattern's. Throws GeometryError when the matrix is not positive definite,
   * which for a mesh means a triangle without area.
   */
  constructor(pattern: SparsePattern, entries: ArrayLike<number>) {
    const { n, order, start, upper, parent, slots } = pattern
    this.n = n
    this.order = order
    this.start = start
    this.rows = new Int32Array(start[n]!)
    this.values = new Float64Array(start[n]!)
    const placed = new Float64Array(entries.length)
    for (let e = 0; e < entries.length; e++) placed[slots[e]!] = entries[e]!
    this.factor(upper, placed, new Reach(n, upper, parent))
  }

  private factor(upper: Upper, entries: Float64Array, reach: Reach): void {
    const { n, start, rows, values } = this
    const next = start.slice(0, n)
    const x = new Float64Array(n)
    for (let k = 0; k < n; k++) {
      let top = reach.of(k)
      for (let p = upper.start[k]!; p < upper.start[k + 1]!; p++) x[upper.rows[p]!]! += entries[p]!
      let diagonal = x[k]!
      x[k] = 0
      for (; top < n; top++) {
        const i = reach.stack[top]!
        const lki = x[i]! / values[start[i]!]!
        x[i] = 0
        const end = next[i]!
        for (let p = start[i]! + 1; p < end; p++) x[rows[p]!]! -= values[p]! * lki
        diagonal -= lki * lki
        next[i]!++
        rows[end] = k
        values[end] = lki
      }
      if (!(diagonal > 1e-14))
        throw new GeometryError('A triangle of this sheet has no area, so it cannot be laid flat.')
      const p = next[k]!++
      rows[p] = k
      values[p] = Math.sqrt(diagonal)
    }
  }

  /**
   * Solves A X = B for two right-hand sides at once, in one pass over the factor. `b` and `x` hold 2 numbers per
   * row in the original numbering and may be the same array.
   */
  solve(b: Float64Array, x: Float64Array, work = new Float64Array(2 * this.n)): void {
    const { n, start, rows, values, order } = this
    for (let i = 0; i < n; i++) {
      work[2 * i] = b[2 * order[i]!]!
      work[2 * i + 1] = b[2 * order[i]! + 1]!
    }
    for (let j = 0; j < n; j++) {
      const d = values[start[j]!]!
      const vx = (work[2 * j]! /= d)
      const vy = (work[2 * j + 1]! /= d)
      for (let p = start[j]! + 1; p < start[j + 1]!; p++) {
        const r = 2 * rows[p]!
        work[r]! -= values[p]! * vx
        work[r + 1]! -= values[p]! * vy
      }
    }
    for (let j = n - 1; j >= 0; j--) {
      let vx = work[2 * j]!
      let vy = work[2 * j + 1]!
      for (let p = start[j]! + 1; p < start[j + 1]!; p++) {
        const r = 2 * rows[p]!
        vx -= values[p]! * work[r]!
        vy -= values[p]! * work[r + 1]!
      }
      const d = values[start[j]!]!
      work[2 * j] = vx / d
      work[2 * j + 1] = vy / d
    }
    for (let i = 0; i < n; i++) {
      x[2 * order[i]!] = work[2 * i]!
      x[2 * order[i]! + 1] = work[2 * i + 1]!
    }
  }

  /** Numbers in the factor: what a solve costs. */
  get size(): number {
    return this.values.length
  }
}

function permuted(n: number, rows: ArrayLike<number>, columns: ArrayLike<number>, order: Int32Array) {
  const place = new Int32Array(n)
  order.forEach((old, at) => (place[old] = at))
  const count = rows.length
  const start = new Int32Array(n + 1)
  for (let e = 0; e < count; e++) start[Math.max(place[rows[e]!]!, place[columns[e]!]!) + 1]!++
  for (let k = 0; k < n; k++) start[k + 1]! += start[k]!
  const next = start.slice(0, n)
  const upper: Upper = { start, rows: new Int32Array(count) }
  const slots = new Int32Array(count)
  for (let e = 0; e < count; e++) {
    const [a, b] = [place[rows[e]!]!, place[columns[e]!]!]
    const p = next[a > b ? a : b]!++
    upper.rows[p] = a < b ? a : b
    slots[e] = p
  }
  return { upper, slots }
}

/** Parent of every column in the elimination tree (Liu 1990), with path compression. */
function eliminationTree(n: number, upper: Upper): Int32Array {
  const parent = new Int32Array(n).fill(-1)
  const ancestor = new Int32Array(n).fill(-1)
  for (let k = 0; k < n; k++) {
    for (let p = upper.start[k]!; p < upper.start[k + 1]!; p++) {
      let i = upper.rows[p]!
      while (i !== -1 && i < k) {
        const up = ancestor[i]
        ancestor[i] = k
        if (up === -1) parent[i] = k
        i = up!
      }
    }
  }
  return parent
}

/** Pattern of one row of L: the columns reached from its entries up the elimination tree. */
class Reach {
  readonly stack: Int32Array
  private readonly mark: Int32Array

  constructor(
    private readonly n: number,
    private readonly upper: Upper,
    private readonly parent: Int32Array,
  ) {
    this.stack = new Int32Array(n)
    this.mark = new Int32Array(n).fill(-1)
  }

  /** Fills `stack` from the returned place to its end, in the order in which the columns have to be taken. */
  of(k: number): number {
    const { n, upper, parent, stack, mark } = this
    let top = n
    mark[k] = k
    for (let p = upper.start[k]!; p < upper.start[k + 1]!; p++) {
      let length = 0
      for (let i = upper.rows[p]!; mark[i] !== k; i = parent[i]!) {
        stack[length++] = i!
        mark[i] = k
      }
      while (length > 0) stack[--top] = stack[--length]!
    }
    return top
  }
}
