import { GeometryError } from '../geometry/path.ts'
import type { LastMeasures } from '../model/last.ts'
import { bottomShape } from './bottom.ts'
import { buildSurface, COARSE, FINE, layFoundation, type FreeFigures, type Resolution } from './build.ts'
import { REFERENCE_LENGTH, STATIONS } from './frame.ts'
import { girthPlanes, landmarks } from './landmarks.ts'
import type { Foundation } from './ribs.ts'
import { girth } from './section.ts'
import type { LastSurface } from './surface.ts'

const TARGETS = ['joint', 'waist', 'instep'] as const
/** A generated last meets its girths at least this closely, mm. */
export const GIRTH_TOLERANCE = 0.05
const ROUNDS = 8
const PRIOR_HEIGHT = 5
const PRIOR_FULLNESS = 2.5

/** Ridge heights that look natural for a joint girth: from the bottom point of each tape to its ridge point. */
function naturalFigures(m: LastMeasures): FreeFigures {
  const bottom = bottomShape(m)
  const L = m.length
  const ridgeOver = (ridge: number, below: number, share: number) => {
    const run = (ridge - below) * L
    const reach = share * m.jointGirth
    return bottom.centre(below * L) + Math.sqrt(Math.max(reach * reach - run * run, 1))
  }
  return {
    heights: {
      instep: ridgeOver(STATIONS.ridgeInstep, STATIONS.bottomInstep, 0.333),
      waist: ridgeOver(STATIONS.ridgeWaist, STATIONS.bottomWaist, 0.262),
      joint: bottom.centre(STATIONS.ridgeJoint * L) + 0.212 * m.jointGirth,
    },
    fullness: { instep: 0, waist: 0, joint: 0 },
    insets: { heel: (3 * L) / REFERENCE_LENGTH, toe: (1.5 * L) / REFERENCE_LENGTH },
  }
}

function readings(base: Foundation, free: FreeFigures, res: Resolution): [number[], LastSurface] {
  const surface = buildSurface(base, free, res)
  const planes = girthPlanes(landmarks(surface))
  return [TARGETS.map((t) => girth(surface, planes[t])), surface]
}

function moved(natural: FreeFigures, q: readonly number[]): FreeFigures {
  return {
    ...natural,
    heights: {
      instep: natural.heights.instep + q[0],
      waist: natural.heights.waist + q[1],
      joint: natural.heights.joint + q[2],
    },
    fullness: { instep: q[3], waist: q[4], joint: q[5] },
  }
}

/** Solves a 3 x 3 system by Cramer's rule; null when it is singular. */
function solve3(a: number[][], b: number[]): number[] | null {
  const det = (m: number[][]) =>
    m[0][0] * (m[1][1] * m[2][2] - m[1][2] * m[2][1]) -
    m[0][1] * (m[1][0] * m[2][2] - m[1][2] * m[2][0]) +
    m[0][2] * (m[1][0] * m[2][1] - m[1][1] * m[2][0])
  const d = det(a)
  if (Math.abs(d) < 1e-12) return null
  return [0, 1, 2].map((c) => det(a.map((row, i) => row.map((v, j) => (j === c ? b[i] : v)))) / d)
}

/**
 * The canonical surface of a last with the given measures. Girths at joint, waist and instep are met within
 * GIRTH_TOLERANCE by moving three ridge heights and three wall fullnesses as little as possible
 * (minimum-norm Gauss-Newton under a Gaussian prior, q = C J' (J C J')^-1 (J q - r)).
 * Throws GeometryError naming the girth that cannot be met.
 */
export function generateLast(m: LastMeasures): LastSurface {
  const natural = naturalFigures(m)
  const base = layFoundation(m, natural)
  const prior = [0, 1, 2].map(() => PRIOR_HEIGHT ** 2).concat([0, 1, 2].map(() => PRIOR_FULLNESS ** 2))
  const wanted = [m.jointGirth, m.waistGirth, m.instepGirth]
  let q = [0, 0, 0, 0, 0, 0]
  let [got, surface] = readings(base, natural, FINE)
  let jacobian: number[][] | null = null
  for (let round = 0; round < ROUNDS; round++) {
    const r = got.map((g, i) => g - wanted[i])
    if (r.every((v) => Math.abs(v) < GIRTH_TOLERANCE)) return surface
    if (!jacobian || round === 3) jacobian = slopes(base, natural, q)
    const J: number[][] = jacobian
    const JCJ = [0, 1, 2].map((i) => [0, 1, 2].map((j) => J[i].reduce((s, v, k) => s + v * prior[k] * J[j][k], 0)))
    const rhs = [0, 1, 2].map((i) => J[i].reduce((s, v, k) => s + v * q[k], 0) - r[i])
    const lambda = solve3(JCJ, rhs)
    if (!lambda) break
    q = prior.map((c, k) => c * (J[0][k] * lambda[0] + J[1][k] * lambda[1] + J[2][k] * lambda[2]))
    if (q.slice(0, 3).some((v) => Math.abs(v) > 40) || q.slice(3).some((v) => Math.abs(v) > 25)) break
    ;[got, surface] = readings(base, moved(natural, q), FINE)
  }
  const misses = got.map((g, i) => ({ name: TARGETS[i], wanted: wanted[i], off: g - wanted[i] }))
  const worst = misses.reduce((a, b) => (Math.abs(b.off) > Math.abs(a.off) ? b : a))
  if (Math.abs(worst.off) < GIRTH_TOLERANCE) return surface
  throw new GeometryError(
    `The ${worst.name} girth of ${worst.wanted} mm cannot be met with these widths and heights ` +
      `(the nearest is ${(worst.wanted + worst.off).toFixed(1)} mm). Measure it again, or change the width there.`,
  )
}

/** Slopes of the three girths by the six figures, from a coarse surface by one-sided differences. */
function slopes(base: Foundation, natural: FreeFigures, q: readonly number[]): number[][] {
  const at = (p: readonly number[]) => readings(base, moved(natural, p), COARSE)[0]
  const here = at(q)
  const columns = q.map((_, k) => at(q.map((v, i) => (i === k ? v + 1 : v))))
  return here.map((h, i) => columns.map((c) => c[i] - h))
}
