import type { Point } from '../geometry/path.ts'
import { project, type Camera, type Rotation } from './camera.ts'
import { FOCAL } from './firstCamera.ts'

/** Where a sheet lies: turned by `angle` (radians), then moved, mm. */
export interface Pose {
  x: number
  y: number
  angle: number
}

/** A place of a sheet where the sheet lies. */
export const laidOut = ({ x, y, angle }: Pose, p: Point): Point => [
  Math.cos(angle) * p[0] - Math.sin(angle) * p[1] + x,
  Math.sin(angle) * p[0] + Math.cos(angle) * p[1] + y,
]

/** What is known of a telephone's camera before it is seen: focal length over the longer side, its middle, its lens; each with its spread. */
const PRIOR = { focal: FOCAL, focalSpread: 0.25, middle: 0.02, lens: 0.3 }
/** Unknowns of camera and ink; three more for each sheet but the first. */
export const COMMON = 12

/** Turned by a small rotation vector (Rodrigues 1840). */
function turnedBy(r: Rotation, w: readonly [number, number, number]): Rotation {
  const angle = Math.hypot(...w)
  const a = angle < 1e-9 ? 1 : Math.sin(angle) / angle
  const b = angle < 1e-9 ? 0.5 : (1 - Math.cos(angle)) / (angle * angle)
  const [x, y, z] = w
  const m = [
    1 - b * (y * y + z * z),
    b * x * y - a * z,
    b * x * z + a * y,
    b * x * y + a * z,
    1 - b * (x * x + z * z),
    b * y * z - a * x,
    b * x * z - a * y,
    b * y * z + a * x,
    1 - b * (x * x + y * y),
  ] as const
  const cell = (i: number, k: number) => m[3 * i]! * r[k]! + m[3 * i + 1]! * r[3 + k]! + m[3 * i + 2]! * r[6 + k]!
  return [cell(0, 0), cell(0, 1), cell(0, 2), cell(1, 0), cell(1, 1), cell(1, 2), cell(2, 0), cell(2, 1), cell(2, 2)]
}

/** A corner of a mark that was seen. */
export interface SeenCorner {
  plane: Point
  /** Outwards over the mark's corner, for ink that spreads. */
  out: Point
  seen: Point
  /** Of the sheets, which; 0 is the first. */
  sheet: number
}

/** What is looked for: the camera, how far ink has spread (mm), and where each sheet lies. */
export interface CameraState {
  camera: Camera
  spread: number
  poses: readonly Pose[]
}

/** The state moved by a step; figures of the camera are in shares of the longer side. */
export function moved({ camera, spread, poses }: CameraState, d: ArrayLike<number>, long: number): CameraState {
  return {
    camera: {
      f: camera.f + d[0]! * long,
      cx: camera.cx + d[1]! * long,
      cy: camera.cy + d[2]! * long,
      k1: camera.k1 + d[3]!,
      k2: camera.k2 + d[4]!,
      rotation: turnedBy(camera.rotation, [d[5]!, d[6]!, d[7]!]),
      shift: [camera.shift[0] + d[8]!, camera.shift[1] + d[9]!, camera.shift[2] + d[10]!],
    },
    spread: spread + d[11]!,
    poses: poses.map((pose, i) =>
      i === 0
        ? pose
        : {
            x: pose.x + d[COMMON + 3 * (i - 1)]!,
            y: pose.y + d[COMMON + 3 * (i - 1) + 1]!,
            angle: pose.angle + d[COMMON + 3 * (i - 1) + 2]!,
          },
    ),
  }
}
/** Steps for derivatives: what moves a corner by some hundredths of a pixel. */
export const stepOf = (k: number): number =>
  k < 3 ? 1e-5 : k < 8 ? 1e-6 : k < COMMON || (k - COMMON) % 3 < 2 ? 1e-3 : 1e-6

/** Where a corner is seen in a state, px. */
export function seenAt({ camera, spread, poses }: CameraState, c: SeenCorner): Point {
  const inked: Point = [c.plane[0] + spread * c.out[0], c.plane[1] + spread * c.out[1]]
  return project(camera, ...laidOut(poses[c.sheet]!, inked))
}

/** What the camera of a telephone is not likely to be, in units of its spread. */
export function unlikely({ camera, spread }: CameraState, width: number, height: number): number[] {
  const long = Math.max(width, height)
  return [
    (camera.f / long - PRIOR.focal) / PRIOR.focalSpread,
    (camera.cx - (width - 1) / 2) / long / PRIOR.middle,
    (camera.cy - (height - 1) / 2) / long / PRIOR.middle,
    camera.k1 / PRIOR.lens,
    camera.k2 / PRIOR.lens,
    spread / 0.2,
  ]
}

/** Which way ink spreads over the k-th corner of a mark, counted from its lower left. */
export const outOf = (corner: number): Point => [corner === 1 || corner === 2 ? 1 : -1, corner > 1 ? 1 : -1]
