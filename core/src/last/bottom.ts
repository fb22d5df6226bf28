import { smoothstep, type Curve1 } from '../geometry/interpolate.ts'
import type { LastMeasures } from '../model/last.ts'
import type { Side } from '../trade/side.ts'
import { REFERENCE_LENGTH, STATIONS } from './frame.ts'

/** The bottom of the last: its centre profile and how the feather stands above it, mm. */
export interface BottomShape {
  /** Height of the centre line over the ground at x. */
  centre: Curve1
  /** Height of the feather at x for a given distance from the centre plane. */
  feather: (side: Side, x: number, offCentre: number) => number
  /** Depth of the belly below the straight line from feather to feather, at q in -1..1 across a given width. */
  belly: (width: number, q: number) => number
}

/** Quintic Hermite on [0, b] from value, slope and second derivative at both ends. */
function quinticHermite(b: number, v0: number, d0: number, s0: number, v1: number, d1: number, s1: number): Curve1 {
  const c0 = v0
  const c1 = d0 * b
  const c2 = (s0 * b * b) / 2
  const r = v1 - c0 - c1 - c2
  const rd = d1 * b - c1 - 2 * c2
  const rs = s1 * b * b - 2 * c2
  const c3 = 10 * r - 4 * rd + rs / 2
  const c4 = -15 * r + 7 * rd - rs
  const c5 = 6 * r - 3 * rd + rs / 2
  return (x) => {
    const t = x / b
    return c0 + t * (c1 + t * (c2 + t * (c3 + t * (c4 + t * c5))))
  }
}

/** The measures that shape the bottom. */
export type BottomMeasures = Pick<
  LastMeasures,
  'length' | 'heelHeight' | 'seatSlope' | 'toeSpring' | 'jointWidth' | 'arch'
>

/** How far forward the seat runs straight, as a share of L. */
const SEAT_ENDS = 0.2

/**
 * Height of the bottom behind the tread. The seat is a straight platform to 0.2 L, at a share of the mean slope; from
 * its end the waist falls to the tread as a quintic that leaves the seat without a bend and comes level to the ground
 * with the forepart's own: it turns once. Without a figure for the seat it is the one quintic of older lasts, with
 * the slope -0.35 heel / tread and no curvature at the heel back.
 */
function behindTread(m: BottomMeasures, tread: number, bend: number): Curve1 {
  const mean = m.heelHeight / tread
  if (m.seatSlope === null) return quinticHermite(tread, m.heelHeight, -0.35 * mean, 0, 0, 0, bend)
  const slope = -m.seatSlope * mean
  const end = SEAT_ENDS * m.length
  const waist = quinticHermite(tread - end, m.heelHeight + slope * end, slope, 0, 0, 0, bend)
  return (x) => (x <= end ? m.heelHeight + slope * x : waist(x - end))
}

/**
 * Bottom profile: it touches the ground at the tread point and rises to the toe as a parabola, to the seat by way of
 * the waist. Derivation: docs/geometry.md, "The last".
 */
export function bottomShape(m: BottomMeasures): BottomShape {
  const k = m.length / REFERENCE_LENGTH
  const tread = STATIONS.tread * m.length
  const front = m.length - tread
  const bend = (2 * m.toeSpring) / (front * front)
  const behind = behindTread(m, tread, bend)
  const cam = 3 * k
  const centre: Curve1 = (x) => (x >= tread ? m.toeSpring * ((x - tread) / front) ** 2 : behind(x))
  return {
    centre,
    feather: (side, x, offCentre) => {
      const t = x / m.length
      const rise = cam * Math.min(1, (offCentre / (m.jointWidth / 2)) ** 2)
      const hollow =
        side === 'medial' ? 4.5 * k * (m.arch / 0.2) * smoothstep(0.2, 0.44, t) * (1 - smoothstep(0.46, 0.68, t)) : 0
      return centre(x) + rise + hollow
    },
    belly: (width, q) => cam * Math.min(1, (width / m.jointWidth) ** 2) * (1 - q * q),
  }
}
