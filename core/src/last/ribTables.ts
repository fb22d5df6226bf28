import { gaussianSmooth, pchip, sampled, type Curve1, type Knots } from '../geometry/interpolate.ts'
import type { LastMeasures } from '../model/last.ts'
import type { Side } from '../trade/side.ts'
import { REFERENCE_LENGTH } from './frame.ts'
import { TOE_PLANS } from './toes.ts'

/** Swelling of the walls at the four girths, mm, added to the foot of the rib: unknowns of the fit to girths. */
export interface WallFullness {
  heel: number
  instep: number
  waist: number
  joint: number
}

/** Shape figures of the ribs over s = 0 (heel back) to 1 (toe), per side. Meaning: docs/geometry.md, "The ribs". */
export interface RibTables {
  /** Outward lean at the foot of the wall, mm. */
  lean: Record<Side, Curve1>
  /** Height share of the foot's control point. */
  foot: Record<Side, Curve1>
  /** How far the shoulder comes in towards the ridge, share. */
  inward: Record<Side, Curve1>
  /** Height share of the shoulder. */
  shoulder: Record<Side, Curve1>
  /** Cross-wise radius over the ridge, mm. */
  radius: Curve1
}

const SAMPLES = 400
const BLUR = 0.03

/** Both sides as one closed loop (lateral s, medial 2 - s), so that heel and toe are smooth and shared. */
function loop(lateral: Knots, medial: Knots): Record<Side, Curve1> {
  const around: [number, number][] = [
    ...lateral.map(([s, v]): [number, number] => [s, v]),
    ...medial.filter(([s]) => s > 0 && s < 1).map(([s, v]): [number, number] => [2 - s, v]),
  ]
  around.sort((a, b) => a[0] - b[0])
  const wrapped = [-2, 0, 2].flatMap((shift) => around.map(([s, v]): [number, number] => [s + shift, v]))
  const raw = pchip(wrapped)
  const n = 2 * SAMPLES
  const smooth = gaussianSmooth(
    Float64Array.from({ length: n }, (_, i) => raw((i / n) * 2)),
    BLUR * SAMPLES,
    true,
  )
  const closed = new Float64Array(n + 1)
  closed.set(smooth)
  closed[n] = smooth[0]!
  const look = sampled(closed, 0, 2)
  return { lateral: (s) => look(s), medial: (s) => look(2 - s) }
}

const replace = (base: Knots, changes: Knots): Knots =>
  base.map(([s, v]) => changes.find(([q]) => q === s) ?? ([s, v] as const))

/** Outward swelling at s for the fullness at the three girths, mm. */
export function swelling(full: WallFullness, s: number): number {
  const g = (at: number) => Math.exp(-0.5 * ((s - at) / 0.07) ** 2)
  return full.heel * g(0.24) + full.instep * g(0.44) + full.waist * g(0.55) + full.joint * g(0.655)
}

export function ribTables(m: LastMeasures): RibTables {
  const k = m.length / REFERENCE_LENGTH
  const toe = TOE_PLANS[m.toeShape]
  const mmK = (knots: Knots): Knots => knots.map(([s, v]) => [s, v * k] as const)
  const leanLateral: Knots = [
    [0, 2.1 * m.backBulge],
    [0.1, 6.5],
    [0.22, 6],
    [0.38, 8],
    [0.5, 9],
    [0.655, 10.5],
    [0.78, 6.5],
    [0.9, 3.5],
    [1, 3],
  ]
  const lean = loop(
    mmK(leanLateral),
    mmK(
      replace(leanLateral, [
        [0.22, 7],
        [0.38, 13],
        [0.5, 16],
        [0.655, 9],
        [0.78, 5],
      ]),
    ),
  )
  const footLateral: Knots = [
    [0, 0.3],
    [0.15, 0.28],
    [0.38, 0.3],
    [0.5, 0.32],
    [0.655, 0.36],
    [0.8, 0.42],
    [1, 0.48],
  ]
  const inwardLateral: Knots = [
    [0, m.backIn],
    [0.1, 0.34],
    [0.2, 0.36],
    [0.36, 0.22],
    [0.44, 0.15],
    [0.53, 0.14],
    [0.655, 0.05],
    [0.8, 0.03],
    [0.9, 0.6 * m.toeSlope],
    [1, m.toeSlope],
  ]
  const shoulderLateral: Knots = [
    [0, 0.7],
    [0.2, 0.7],
    [0.38, 0.72],
    [0.5, 0.76],
    [0.655, 0.82],
    [0.8, 0.88],
    [1, 0.92],
  ]
  const radius: Knots = [
    [0, m.coneWidth / 2],
    [0.3, m.coneWidth / 2],
    [0.42, 0.55 * m.coneWidth],
    [0.46, 21 * k],
    [0.55, 24 * k],
    [0.655, 27 * k],
    [0.8, 1.05 * toe.topRadius * k],
    [0.9, toe.topRadius * k],
    [1, toe.topRadius * k],
  ]
  return {
    lean,
    foot: loop(
      footLateral,
      replace(footLateral, [
        [0.38, 0.32],
        [0.5, 0.36],
        [0.655, 0.4],
        [0.8, 0.44],
      ]),
    ),
    inward: loop(
      inwardLateral,
      replace(inwardLateral, [
        [0.36, 0.18],
        [0.44, 0.1],
        [0.53, 0.09],
        [0.655, -0.02],
        [0.8, 0],
      ]),
    ),
    shoulder: loop(
      shoulderLateral,
      replace(shoulderLateral, [
        [0.5, 0.78],
        [0.655, 0.86],
        [0.8, 0.9],
      ]),
    ),
    radius: loop(radius, radius).lateral,
  }
}
