import { gaussianSmooth, sampled, type Curve1 } from '../geometry/interpolate.ts'
import { GeometryError } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import { sideSign } from '../last/frame.ts'
import {
  ANGLES,
  axisX,
  BEYOND_PLANES,
  FAN_END,
  FANS,
  FROM,
  HEEL_PLANES,
  MIDDLE_PLANES,
  middleStep,
  planeCount,
  RAD,
  STEP,
  TOE_PLANES,
} from './planes.ts'
import { mm, say } from '../units/sentence.ts'
import { PARALLEL } from '../geometry/tolerance.ts'

/**
 * One side of a body cut by upright half planes that fan out about an axis near the heel, stand parallel in the middle,
 * and fan out again about an axis near the toe. Seen from a centre half way up, each cut is one distance for every
 * angle: that table is the surface, whatever triangles it came from.
 */
export interface HalfSections {
  length: number
  side: Side
  /** Distance from the centre for plane p and angle a, at p * ANGLES + a. Planes past FAN_END are the parallel ones over the toe. */
  radius: Float64Array
  /** Height of the centre over x. */
  centre: Curve1
  /** Widest gap that had to be bridged, mm. */
  bridged: number
}

type Cut = (plane: number, r1: number, z1: number, r2: number, z2: number) => void

/** Visits where every triangle meets every plane of one side: two points (distance from the axis, height) each time. */
function eachCut(length: number, positions: Float64Array, triangles: Uint32Array, side: Side, visit: Cut): void {
  const toU = -sideSign(side)
  const heel = FANS.heel * length
  const toe = FANS.toe * length
  const step = middleStep(length)
  const x = [0, 0, 0]
  const u = [0, 0, 0]
  const z = [0, 0, 0]
  const g = [0, 0, 0]
  const hit = [0, 0, 0, 0]
  const cut = (plane: number, nx: number, nu: number, ax: number, dx: number, du: number): void => {
    let n = 0
    for (let c = 0; c < 3; c++) g[c] = nx * (x[c]! - ax) + nu * u[c]!
    for (let c = 0; c < 3; c++) {
      const d = (c + 1) % 3
      if (g[c]! < 0 === g[d]! < 0 || n === 2) continue
      const t = g[c]! / (g[c]! - g[d]!)
      hit[n * 2] = dx * (x[c]! + (x[d]! - x[c]!) * t - ax) + du * (u[c]! + (u[d]! - u[c]!) * t)
      hit[n * 2 + 1] = z[c]! + (z[d]! - z[c]!) * t
      n++
    }
    if (n === 2 && Math.max(hit[0]!, hit[2]!) > -9) visit(plane, hit[0]!, hit[1]!, hit[2]!, hit[3]!)
  }
  for (let k = 0; k < triangles.length; k += 3) {
    for (let c = 0; c < 3; c++) {
      const v = triangles[k + c]! * 3
      x[c] = positions[v]!
      u[c] = toU * positions[v + 1]!
      z[c] = positions[v + 2]!
    }
    const far = Math.max(u[0]!, u[1]!, u[2]!)
    if (far < -9) continue
    const lo = Math.min(x[0]!, x[1]!, x[2]!)
    const hi = Math.max(x[0]!, x[1]!, x[2]!)
    if (lo < heel) {
      let from = Infinity
      let to = -Infinity
      for (let c = 0; c < 3; c++) {
        const a = Math.atan2(u[c]!, heel - x[c]!)
        from = Math.min(from, a)
        to = Math.max(to, a)
      }
      const wraps = to - from > Math.PI / 2
      const first = wraps ? 0 : Math.max(0, Math.ceil((from / (Math.PI / 2)) * HEEL_PLANES))
      const last = wraps ? HEEL_PLANES - 1 : Math.min(HEEL_PLANES - 1, Math.floor((to / (Math.PI / 2)) * HEEL_PLANES))
      for (let p = first; p <= last; p++) {
        const a = (p / HEEL_PLANES) * (Math.PI / 2)
        cut(p, Math.sin(a), Math.cos(a), heel, -Math.cos(a), Math.sin(a))
      }
    }
    if (hi > toe) {
      let from = Infinity
      let to = -Infinity
      for (let c = 0; c < 3; c++) {
        const a = Math.atan2(x[c]! - toe, u[c]!)
        from = Math.min(from, a)
        to = Math.max(to, a)
      }
      const wraps = to - from > Math.PI / 2
      const first = wraps ? 1 : Math.max(1, Math.ceil((from / (Math.PI / 2)) * TOE_PLANES))
      const last = wraps ? TOE_PLANES : Math.min(TOE_PLANES, Math.floor((to / (Math.PI / 2)) * TOE_PLANES))
      for (let p = first; p <= last; p++) {
        const a = (p / TOE_PLANES) * (Math.PI / 2)
        cut(HEEL_PLANES + MIDDLE_PLANES + p, -Math.cos(a), Math.sin(a), toe, Math.sin(a), Math.cos(a))
      }
    }
    if (hi >= heel) {
      const first = Math.max(0, Math.ceil((lo - heel) / step))
      const last = Math.min(MIDDLE_PLANES + BEYOND_PLANES, Math.floor((hi - heel) / step))
      for (let p = first; p <= last; p++) {
        cut(p <= MIDDLE_PLANES ? HEEL_PLANES + p : FAN_END + (p - MIDDLE_PLANES), 1, 0, heel + p * step, 0, 1)
      }
    }
  }
}

