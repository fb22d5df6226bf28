import { gaussianSmooth, lerp, pchip, sampled, smoothstep, type Curve1 } from '../geometry/interpolate.ts'
import type { LastMeasures } from '../model/last.ts'
import type { BottomShape } from './bottom.ts'

/** Heights of the ridge over the ground where the girths are read, and where the cone ends along x, mm: unknowns of the fit to girths. */
export interface RidgeFigures {
  coneFront: number
  instep: number
  waist: number
  joint: number
}

/** The centre line over the top, from the virtual dome over the cone to the end of the toe box. */
export interface Ridge {
  start: number
  end: number
  height: Curve1
  /** Sideways offset, positive to the lateral side. */
  sideways: Curve1
}

/** Height of the plane that cuts the cone, at x. */
export function coneCut(m: LastMeasures): number {
  return m.heelHeight + m.coneHeight
}

const SAMPLES = 400
/** Blur of the ridge heights, share of L: less leaves a knee at the waist. */
const BLUR = 0.04

export function ridgeLine(m: LastMeasures, bottom: BottomShape, figures: RidgeFigures): Ridge {
  const L = m.length
  const top = coneCut(m)
  const boxTop = bottom.centre(0.905 * L) + m.toeBoxHeight
  const raw = pchip([
    [0.1 * L, top + 15],
    [0.2 * L, top + 15],
    [0.3 * L, top + 14],
    [figures.coneFront, top],
    [0.535 * L, figures.instep],
    [0.61 * L, figures.waist],
    [0.69 * L, figures.joint],
    [0.8 * L, lerp(figures.joint, boxTop, 0.6)],
    [0.905 * L, boxTop],
    [0.98 * L, boxTop - 0.2 * 0.075 * L],
  ])
  const samples = Float64Array.from({ length: SAMPLES + 1 }, (_, i) => raw((i / SAMPLES) * L))
  const height = sampled(gaussianSmooth(samples, BLUR * SAMPLES, false), 0, L)
  return {
    start: 0.13 * L,
    end: 0.905 * L,
    height,
    sideways: (x) => -0.017 * L * smoothstep(0.3, 0.66, x / L) * (1 - smoothstep(0.68, 0.905, x / L)),
  }
}
