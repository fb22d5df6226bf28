import { median } from '../geometry/median.ts'
import type { Path } from '../geometry/path.ts'
import { bestWay } from './bestWay.ts'
import { bridged } from './bridged.ts'
import { lineWidth } from './lineWidth.ts'
import { lightAt, type Grey } from './picture.ts'
import type { PlaneView } from './planeView.ts'
import { railAlong, type Rail } from './rail.ts'
import { gapsOf, type ReadRim } from './readRim.ts'
import { withoutLoners, withoutStrays } from './strays.ts'

/** Steps across a line, mm. */
const FINE = 0.1
/** A line this share darker than the paper is one, and one that is this share of what the line is usually. */
const LEAST = 0.05
const OF_USUAL = 0.3
/** Wider dark places are blots or crossing lines, mm. */
const WIDEST = 2.6
/** Points farther from where their neighbours lie than this are of another line, mm. */
const STRAY = 0.4
/** How dark it is across the line is added up so far to either side of its middle, mm. */
const ASIDE = 1.2

interface Read {
  /** Offsets of the line's middle from the rail, mm; NaN where it was not seen. */
  at: Float64Array
  /** Whether there is ink at all: where there is but `at` is NaN, another line crosses. */
  inked: boolean[]
  /** How dark it is across the line, in the middle of all places: steps of FINE, the middle one on its middle. */
  profile: Float64Array
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
  const home = expected === 'on it' ? half : median(darkest)
  const gain = dark.map((d, at) => d - ASTRAY * (((at % m) - home) * FINE) ** 2)
  const way = bestWay(n, m, gain, 0.02)
  const peaks = Float64Array.from(way, (s, i) => {
    let peak = 0
    for (let k = Math.max(0, s - 3); k <= Math.min(m - 1, s + 3); k++) peak = Math.max(peak, dark[i * m + k]!)
    return peak
  })
  const least = Math.max(LEAST, OF_USUAL * median(peaks))
  const at = new Float64Array(n).fill(NaN)
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
  }
  const inked = Array.from(peaks, (peak) => peak >= least)
  const crossed = inked.map((ink, i) => ink && Number.isNaN(at[i]!))
  // A place that lies elsewhere than its neighbours is of a line that crosses.
  const kept = withoutStrays(rail, withoutLoners(at, STRAY), crossed)
  return { at: kept, inked, profile: profileOf(dark, m, kept) }
}

/** Neighbours whose middles are taken together, either way: what one place is read off by widens no line then. */
const TOGETHER = 6

/** The mean of the stretches (m steps each), each moved so that its line's middle (mm from the middle step) lies on the middle. */
function profileOf(dark: Float32Array, m: number, at: Float64Array): Float64Array {
  const aside = Math.round(ASIDE / FINE)
  const sum = new Float64Array(2 * aside + 1)
  let count = 0
  const n = at.length
  at.forEach((own, i) => {
    let [v, seen] = [0, 0]
    for (let d = -TOGETHER; d <= TOGETHER; d++) {
      const w = at[(i + d + n) % n]!
      if (!Number.isNaN(w)) [v, seen] = [v + w, seen + 1]
    }
    if (Number.isNaN(own) || seen <= TOGETHER) return
    const middle = (m - 1) / 2 + v / seen / FINE
    if (!(middle - aside >= 0 && middle + aside < m - 1)) return
    count++
    for (let k = 0; k < sum.length; k++) {
      const x = middle - aside + k
      const j = Math.floor(x)
      const from = i * m + j
      sum[k]! += dark[from]! + (dark[from + 1]! - dark[from]!) * (x - j)
    }
  })
  return sum.map((v) => v / Math.max(1, count))
}

/**
 * The pencil line near a rough outline: read across it every half millimetre in the picture itself, in two passes (the second
 * along what the first found). The line's middle is half way between where it is half as dark as at its darkest.
 */
export function readLine(picture: Grey, view: PlaneView, rough: Path, blur: number): ReadRim {
  const first = railAlong(rough, 1)
  const coarse = acrossRail(picture, view, first, 3, 'as a rule')
  const rail = railAlong(bridged(first, coarse.at) ?? first.points, 0.6)
  const { at, inked, profile } = acrossRail(picture, view, rail, 1.6, 'on it')
  const path = bridged(rail, at) ?? rail.points
  const seen = Array.from(at, (v) => !Number.isNaN(v))
  return { path, seen, gaps: gapsOf(path, inked), width: lineWidth(profile, FINE, blur) }
}
