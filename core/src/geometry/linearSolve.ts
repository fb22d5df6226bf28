/**
 * Solves the dense system A x = b by Gaussian elimination with row pivoting. A is n x n, row by row; neither
 * argument is changed. Returns null when A is singular to working precision.
 */
export function solveDense(a: readonly (readonly number[])[], b: readonly number[]): number[] | null {
  const n = b.length
  const m = a.map((row, i) => [...row, b[i]])
  const size = Math.max(...a.map((row) => Math.max(...row.map(Math.abs))))
  for (let k = 0; k < n; k++) {
    let pivot = k
    for (let i = k + 1; i < n; i++) if (Math.abs(m[i]![k]!) > Math.abs(m[pivot]![k]!)) pivot = i
    if (Math.abs(m[pivot]![k]!) <= 1e-13 * size) return null
    ;[m[k], m[pivot]] = [m[pivot]!, m[k]!]
    for (let i = k + 1; i < n; i++) {
      const f = m[i]![k]! / m[k]![k]!
      for (let j = k; j <= n; j++) m[i]![j]! -= f * m[k]![j]!
    }
  }
  const x = new Array<number>(n).fill(0)
  for (let i = n - 1; i >= 0; i--) {
    let sum = m[i]![n]!
    for (let j = i + 1; j < n; j++) sum -= m[i]![j]! * x[j]!
    x[i] = sum / m[i]![i]!
  }
  return x
}

/**
 * Least squares: the coefficients c that make `rows` times c come nearest to `values` under weights (normal
 * equations, for a handful of unknowns). Null when the rows do not settle them.
 */
export function leastSquares(
  rows: readonly (readonly number[])[],
  values: readonly number[],
  weights?: readonly number[],
): number[] | null {
  const n = rows[0]?.length ?? 0
  if (rows.length < n || n === 0) return null
  const a = Array.from({ length: n }, () => new Array<number>(n).fill(0))
  const b = new Array<number>(n).fill(0)
  for (let r = 0; r < rows.length; r++) {
    const w = weights ? weights[r] : 1
    for (let i = 0; i < n; i++) {
      b[i]! += w! * rows[r]![i]! * values[r]!
      for (let j = 0; j < n; j++) a[i]![j]! += w! * rows[r]![i]! * rows[r]![j]!
    }
  }
  return solveDense(a, b)
}
