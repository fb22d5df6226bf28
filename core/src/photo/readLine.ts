import type { Path, Point } from '../geometry/path.ts'
import { lightAt, type Grey } from './picture.ts'
import type { PlaneView } from './planeView.ts'
import { bestWay, bridged, railAlong, STEP, withoutStrays, type Rail } from './rim.ts'

/** A stretch where no line was seen and which was bridged: its middle and its length, mm. */
export interface Gap {
  at: Point
  length: number
}

/** A line or an edge as it was read. */
export interface ReadRim {
  /** Closed, counter-clockwise, points about half a millimetre apart; the middle of a line. */
  path: Path
  /** Whether each point was seen; others lie straight between those beside them. */
  seen: readonly boolean[]
  gaps: readonly Gap[]
  /** Width of the pencil's line, mm; 0 of an edge. */
  width: number
}

/** Steps across a line, mm. */
const FINE = 0.1
/** A line this share darker than the paper is one, and one that is this share of what the line is usually. */
const LEAST = 0.05
const OF_USUAL = 0.3
/** Wider dark places are blots or crossing lines, mm. */
const WIDEST = 2.6
/** Points farther from where their neighbours lie than this are of another line, mm; neighbours reach so many points. */
const STRAY = 0.4
const BESIDE = 7

const middleOf = (list: number[]): number => list.sort((a, b) => a - b)[list.length >> 1] ?? 0

interface Read {
  /** Offsets of the line's middle from the rail, mm; NaN where it was not seen. */
  at: Float64Array
  /** Whether there is ink at all: where there is but `at` is NaN, another line crosses. */
  inked: boolean[]
  width: number
}

/** What lies a millimetre from where the line is expected has to be so much darker to be taken for it; grows with the square. */
const ASTRAY = 0.05

/** Reads the line within `reach` mm on either side of a rail; where it is expected: as far off as it is as a rule, or on the rail. */
function acrossRail(picture: Grey, view: PlaneView, rail: Rail, reach: number, expected: 'as a rule' | 'on it'): Read {
  const n = rail.points.length
  const half = Math.round(reach / FINE)
  const m = 2 * half + 1
  const dark = new Float32Array(n * m)
  const light = new Float64Array(m)
  for (let i = 0; i < n; i++) {
    const [x, y] = rail.points[i]!
    const [nx, ny] = rail.normals[i]!
    // Straight between the ends: lenses bend nothing over a few millimetres.
    const a = view.toPicture(x - nx * reach, y - ny * reach)
    const b = view.toPicture(x + nx * reach, y + ny * reach)
    for (let k = 0; k < m; k++) {
      const s = k / (m - 1)
      light[k] = lightAt(picture, a[0] + (b[0] - a[0]) * s, a[1] + (b[1] - a[1]) * s)
    }
    // The paper: what four fifths of the stretch are darker than, on either side, straight between.
    const paper = (from: number, to: number) => {
      const sorted = Array.from(light.subarray(from, to)).sort((p, q) => p - q)
      return sorted[Math.floor(sorted.length * 0.8)]!
    }
    const [left, right] = [paper(0, half), paper(half, m)]
    for (let k = 0; k < m; k++) {
      const ground = Math.max(2, left + ((right - left) * k) / (m - 1))
      dark[i * m + k] = Math.max(0, 1 - light[k]! / ground)
    }
  }
  // Where lines cross, all of a stretch is dark: the line goes on where it was.
  const darkest = Array.from({ length: n }, (_, i) => {
    let top = 0
    for (let k = 1; k < m; k++) if (dark[i * m + k]! > dark[i * m + top]!) top = k
    return top
  })
  const home = expected === 'on it' ? half : middleOf(darkest)
  const gain = dark.map((d, at) => d - ASTRAY * (((at % m) - home) * FINE) ** 2)
  const way = bestWay(n, m, gain, 0.02)
  const peaks = Float64Array.from(way, (s, i) => {
    let peak = 0
    for (let k = Math.max(0, s - 3); k <= Math.min(m - 1, s + 3); k++) peak = Math.max(peak, dark[i * m + k]!)
    return peak
  })
  const least = Math.max(LEAST, OF_USUAL * middleOf([...peaks]))
  const at = new Float64Array(n).fill(NaN)
  const widths: number[] = []
  for (let i = 0; i < n; i++) {
    if (peaks[i]! < least) continue
    let top = way[i]!
    for (let k = Math.max(0, way[i]! - 3); k <= Math.min(m - 1, way[i]! + 3); k++) {
      if (dark[i * m + k]! > dark[i * m + top]!) top = k
    }
    const level = dark[i * m + top]! / 2
    const edge = (step: 1 | -1): number | null => {
      for (let k = top; k + step >= 0 && k + step < m; k += step) {
        const [u, v] = [dark[i * m + k]!, dark[i * m + k + step]!]
        if (v < level) return k + (step * (u - level)) / (u - v)
      }
      return null
    }
    const [low, high] = [edge(-1), edge(1)]
    if (low === null || high === null || (high - low) * FINE > WIDEST) continue
    at[i] = ((low + high) / 2 - half) * FINE
    widths.push((high - low) * FINE)
  }
  // A place that lies elsewhere than its neighbours is of a line that crosses.
  const kept = at.map((v, i) => {
    const beside: number[] = []
    for (let d = -BESIDE; d <= BESIDE; d++) {
      const w = at[(i + d + n) % n]!
      if (d !== 0 && !Number.isNaN(w)) beside.push(w)
    }
    return beside.length >= 4 && Math.abs(v - middleOf(beside)) > STRAY ? NaN : v
  })
  const inked = Array.from(peaks, (peak) => peak >= least)
  const crossed = inked.map((ink, i) => ink && Number.isNaN(at[i]!))
  return { at: withoutStrays(rail, kept, crossed), inked, width: middleOf(widths) }
}

