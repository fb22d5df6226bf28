import { bisect, gaussianSmooth, smoothstep, sampled, type Curve1 } from '../geometry/interpolate.ts'
import { cross, dot, norm, scale, sub, unit, type Vec3 } from '../geometry/vec3.ts'
import type { LastMeasures } from '../model/last.ts'
import type { BottomShape } from './bottom.ts'
import type { Side } from '../trade/side.ts'
import { REFERENCE_LENGTH, sideSign, STATIONS } from './frame.ts'
import { outlineX, type PlanOutline } from './outline.ts'
import { swelling, type RibTables, type WallFullness } from './ribTables.ts'
import type { Ridge } from './ridge.ts'
import { TOE_PLANS } from './toes.ts'

/**
 * The ribs of one side: quartic Bezier curves from feather to ridge, tabulated over s, in side
 * coordinates (x, u, z) with u positive outwards on this side. `control` holds 5 x 3 numbers per sample.
 */
export interface SideRibs {
  side: Side
  samples: number
  control: Float64Array
}

/** What stays the same while ridge heights and wall fullness are sought: foot of the walls and shape tables. */
export interface Foundation {
  measures: LastMeasures
  /** Where the joints lie, x in mm from the heel back. */
  joints: Record<Side, number>
  /** Length of the body from the heel back to the toe tip, mm: that of the measures, or what a tracing makes it. */
  reach: number
  bottom: BottomShape
  tables: RibTables
  feather: Record<Side, FeatherLine>
}

/** Points of the feather line of one side with length and plan direction along it. */
export interface FeatherLine {
  share: Float64Array
  x: Float64Array
  u: Float64Array
  z: Float64Array
  tangentX: Float64Array
  tangentU: Float64Array
}

const FEATHER_SAMPLES = 360
const RIDGE_SAMPLES = 360

export function featherOf(outline: PlanOutline, bottom: BottomShape, side: Side): FeatherLine {
  const n = FEATHER_SAMPLES
  const at = (q: number): Vec3 => {
    const mirrored = q < 0 ? -q : q > 1 ? 2 - q : q
    const x = outlineX(outline, mirrored)
    const u = outline.halfWidth[side](x)
    return [x, mirrored === q ? u : -u, bottom.feather(side, x, u)]
  }
  const line: FeatherLine = {
    share: new Float64Array(n + 1),
    x: new Float64Array(n + 1),
    u: new Float64Array(n + 1),
    z: new Float64Array(n + 1),
    tangentX: new Float64Array(n + 1),
    tangentU: new Float64Array(n + 1),
  }
  let before: Vec3 | null = null
  let run = 0
  for (let i = 0; i <= n; i++) {
    const q = i / n
    const p = at(q)
    if (before) run += norm(sub(p, before))
    before = p
    line.share[i] = run
    ;[line.x[i], line.u[i], line.z[i]] = p
    const ahead = at(q + 0.002)
    const behind = at(q - 0.002)
    const len = Math.hypot(ahead[0] - behind[0], ahead[1] - behind[1])
    line.tangentX[i] = (ahead[0] - behind[0]) / len
    line.tangentU[i] = (ahead[1] - behind[1]) / len
  }
  for (let i = 0; i <= n; i++) line.share[i]! /= run
  return line
}

/** Value of a column tabulated against rising shares. */
function lookUp(share: Float64Array, column: Float64Array, at: number): number {
  let lo = 0
  let hi = share.length - 1
  while (hi - lo > 1) {
    const mid = (lo + hi) >> 1
    if (share[mid]! <= at) lo = mid
    else hi = mid
  }
  const span = share[hi]! - share[lo]!
  const t = span > 0 ? Math.min(1, Math.max(0, (at - share[lo]!) / span)) : 0
  return column[lo]! + (column[hi]! - column[lo]!) * t
}

/** Ridge point, tangent and profile curvature against its arc share. */
export class RidgeArc {
  readonly share = new Float64Array(RIDGE_SAMPLES + 1)
  readonly x = new Float64Array(RIDGE_SAMPLES + 1)
  private readonly bend: Curve1

