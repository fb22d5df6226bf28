import { GeometryError } from './path.ts'

export type Curve1 = (x: number) => number
export type Knots = readonly (readonly [number, number])[]

/** Quintic smoothstep from 0 at a to 1 at b, flat outside. */
export function smoothstep(a: number, b: number, x: number): number {
  const t = Math.min(1, Math.max(0, (x - a) / (b - a)))
  return t * t * t * (t * (6 * t - 15) + 10)
}

export const lerp = (a: number, b: number, t: number): number => a + (b - a) * t

/** Index of the interval of `xs` that holds x, clamped to the ends. */
function interval(xs: ArrayLike<number>, x: number): number {
  let lo = 0
  let hi = xs.length - 1
  while (hi - lo > 1) {
    const mid = (lo + hi) >> 1
    if (xs[mid]! <= x) lo = mid
    else hi = mid
  }
  return lo
}

/**
 * Monotone cubic through the knots (PCHIP, Fritsch and Butland 1984): no overshoot between them,
 * held constant outside. Throws GeometryError when fewer than two knots are given.
 */
export function pchip(knots: Knots): Curve1 {
  const n = knots.length
  if (n < 2) throw new GeometryError('A curve needs at least two points.')
  const x = knots.map((k) => k[0])
  const y = knots.map((k) => k[1])
  const h = x.slice(1).map((v, i) => v - x[i]!)
  const d = h.map((v, i) => (y[i + 1]! - y[i]!) / v)
  const m = new Array<number>(n).fill(0)
  for (let i = 1; i < n - 1; i++) {
    if (d[i - 1]! * d[i]! <= 0) continue
    const w1 = 2 * h[i]! + h[i - 1]!
    const w2 = h[i]! + 2 * h[i - 1]!
    m[i] = (w1 + w2) / (w1 / d[i - 1]! + w2 / d[i]!)
  }
  const end = (d0: number, d1: number, h0: number, h1: number) => {
    const slope = ((2 * h0 + h1) * d0 - h0 * d1) / (h0 + h1)
    if (slope * d0 <= 0) return 0
    return d0 * d1 <= 0 && Math.abs(slope) > 3 * Math.abs(d0) ? 3 * d0 : slope
  }
  m[0] = n > 2 ? end(d[0]!, d[1]!, h[0]!, h[1]!) : d[0]!
  m[n - 1] = n > 2 ? end(d[n - 2]!, d[n - 3]!, h[n - 2]!, h[n - 3]!) : d[0]!
  return (q) => {
    if (q <= x[0]!) return y[0]!
    if (q >= x[n - 1]!) return y[n - 1]!
    const i = interval(x, q)
    const t = (q - x[i]!) / h[i]!
    const t2 = t * t
    const t3 = t2 * t
    return (
      y[i]! * (2 * t3 - 3 * t2 + 1) +
      m[i]! * h[i]! * (t3 - 2 * t2 + t) +
      y[i + 1]! * (3 * t2 - 2 * t3) +
      m[i + 1]! * h[i]! * (t3 - t2)
    )
  }
}

/** Natural cubic spline through the knots (second derivative zero at both ends). */
export const naturalSpline = (knots: Knots): Curve1 => cubicSpline(knots)

