/**
 * Anderson acceleration of a fixed-point iteration x = G(x) (Anderson 1965; for geometry Peng et al. 2018): the next
 * point is the blend of the last few images whose residuals cancel best. Keeps at most `depth` differences.
 */
export class Anderson {
  private readonly residuals: Float64Array[] = []
  private readonly images: Float64Array[] = []
  /** Products of the residual differences with each other; only the newest row is computed in a round. */
  private readonly products: number[][] = []
  private lastResidual: Float64Array | null = null
  private lastImage: Float64Array | null = null
  private spare: Float64Array | null = null

  constructor(
    private readonly size: number,
    private readonly depth: number,
  ) {}

  /** Forgets what was learned: after a step that did not help. */
  reset(): void {
    this.residuals.length = 0
    this.images.length = 0
    this.products.length = 0
    this.lastResidual = null
    this.lastImage = null
  }

  /** Writes the next point into `out`, given the present point x and its image g = G(x). */
  next(x: Float64Array, g: Float64Array, out: Float64Array): void {
    const { size } = this
    const residual = this.spare ?? new Float64Array(size)
    for (let i = 0; i < size; i++) residual[i] = g[i]! - x[i]!
    if (this.lastResidual && this.lastImage) {
      const reuse = this.residuals.length === this.depth
      const dr = (reuse ? this.residuals.shift() : undefined) ?? new Float64Array(size)
      const dg = (reuse ? this.images.shift() : undefined) ?? new Float64Array(size)
      for (let i = 0; i < size; i++) {
        dr[i] = residual[i]! - this.lastResidual[i]!
        dg[i] = g[i]! - this.lastImage[i]!
      }
      this.residuals.push(dr)
      this.images.push(dg)
      if (reuse) {
        this.products.shift()
        for (const row of this.products) row.shift()
      }
      const newest = this.residuals.map((p) => dot(p, dr))
      this.products.forEach((row, k) => row.push(newest[k]!))
      this.products.push(newest)
    }
    this.spare = this.lastResidual
    this.lastResidual = residual
    this.lastImage = this.lastImage ?? new Float64Array(size)
    this.lastImage.set(g)
    out.set(g)
    const weights = this.weights(residual)
    weights.forEach((w, k) => {
      const dg = this.images[k]!
      for (let i = 0; i < size; i++) out[i]! -= w * dg[i]!
    })
  }

  /** Least squares of the residual by its differences: normal equations with a whisper of damping, by elimination. */
  private weights(residual: Float64Array): number[] {
    const m = this.residuals.length
    const a = this.products.map((row) => [...row])
    const b = this.residuals.map((p) => dot(p, residual))
    for (let k = 0; k < m; k++) a[k]![k]! *= 1 + 1e-10
    for (let k = 0; k < m; k++) {
      if (!(a[k]![k]! > 0)) return []
      for (let r = k + 1; r < m; r++) {
        const f = a[r]![k]! / a[k]![k]!
        for (let c = k; c < m; c++) a[r]![c]! -= f * a[k]![c]!
        b[r]! -= f * b[k]!
      }
    }
    for (let k = m - 1; k >= 0; k--) {
      for (let c = k + 1; c < m; c++) b[k]! -= a[k]![c]! * b[c]!
      b[k]! /= a[k]![k]!
    }
    return b.every(Number.isFinite) ? b : []
  }
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0
  for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!
  return sum
}