/**
 * Width of a line that a picture, blurred by `sigma`, shows `seen` wide at half its darkness: the box whose blurred shape
 * falls to half its middle there, found by halving. What is narrower than the blur itself is told no finer.
 */
export function widthBehindBlur(seen: number, sigma: number): number {
  if (sigma <= 0) return seen
  // Value of a unit box of half width h, blurred, at x; the error function after Abramowitz and Stegun 7.1.26.
  const erf = (z: number): number => {
    const t = 1 / (1 + 0.3275911 * Math.abs(z))
    const v =
      1 -
      ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t * Math.exp(-z * z)
    return z < 0 ? -v : v
  }
  const value = (h: number, x: number) =>
    (erf((x + h) / (sigma * Math.SQRT2)) - erf((x - h) / (sigma * Math.SQRT2))) / 2
  let [low, high] = [0.02 * sigma, seen / 2 + sigma]
  for (let k = 0; k < 40; k++) {
    const h = (low + high) / 2
    // Wider at half darkness than was seen: the line is narrower.
    if (value(h, seen / 2) > value(h, 0) / 2) high = h
    else low = h
  }
  return low + high
}

/** Samples round a place that show the paper, at this distance, mm. */
const ROUND = 16
const PAPER = 2.2

/** How much darker than the paper round it a place is, 0 to 1. */
export function inkAt(picture: Grey, view: PlaneView, [x, y]: Point): number {
  const light = (px: number, py: number) => lightAt(picture, ...view.toPicture(px, py))
  const paper = Array.from({ length: ROUND }, (_, k) => {
    const a = (2 * Math.PI * k) / ROUND
    return light(x + PAPER * Math.cos(a), y + PAPER * Math.sin(a))
  }).sort((a, b) => a - b)
  return Math.max(0, 1 - light(x, y) / Math.max(2, paper[Math.floor(ROUND * 0.7)]!))
}

/** Stretches that were not seen. */
export function gapsOf(path: Path, seen: readonly boolean[], least: number): Gap[] {
  const n = path.length
  const start = seen.indexOf(true)
  if (start < 0) return []
  const out: Gap[] = []
  let run = 0
  for (let k = 1; k <= n; k++) {
    const i = (start + k) % n
    if (!seen[i]) run++
    else {
      const length = run * STEP
      if (run > 0 && length >= least) out.push({ at: path[(i - Math.ceil(run / 2) + n) % n]!, length })
      run = 0
    }
  }
  return out.sort((a, b) => b.length - a.length)
}

/** Shorter breaks are the grain of the paper, mm. */
const LEAST_GAP = 1.5

/**
 * The pencil line near a rough outline: read across it every half millimetre in the picture itself, in two passes (the second
 * along what the first found). The line's middle is half way between where it is half as dark as at its darkest.
 */
export function readLine(picture: Grey, view: PlaneView, rough: Path, blur: number): ReadRim {
  const first = railAlong(rough, 1)
  const coarse = acrossRail(picture, view, first, 3, 'as a rule')
  const rail = railAlong(bridged(first, coarse.at) ?? first.points, 0.6)
  const { at, inked, width } = acrossRail(picture, view, rail, 1.6, 'on it')
  const path = bridged(rail, at) ?? rail.points
  const seen = Array.from(at, (v) => !Number.isNaN(v))
  return { path, seen, gaps: gapsOf(path, inked, LEAST_GAP), width: widthBehindBlur(width, blur) }
}
