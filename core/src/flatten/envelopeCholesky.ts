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

/**
 * Reverse Cuthill-McKee order of a graph (1969): `order[new] = old`. Keeps connected rows close together, so
 * that the factor stays inside a narrow envelope.
 */
export function reverseCuthillMcKee(links: readonly number[][]): Int32Array {
  const n = links.length
  const order: number[] = []
  const placed = new Uint8Array(n)
  const degree = (v: number) => links[v].length
  const farthest = (start: number): number => {
    let last = start
    const level = new Map<number, number>([[start, 0]])
    const queue = [start]
    for (let i = 0; i < queue.length; i++) {
      last = queue[i]
      for (const w of links[last]) {
        if (level.has(w)) continue
        level.set(w, 1)
        queue.push(w)
      }
    }
    return last
  }
  for (let seed = 0; seed < n; seed++) {
    if (placed[seed]) continue
    const start = farthest(farthest(seed))
    placed[start] = 1
    const queue = [start]
    for (let i = 0; i < queue.length; i++) {
      order.push(queue[i])
      const fresh = links[queue[i]].filter((w) => !placed[w]).sort((a, b) => degree(a) - degree(b))
      for (const w of fresh) {
        placed[w] = 1
        queue.push(w)
      }
    }
  }
  return Int32Array.from(order.reverse())
}

/** Factor of a symmetric positive definite matrix stored row by row from its first entry to the diagonal. */
export class EnvelopeCholesky {
  private readonly first: Int32Array
  private readonly start: Int32Array
  private readonly values: Float64Array

  /**
   * `entries` of an n x n matrix, `order[new] = old`. Throws GeometryError when the matrix is not positive
   * definite, which for a mesh means a triangle without area.
   */
  constructor(
    private readonly n: number,
    entries: Entries,
    private readonly order: Int32Array,
  ) {
    const place = new Int32Array(n)
    order.forEach((old, at) => (place[old] = at))
    this.first = Int32Array.from({ length: n }, (_, i) => i)
    const { rows, columns } = entries
    for (let e = 0; e < rows.length; e++) {
      const i = Math.max(place[rows[e]], place[columns[e]])
      const j = Math.min(place[rows[e]], place[columns[e]])
      if (j < this.first[i]) this.first[i] = j
    }
    this.start = new Int32Array(n + 1)
    for (let i = 0; i < n; i++) this.start[i + 1] = this.start[i] + (i - this.first[i] + 1)
    this.values = new Float64Array(this.start[n])
    for (let e = 0; e < rows.length; e++) {
      const i = Math.max(place[rows[e]], place[columns[e]])
      const j = Math.min(place[rows[e]], place[columns[e]])
      this.values[this.start[i] + j - this.first[i]] += entries.values[e]
    }
    this.factor()
  }

  private factor(): void {
    const { n, first, start, values } = this
    for (let i = 0; i < n; i++) {
      const fi = first[i]
      const ri = start[i] - fi
      for (let j = fi; j < i; j++) {
        const fj = first[j]
        const rj = start[j] - fj
        let sum = values[ri + j]
        for (let k = fi > fj ? fi : fj; k < j; k++) sum -= values[ri + k] * values[rj + k]
        values[ri + j] = sum / values[rj + j]
      }
      let diagonal = values[ri + i]
      for (let k = fi; k < i; k++) diagonal -= values[ri + k] * values[ri + k]
      if (!(diagonal > 1e-14))
        throw new GeometryError('A triangle of this sheet has no area, so it cannot be laid flat.')
      values[ri + i] = Math.sqrt(diagonal)
    }
  }

  /**
   * Solves A X = B for two right-hand sides at once, in one pass over the factor. `b` and `x` hold 2 numbers per
   * row in the original numbering and may be the same array.
   */
  solve(b: Float64Array, x: Float64Array, work = new Float64Array(2 * this.n)): void {
    const { n, first, start, values, order } = this
    for (let i = 0; i < n; i++) {
      const fi = first[i]
      const ri = start[i] - fi
      let sumX = b[2 * order[i]]
      let sumY = b[2 * order[i] + 1]
      for (let k = fi; k < i; k++) {
        const v = values[ri + k]
        sumX -= v * work[2 * k]
        sumY -= v * work[2 * k + 1]
      }
      const d = values[ri + i]
      work[2 * i] = sumX / d
      work[2 * i + 1] = sumY / d
    }
    for (let i = n - 1; i >= 0; i--) {
      const ri = start[i] - first[i]
      const d = values[ri + i]
      const vx = work[2 * i] / d
      const vy = work[2 * i + 1] / d
      x[2 * order[i]] = vx
      x[2 * order[i] + 1] = vy
      for (let k = first[i]; k < i; k++) {
        const v = values[ri + k]
        work[2 * k] -= v * vx
        work[2 * k + 1] -= v * vy
      }
    }
  }
}
