/** Widths that are tried, mm. */
const [NARROWEST, WIDEST, STEP] = [0.1, 3, 0.01]

/** The share of a normal distribution that lies below z standard deviations (Abramowitz and Stegun 7.1.26). */
function below(z: number): number {
  const x = Math.abs(z) / Math.SQRT2
  const t = 1 / (1 + 0.3275911 * x)
  const poly = ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t
  const tail = (poly * Math.exp(-x * x)) / 2
  return z < 0 ? tail : 1 - tail
}

/**
 * Width of a line, mm, from how dark it is across it: `dark` at steps of `fine` mm, the middle one on the line's middle. What
 * is fitted is a box as wide as the line, blurred by `sigma` mm, times a darkness, over what the paper reads (least squares
 * for each width in turn). The shape tells the two apart: a narrow dark line and a wide faint one, blurred, differ in it.
 */
export function lineWidth(dark: ArrayLike<number>, fine: number, sigma: number): number {
  const n = dark.length
  const soft = Math.max(sigma, fine / 4)
  let [best, least] = [NARROWEST, Infinity]
  for (let width = NARROWEST; width <= WIDEST; width += STEP) {
    let [mm, m, md, d, dd] = [0, 0, 0, 0, 0]
    for (let k = 0; k < n; k++) {
      const t = (k - (n - 1) / 2) * fine
      const v = below((t + width / 2) / soft) - below((t - width / 2) / soft)
      mm += v * v
      m += v
      md += v * dark[k]!
      d += dark[k]!
      dd += dark[k]! ** 2
    }
    const det = mm * n - m * m
    if (det <= 0) continue
    // Nothing is darker than black.
    const contrast = Math.min(1, (md * n - m * d) / det)
    const paper = (d - contrast * m) / n
    const off =
      dd - 2 * contrast * md - 2 * paper * d + contrast * contrast * mm + 2 * contrast * paper * m + n * paper ** 2
    if (contrast > 0 && off < least) [best, least] = [width, off]
  }
  return best
}
