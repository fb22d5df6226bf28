import type { ToeShape } from '../model/last.ts'

/** How a toe is rounded in plan: length share and end width per side, exponent, and its radius over the top (mm at L = 290). */
export interface ToePlan {
  lateralShare: number
  medialShare: number
  exponent: number
  lateralEnd: number
  medialEnd: number
  topRadius: number
}

export const TOE_PLANS: Record<ToeShape, ToePlan> = {
  round: { lateralShare: 0.3, medialShare: 0.22, exponent: 2.2, lateralEnd: 0.5, medialEnd: 0.4, topRadius: 32 },
  almond: { lateralShare: 0.36, medialShare: 0.28, exponent: 1.85, lateralEnd: 0.46, medialEnd: 0.36, topRadius: 20 },
  'soft square': {
    lateralShare: 0.2,
    medialShare: 0.13,
    exponent: 2.3,
    lateralEnd: 0.47,
    medialEnd: 0.38,
    topRadius: 32,
  },
  pointed: {
    lateralShare: 0.46,
    medialShare: 0.38,
    exponent: 1.5,
    lateralEnd: 0.4,
    medialEnd: 0.31,
    topRadius: 12,
  },
  blunt: { lateralShare: 0.25, medialShare: 0.17, exponent: 2.35, lateralEnd: 0.53, medialEnd: 0.43, topRadius: 40 },
}