/** Cubic spline through the knots: of a given slope at an end where one is named, else with second derivative zero there. */
export function cubicSpline(knots: Knots, slopes: { start?: number; end?: number } = {}): Curve1 {
  const n = knots.length
  const x = knots.map((k) => k[0])
  const y = knots.map((k) => k[1])
  const m = new Array<number>(n).fill(0)
  const c = new Array<number>(n).fill(0)
  const d = new Array<number>(n).fill(0)
  // Second derivatives m by elimination; a named slope s at the start says 2 h m0 + h m1 = 6 ((y1 - y0) / h - s), at the end likewise.
  if (slopes.start !== undefined) {
    const h = x[1]! - x[0]!
    c[0] = 0.5
    d[0] = (3 / h) * ((y[1]! - y[0]!) / h - slopes.start)
  }
  for (let i = 1; i < n - 1; i++) {
    const a = x[i]! - x[i - 1]!
    const b = x[i + 1]! - x[i]!
    const rhs = 6 * ((y[i + 1]! - y[i]!) / b - (y[i]! - y[i - 1]!) / a)
    const pivot = 2 * (a + b) - a * c[i - 1]!
    c[i] = b / pivot
    d[i] = (rhs - a * d[i - 1]!) / pivot
  }
  if (slopes.end !== undefined) {
    const h = x[n - 1]! - x[n - 2]!
    m[n - 1] = ((6 / h) * (slopes.end - (y[n - 1]! - y[n - 2]!) / h) - d[n - 2]!) / (2 - c[n - 2]!)
  }
  for (let i = n - 2; i >= 0; i--) m[i] = d[i]! - c[i]! * m[i + 1]!
  return (q) => {
    const i = interval(x, Math.min(Math.max(q, x[0]!), x[n - 1]!))
    const h = x[i + 1]! - x[i]!
    const a = (x[i + 1]! - q) / h
    const b = (q - x[i]!) / h
    return a * y[i]! + b * y[i + 1]! + (((a * a * a - a) * m[i]! + (b * b * b - b) * m[i + 1]!) * h * h) / 6
  }
}

/**
 * Gaussian blur of evenly spaced samples; sigma in samples. `periodic` wraps round, otherwise the ends are
 * reflected through their value so that a straight line stays straight.
 */
export function gaussianSmooth(values: Float64Array, sigma: number, periodic: boolean): Float64Array {
  const n = values.length
  const reach = Math.ceil(4 * sigma)
  const weights = Array.from({ length: reach + 1 }, (_, k) => Math.exp(-0.5 * (k / sigma) ** 2))
  const total = weights[0]! + 2 * weights.slice(1).reduce((a, b) => a + b, 0)
  const padded = new Float64Array(n + 2 * reach)
  padded.set(values, reach)
  for (let k = 1; k <= reach; k++) {
    padded[reach - k] = periodic ? values[(n - (k % n)) % n]! : 2 * values[0]! - values[Math.min(n - 1, k)]!
    padded[reach + n - 1 + k] = periodic ? values[(k - 1) % n]! : 2 * values[n - 1]! - values[Math.max(0, n - 1 - k)]!
  }
  const out = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    let sum = weights[0]! * padded[i + reach]!
    for (let k = 1; k <= reach; k++) sum += weights[k]! * (padded[i + reach - k]! + padded[i + reach + k]!)
    out[i] = sum / total
  }
  return out
}

/** Linear look-up in evenly spaced samples over [from, to], clamped. */
export function sampled(values: Float64Array, from: number, to: number): Curve1 {
  const n = values.length - 1
  return (x) => {
    const q = Math.min(n, Math.max(0, ((x - from) / (to - from)) * n))
    const i = Math.min(n - 1, Math.floor(q))
    return values[i]! + (values[i + 1]! - values[i]!) * (q - i)
  }
}

/** Solves f(x) = 0 on [lo, hi] by bisection to `tolerance`; f must change sign, otherwise GeometryError. */
export function bisect(f: Curve1, lo: number, hi: number, tolerance = 1e-10, what = 'the figure asked for'): number {
  let flo = f(lo)
  const fhi = f(hi)
  if (flo * fhi > 0) throw new GeometryError(`No value between ${lo} and ${hi} gives ${what}.`)
  for (let k = 0; k < 200 && hi - lo > tolerance; k++) {
    const mid = (lo + hi) / 2
    const fm = f(mid)
    if (flo * fm <= 0) hi = mid
    else {
      lo = mid
      flo = fm
    }
  }
  return (lo + hi) / 2
}