/** Height of the centres over x: half way between bottom and top on the axis, smoothed; shared by both sides. */
export function centreHeights(length: number, positions: Float64Array): Curve1 {
  const n = 40
  const lo = new Float64Array(n + 1).fill(Infinity)
  const hi = new Float64Array(n + 1).fill(-Infinity)
  for (let k = 0; k < positions.length; k += 3) {
    if (Math.abs(positions[k + 1]!) > 0.08 * length) continue
    const q = Math.round((positions[k]! / length) * n)
    if (q < 0 || q > n) continue
    lo[q] = Math.min(lo[q]!, positions[k + 2]!)
    hi[q] = Math.max(hi[q]!, positions[k + 2]!)
  }
  const from = Math.round(FANS.heel * n)
  const to = Math.round(FANS.toe * n)
  const mid = new Float64Array(n + 1)
  for (let q = 0; q <= n; q++) {
    const at = Math.min(to, Math.max(from, q))
    mid[q] = (lo[at]! + hi[at]!) / 2
    if (!Number.isFinite(mid[q])) {
      throw new GeometryError(
        say`The scan has nothing ${mm((at / n) * length, 0)} from the heel: a whole part of the last is missing.`,
      )
    }
  }
  return sampled(gaussianSmooth(mid, 1.2, false), 0, length)
}

/** Widest gap in the cuts that is bridged rather than refused, mm. */
const WIDEST_BRIDGE = 32

export function halfSections(
  length: number,
  positions: Float64Array,
  triangles: Uint32Array,
  side: Side,
  centre: Curve1,
): HalfSections {
  const sum = new Float64Array(planeCount * ANGLES)
  const most = new Float64Array(planeCount * ANGLES)
  const count = new Uint16Array(planeCount * ANGLES)
  const height = Float64Array.from({ length: planeCount }, (_, p) => centre(axisX(length, p)))
  eachCut(length, positions, triangles, side, (p, r1, z1, r2, z2) => {
    const c = height[p]!
    const [y1, y2] = [z1 - c, z2 - c]
    let a1 = Math.atan2(y1, r1) / RAD
    let a2 = Math.atan2(y2, r2) / RAD
    if (Math.abs(a1 - a2) > 180) return
    let [ra, ya, rb, yb] = [r1, y1, r2, y2]
    if (a1 > a2) {
      ;[a1, a2] = [a2, a1]
      ;[ra, ya, rb, yb] = [r2, y2, r1, y1]
    }
    const first = Math.max(0, Math.ceil((a1 - FROM) / STEP))
    const last = Math.min(ANGLES - 1, Math.floor((a2 - FROM) / STEP))
    // Distance along the ray at an angle to the straight line from a to b.
    const numerator = ra * yb - ya * rb
    for (let k = first; k <= last; k++) {
      const a = (FROM + k * STEP) * RAD
      const den = Math.cos(a) * (yb - ya) - Math.sin(a) * (rb - ra)
      if (Math.abs(den) < PARALLEL) continue
      const r = numerator / den
      if (!(r > 0) || r > 400) continue
      const at = p * ANGLES + k
      sum[at]! += r
      if (r > most[at]!) most[at] = r
      count[at]!++
    }
  })
  const radius = new Float64Array(planeCount * ANGLES)
  for (let at = 0; at < radius.length; at++) {
    if (count[at] === 0) continue
    const mean = sum[at]! / count[at]!
    // Two skins far apart: the outer one is the last, the inner a hinge, a thimble or the inside of a hollow scan.
    radius[at] = most[at]! - mean > 1.5 ? most[at]! : mean
  }
  let bridged = 0
  for (let p = 0; p < planeCount; p++)
    bridged = Math.max(bridged, bridge(radius.subarray(p * ANGLES, (p + 1) * ANGLES)))
  if (bridged > WIDEST_BRIDGE) {
    throw new GeometryError(
      say`The ${side} side has a hole ${mm(bridged, 0)} wide, too wide to bridge (${mm(WIDEST_BRIDGE)} at most). Scan the last again from that side.`,
    )
  }
  return { length, side, radius: calmed(radius), centre, bridged }
}

