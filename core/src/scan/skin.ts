import { leastSquares } from '../geometry/linearSolve.ts'
import type { Point } from '../geometry/path.ts'
import type { Vec3 } from '../geometry/vec3.ts'
import type { Side } from '../trade/side.ts'
import { sideSign } from '../last/frame.ts'
import type { HalfSections } from './halfSections.ts'
import { ANGLES, axisX, FAN_END, FANS, FROM, HEEL_PLANES, onPlane, planeOf, RAD, STEP } from './planes.ts'

/** The cut of plane p as points (distance from its axis, height), from straight down to straight up. */
export function cutLine(s: HalfSections, p: number): Point[] {
  const c = s.centre(axisX(s.length, p))
  const line: Point[] = []
  for (let a = Math.round((-90 - FROM) / STEP); a <= Math.round((90 - FROM) / STEP); a++) {
    const r = s.radius[p * ANGLES + a]!
    const angle = (FROM + a * STEP) * RAD
    line.push([r * Math.cos(angle), c + r * Math.sin(angle)])
  }
  return line
}

/** The surface point seen from the centre through q (frame coordinates), by linear look-up in the table of q's side. */
export function surfaceThrough(sides: Record<Side, HalfSections>, q: Vec3): Vec3 {
  const side: Side = q[1] > 0 ? 'medial' : 'lateral'
  const s = sides[side]
  const toY = -sideSign(side)
  const { plane, reach } = planeOf(s.length, q[0], Math.abs(q[1]))
  const p = Math.min(FAN_END, Math.max(0, plane))
  const c = s.centre(p < HEEL_PLANES ? FANS.heel * s.length : Math.min(q[0], FANS.toe * s.length))
  const angle = Math.atan2(q[2] - c, reach) / RAD
  const a = Math.min(ANGLES - 1.001, Math.max(0, (angle - FROM) / STEP))
  const [i, k] = [Math.min(FAN_END - 1, Math.floor(p)), Math.floor(a)]
  const [t, w] = [p - i, a - k]
  const at = i * ANGLES + k
  const r =
    (s.radius[at]! * (1 - w) + s.radius[at + 1]! * w) * (1 - t) +
    (s.radius[at + ANGLES]! * (1 - w) + s.radius[at + ANGLES + 1]! * w) * t
  const angleRad = angle * RAD
  const out = onPlane(s.length, p, r * Math.cos(angleRad))
  return [out.x, toY * out.u, c + r * Math.sin(angleRad)]
}

/** Apex of the top over x on a parallel plane, from both sides: sideways place and height. */
export function topOf(sides: Record<Side, HalfSections>, p: number): { x: number; y: number; z: number } {
  const { length } = sides.lateral
  const x = onPlane(length, p, 0).x
  const points: Point[] = (['lateral', 'medial'] as const).flatMap((side) => {
    const s = sides[side]
    const c = s.centre(axisX(length, p))
    const list: Point[] = []
    for (let a = Math.round((40 - FROM) / STEP); a <= Math.round((90 - FROM) / STEP); a++) {
      const angle = (FROM + a * STEP) * RAD
      const r = s.radius[p * ANGLES + a]!
      list.push([-sideSign(side) * r * Math.cos(angle), c + r * Math.sin(angle)])
    }
    return list
  })
  const highest = points.reduce((m, q) => (q[1] > m[1] ? q : m))
  const near = points.filter((q) => Math.abs(q[0] - highest[0]) < 9)
  const fit = leastSquares(
    near.map(([y]) => [1, y, y * y]),
    near.map((q) => q[1]),
  )
  if (!fit || fit[2]! >= 0) return { x, y: highest[0], z: highest[1] }
  const y = Math.min(highest[0] + 5, Math.max(highest[0] - 5, -fit[1]! / (2 * fit[2]!)))
  return { x, y, z: fit[0]! + fit[1]! * y + fit[2]! * y * y }
}