  constructor(
    private readonly ridge: Ridge,
    private readonly length: number,
  ) {
    let run = 0
    for (let i = 0; i <= RIDGE_SAMPLES; i++) {
      const x = ridge.start + ((ridge.end - ridge.start) * i) / RIDGE_SAMPLES
      this.x[i] = x
      if (i > 0) {
        const p = this.x[i - 1]!
        run += Math.hypot(x - p, ridge.height(x) - ridge.height(p), ridge.sideways(x) - ridge.sideways(p))
      }
      this.share[i] = run
    }
    for (let i = 0; i <= RIDGE_SAMPLES; i++) this.share[i]! /= run
    const h = 0.02 * length
    const raw = Float64Array.from({ length: RIDGE_SAMPLES + 1 }, (_, i) => {
      const x = this.x[i]!
      const second = (ridge.height(x + h) - 2 * ridge.height(x) + ridge.height(x - h)) / (h * h)
      return -second / (1 + this.slope(x) ** 2) ** 1.5
    })
    this.bend = sampled(gaussianSmooth(raw, 6, false), ridge.start, ridge.end)
  }

  slope(x: number): number {
    const h = 0.01 * this.length
    return (this.ridge.height(x + h) - this.ridge.height(x - h)) / (2 * h)
  }

  shareOf(x: number): number {
    return lookUp(this.x, this.share, x)
  }

  xOf(share: number): number {
    return lookUp(this.share, this.x, share)
  }

  point(x: number, sign: number): Vec3 {
    return [x, sign * this.ridge.sideways(x), this.ridge.height(x)]
  }

  tangent(x: number, sign: number): Vec3 {
    const h = 0.01 * this.length
    return unit([1, (sign * (this.ridge.sideways(x + h) - this.ridge.sideways(x - h))) / (2 * h), this.slope(x)])
  }

  /** Convex curvature of the profile, 1/mm. */
  curvature(x: number): number {
    return this.bend(x)
  }
}

/** Share of the ridge arc that belongs to s: slow at both ends so that the seams do not crease. */
export function ridgeShares(arc: RidgeArc, length: number, samples: number): Float64Array {
  const joint = arc.shareOf(STATIONS.ridgeJoint * length)
  const fine = 400
  const weight = Float64Array.from({ length: fine + 1 }, (_, i) => {
    const s = i / fine
    return smoothstep(0, 0.06, s) * smoothstep(-0.02, 0.2, s) * (1 - smoothstep(0.74, 1, s))
  })
  const shares = (kappa: number): Float64Array => {
    const out = new Float64Array(fine + 1)
    for (let i = 1; i <= fine; i++) {
      const a = weight[i - 1]! * Math.exp((kappa * (i - 1)) / fine)
      const b = weight[i]! * Math.exp((kappa * i) / fine)
      out[i] = out[i - 1]! + (a + b) / 2
    }
    for (let i = 1; i <= fine; i++) out[i]! /= out[fine]!
    return out
  }
  const miss = (kappa: number) => sampled(shares(kappa), 0, 1)(STATIONS.jointShare) - joint
  const kappa = bisect(miss, -30, 30, 1e-6, 'a ridge that meets the joint')
  const look = sampled(shares(kappa), 0, 1)
  return Float64Array.from({ length: samples + 1 }, (_, i) => look(i / samples))
}

/** Feather shares over s, shifted so that the joint lies at the same s on both sides. */
function featherShare(line: FeatherLine, jointX: number): Curve1 {
  const atJoint = lookUp(line.x, line.share, jointX)
  const s0 = STATIONS.jointShare
  const delta = (atJoint - s0) / Math.sin(Math.PI * s0) ** 2
  return (s) => s + delta * Math.sin(Math.PI * s) ** 2
}

/**
 * Control points of all ribs of one side, one for each of the even values of s that `onRidge` was made for. Tangent-plane continuity over
 * the ridge and the cross-wise radius of the tables (Euler's formula) fix the last two points of every rib.
 */