/** Fills empty angles of one plane by a cubic that leaves both edges of the gap straight on; returns the widest gap, mm. */
function bridge(r: Float64Array): number {
  const n = r.length
  const first = r.findIndex((v) => v > 0)
  if (first < 0) return Infinity
  let last = n - 1
  while (r[last] === 0) last--
  let widest = 0
  // Past straight down and straight up the other side goes on; nothing reads those angles where they are empty.
  const down = Math.round((-90 - FROM) / STEP)
  const up = Math.round((90 - FROM) / STEP)
  if (first > down) widest = Math.max(widest, (first - down) * STEP * RAD * r[first]!)
  if (last < up) widest = Math.max(widest, (up - last) * STEP * RAD * r[last]!)
  r.fill(r[first]!, 0, first)
  r.fill(r[last]!, last + 1)
  for (let i = first; i < last; i++) {
    if (r[i + 1]! > 0) continue
    let j = i + 1
    while (r[j] === 0) j++
    const span = j - i
    const before = i > 4 ? (r[i]! - r[i - 4]!) / 4 : 0
    const after = j + 4 < n && r[j + 4]! > 0 ? (r[j + 4]! - r[j]!) / 4 : 0
    for (let k = 1; k < span; k++) {
      const t = k / span
      const [t2, t3] = [t * t, t * t * t]
      r[i + k] =
        r[i]! * (2 * t3 - 3 * t2 + 1) +
        before * span * (t3 - 2 * t2 + t) +
        r[j]! * (3 * t2 - 2 * t3) +
        after * span * (t3 - t2)
    }
    widest = Math.max(widest, span * STEP * RAD * Math.max(r[i]!, r[j]!))
    i = j - 1
  }
  return widest
}

/** Half the length along the cut over which noise is averaged, mm. */
const CALM = 1.3

/** Local quadratic fit along each cut (Savitzky and Golay 1964), so that curved skin keeps its place while noise averages out. */
function calmed(radius: Float64Array): Float64Array {
  const out = new Float64Array(radius.length)
  for (let p = 0; p < planeCount; p++) {
    const base = p * ANGLES
    for (let a = 0; a < ANGLES; a++) {
      const reach = Math.max(1, Math.min(8, Math.round(CALM / (radius[base + a]! * STEP * RAD))))
      const from = Math.max(0, a - reach)
      const to = Math.min(ANGLES - 1, a + reach)
      const m = Math.min(a - from, to - a)
      if (m < 2) {
        out[base + a] = radius[base + a]!
        continue
      }
      // Closed form of the quadratic fit's middle value for a symmetrical window of 2 m + 1.
      let sum = 0
      const norm = ((2 * m - 1) * (2 * m + 1) * (2 * m + 3)) / 3
      for (let k = -m; k <= m; k++) sum += (3 * m * m + 3 * m - 1 - 5 * k * k) * radius[base + a + k]!
      out[base + a] = sum / norm
    }
  }
  return out
}
