import type { Point } from '../geometry/path.ts'

/** Row by row. */
export type Rotation = readonly [number, number, number, number, number, number, number, number, number]

/**
 * A pinhole camera with a lens that bends (Brown 1971, two radial terms). A point of the mat (x to the right, y up, z towards
 * the camera, mm) is at X = R p + t in front of it (X to the right, Y down, Z away); with u = X / Z, v = Y / Z and r2 = u2 + v2
 * it is seen at (cx + f u s, cy + f v s), s = 1 + k1 r2 + k2 r2^2, in pixels.
 */
export interface Camera {
  f: number
  cx: number
  cy: number
  k1: number
  k2: number
  rotation: Rotation
  shift: readonly [number, number, number]
}

/** Where a point of the plane that lies `z` above the mat is seen, px. */
export function project({ f, cx, cy, k1, k2, rotation: r, shift: t }: Camera, x: number, y: number, z = 0): Point {
  const X = r[0] * x + r[1] * y + r[2] * z + t[0]
  const Y = r[3] * x + r[4] * y + r[5] * z + t[1]
  const Z = r[6] * x + r[7] * y + r[8] * z + t[2]
  const [u, v] = [X / Z, Y / Z]
  const r2 = u * u + v * v
  const s = 1 + r2 * (k1 + r2 * k2)
  return [cx + f * u * s, cy + f * v * s]
}

/** Rounds of Newton's method that straighten a ray: enough for lenses of telephones to a millionth of a pixel. */
const ROUNDS = 8

/** What is seen at a pixel, on the plane that lies `z` above the mat, mm. */
export function unproject(camera: Camera, px: number, py: number, z = 0): Point {
  const { f, cx, cy, k1, k2, rotation: r, shift: t } = camera
  const [du, dv] = [(px - cx) / f, (py - cy) / f]
  const seen = Math.hypot(du, dv)
  // The radius before the lens bent it: rho (1 + k1 rho^2 + k2 rho^4) = seen.
  let rho = seen
  for (let k = 0; k < ROUNDS; k++) {
    const q = rho * rho
    rho -= (rho * (1 + q * (k1 + q * k2)) - seen) / (1 + q * (3 * k1 + 5 * q * k2))
  }
  const back = seen > 0 ? rho / seen : 1
  const d = [du * back, dv * back, 1] as const
  // The ray from the camera's place C = -R' t along R' d meets z.
  const turned = (v: readonly [number, number, number]): [number, number, number] => [
    r[0] * v[0] + r[3] * v[1] + r[6] * v[2],
    r[1] * v[0] + r[4] * v[1] + r[7] * v[2],
    r[2] * v[0] + r[5] * v[1] + r[8] * v[2],
  ]
  const ray = turned(d)
  const c = turned([-t[0], -t[1], -t[2]])
  const far = (z - c[2]) / ray[2]
  return [c[0] + ray[0] * far, c[1] + ray[1] * far]
}

/** How far in front of the camera a place is, along its axis, mm; negative behind it. */
export const depthOf = ({ rotation: r, shift: t }: Camera, x: number, y: number, z = 0): number =>
  r[6] * x + r[7] * y + r[8] * z + t[2]

/** How high the camera was above the mat, mm, and how far it leaned from straight down, degrees. */
export function stanceOf({ rotation: r, shift: t }: Camera): { height: number; lean: number } {
  const height = -(r[2] * t[0] + r[5] * t[1] + r[8] * t[2])
  return { height, lean: (Math.acos(Math.min(1, Math.abs(r[8]))) * 180) / Math.PI }
}

/** Pixels that a millimetre of the mat is wide at a place. */
export function pixelsPerMm(camera: Camera, [x, y]: Point, z = 0): number {
  const o = project(camera, x, y, z)
  const a = project(camera, x + 1, y, z)
  const b = project(camera, x, y + 1, z)
  return Math.sqrt(Math.abs((a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0])))
}
