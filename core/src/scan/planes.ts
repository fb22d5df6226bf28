/** Where the upright half planes that cut a scan stand: they fan out near the heel and near the toe (shares of the length). */
export const FANS = { heel: 0.16, toe: 0.84 } as const
export const HEEL_PLANES = 36
export const MIDDLE_PLANES = 110
export const TOE_PLANES = 36
/** Parallel planes go on past the toe's axis, for the ridge. */
export const BEYOND_PLANES = 16
export const FAN_END = HEEL_PLANES + MIDDLE_PLANES + TOE_PLANES

/** Angles from straight down to straight up and a little past both, in steps of STEP degrees. */
export const STEP = 0.5
export const FROM = -100
export const ANGLES = 401
export const RAD = Math.PI / 180

export const planeCount = FAN_END + 1 + BEYOND_PLANES
export const middleStep = (length: number) => ((FANS.toe - FANS.heel) * length) / MIDDLE_PLANES

/** Position of a place on the planes of one side: index (with fraction) and distance from their axis. u is positive outwards. */
export function planeOf(length: number, x: number, u: number): { plane: number; reach: number } {
  const heel = FANS.heel * length
  const toe = FANS.toe * length
  if (x < heel) {
    const angle = Math.atan2(u, heel - x)
    return { plane: (angle / (Math.PI / 2)) * HEEL_PLANES, reach: Math.hypot(u, heel - x) }
  }
  if (x > toe) {
    const angle = Math.atan2(x - toe, u)
    return {
      plane: HEEL_PLANES + MIDDLE_PLANES + (angle / (Math.PI / 2)) * TOE_PLANES,
      reach: Math.hypot(u, x - toe),
    }
  }
  return { plane: HEEL_PLANES + (x - heel) / middleStep(length), reach: u }
}

/** A point of plane p at a distance r from its axis: x and u. */
export function onPlane(length: number, p: number, r: number): { x: number; u: number } {
  const heel = FANS.heel * length
  const toe = FANS.toe * length
  if (p < HEEL_PLANES) {
    const a = (p / HEEL_PLANES) * (Math.PI / 2)
    return { x: heel - r * Math.cos(a), u: r * Math.sin(a) }
  }
  if (p <= HEEL_PLANES + MIDDLE_PLANES) return { x: heel + (p - HEEL_PLANES) * middleStep(length), u: r }
  if (p <= FAN_END) {
    const a = ((p - HEEL_PLANES - MIDDLE_PLANES) / TOE_PLANES) * (Math.PI / 2)
    return { x: toe + r * Math.sin(a), u: r * Math.cos(a) }
  }
  return { x: toe + (p - FAN_END) * middleStep(length), u: r }
}

/** x of the parallel plane of an index, and the index of the parallel plane at x, for planes of the middle and beyond. */
export const parallelPlanes = Array.from({ length: MIDDLE_PLANES + 1 + BEYOND_PLANES }, (_, k) =>
  k <= MIDDLE_PLANES ? HEEL_PLANES + k : FAN_END + (k - MIDDLE_PLANES),
)

export const axisX = (length: number, p: number): number =>
  p < HEEL_PLANES
    ? FANS.heel * length
    : p > HEEL_PLANES + MIDDLE_PLANES && p <= FAN_END
      ? FANS.toe * length
      : onPlane(length, p, 0).x