export function sideRibs(
  base: Omit<Foundation, 'reach'>,
  arc: RidgeArc,
  onRidge: Float64Array,
  fullness: WallFullness,
  side: Side,
): SideRibs {
  const { measures: m, tables } = base
  const samples = onRidge.length - 1
  const L = m.length
  const k = L / REFERENCE_LENGTH
  const sign = sideSign(side)
  const line = base.feather[side]
  const shareOf = featherShare(line, base.joints[side])
  const toeBend = 1 / (1.3 * TOE_PLANS[m.toeShape].topRadius * k)
  const control = new Float64Array((samples + 1) * 15)
  for (let i = 0; i <= samples; i++) {
    const s = i / samples
    const a = shareOf(s)
    const F: Vec3 = [lookUp(line.share, line.x, a), lookUp(line.share, line.u, a), lookUp(line.share, line.z, a)]
    const tx = lookUp(line.share, line.tangentX, a)
    const tu = lookUp(line.share, line.tangentU, a)
    const tl = Math.hypot(tx, tu)
    const tau: Vec3 = [tx / tl, tu / tl, 0]
    const n: Vec3 = [-tau[1], tau[0], 0]
    const x = arc.xOf(onRidge[i]!)
    const R = arc.point(x, sign)
    const T = arc.tangent(x, sign)
    const toR = sub(R, F)
    const A = -dot(toR, n)
    const c = dot(toR, tau)
    const Z = toR[2]
    const lean = tables.lean[side](s) + swelling(fullness, s)
    const P1: Vec3 = [
      F[0] + n[0] * lean + tau[0] * 0.22 * c,
      F[1] + n[1] * lean + tau[1] * 0.22 * c,
      F[2] + tables.foot[side](s) * Z,
    ]
    const out = 0.4 * lean - tables.inward[side](s) * A
    const p2x = F[0] + n[0] * out + tau[0] * 0.66 * c
    const p2u = F[1] + n[1] * out + tau[1] * 0.66 * c
    // Shoulder heights follow the ridge's tangent in the forepart, or the toe turns into a duck's bill.
    const follow = R[2] + smoothstep(0.55, 0.85, s) * (T[2] / T[0]) * (p2x - R[0])
    const P2: Vec3 = [p2x, p2u, F[2] + tables.shoulder[side](s) * (follow - F[2])]
    const sideways: Vec3 = [0, 1, 0]
    const b = unit(sub(sideways, scale(T, dot(sideways, T))))
    const N = cross(T, b)
    const fr = sub(F, R)
    const along = dot(fr, T)
    const across = dot(fr, b)
    const l = Math.hypot(along, across)
    const cos2 = (along / l) ** 2
    const trueBend = Math.max(arc.curvature(x), 1 / 150)
    const blend = smoothstep(0.75, 0.97, s)
    const bend = (trueBend * (1 - blend) + toeBend * blend) * cos2 + (1 - cos2) / tables.radius(s)
    const D = Math.max(dot(sub(R, P2), N), 0.05)
    const h0 = Math.sqrt((0.75 * D) / bend)
    const h = h0 / (1 + (h0 / (0.62 * l)) ** 6) ** (1 / 6)
    const d: Vec3 = [
      (T[0] * along + b[0] * across) / l,
      (T[1] * along + b[1] * across) / l,
      (T[2] * along + b[2] * across) / l,
    ]
    const P3: Vec3 = [R[0] + h * d[0], R[1] + h * d[1], R[2] + h * d[2]]
    control.set([...F, ...P1, ...P2, ...P3, ...R], i * 15)
  }
  return { side, samples, control }
}

const blended = new Float64Array(15)

/** Point of the uncut surface, side coordinates, written to `out` at `offset`. s and w in 0..1. */
export function ribPoint(ribs: SideRibs, s: number, w: number, out: Float64Array, offset: number): void {
  const n = ribs.samples
  const q = Math.min(n, Math.max(0, s * n))
  const i = Math.min(n - 1, Math.floor(q))
  const t = q - i
  const t2 = t * t
  const t3 = t2 * t
  // Catmull-Rom; beyond heel and toe the surface goes on mirrored in u.
  const c0 = (-t3 + 2 * t2 - t) / 2
  const c1 = (3 * t3 - 5 * t2 + 2) / 2
  const c2 = (-3 * t3 + 4 * t2 + t) / 2
  const c3 = (t3 - t2) / 2
  const control = ribs.control
  const a = (i === 0 ? 1 : i - 1) * 15
  const b = i * 15
  const c = (i + 1) * 15
  const d = (i === n - 1 ? n - 1 : i + 2) * 15
  for (let k = 0; k < 15; k++) {
    const isU = k % 3 === 1
    const va = i === 0 && isU ? -control[a + k]! : control[a + k]
    const vd = i === n - 1 && isU ? -control[d + k]! : control[d + k]
    blended[k] = c0 * va! + c1 * control[b + k]! + c2 * control[c + k]! + c3 * vd!
  }
  const v = 1 - w
  const b0 = v * v * v * v
  const b1 = 4 * v * v * v * w
  const b2 = 6 * v * v * w * w
  const b3 = 4 * v * w * w * w
  const b4 = w * w * w * w
  for (let k = 0; k < 3; k++) {
    out[offset + k] =
      b0 * blended[k]! + b1 * blended[3 + k]! + b2 * blended[6 + k]! + b3 * blended[9 + k]! + b4 * blended[12 + k]!
  }
}
