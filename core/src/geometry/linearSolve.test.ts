import { describe, expect, it } from 'vitest'
import { leastSquares, solveDense } from './linearSolve.ts'

describe('small systems', () => {
  it('are solved, and singular ones are not', () => {
    expect(
      solveDense(
        [
          [2, 1],
          [1, 3],
        ],
        [5, 10],
      ),
    ).toEqual([1, 3])
    expect(
      solveDense(
        [
          [0, 1],
          [1, 0],
        ],
        [4, 7],
      ),
    ).toEqual([7, 4])
    expect(
      solveDense(
        [
          [1, 2],
          [2, 4],
        ],
        [1, 2],
      ),
    ).toBeNull()
  })
  it('least squares finds the coefficients that made the values', () => {
    const rows = Array.from({ length: 20 }, (_, i) => [1, i, i * i])
    const fit = leastSquares(
      rows,
      rows.map(([, x, xx]) => 3 - 2 * x! + 0.5 * xx!),
    )
    expect(fit?.[0]).toBeCloseTo(3, 6)
    expect(fit?.[1]).toBeCloseTo(-2, 6)
    expect(fit?.[2]).toBeCloseTo(0.5, 8)
    expect(leastSquares([[1, 2]], [3])).toBeNull()
  })
})
