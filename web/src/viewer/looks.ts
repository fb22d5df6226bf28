import type { Vec3 } from '@gentle-awl/core'

/** Ways to look at a last; the lateral side of the right foot looks towards -y. */
export const looks = ['lateral', 'medial', 'top', 'bottom', 'front', 'back', 'corner'] as const
export type Look = (typeof looks)[number]
export const lookNames: Record<Look, string> = {
  lateral: 'Lateral',
  medial: 'Medial',
  top: 'Top',
  bottom: 'Bottom',
  front: 'Toe',
  back: 'Heel',
  corner: 'Corner',
}

const DIRECTIONS: Record<Look, Vec3> = {
  lateral: [0, -1, 0.04],
  medial: [0, 1, 0.04],
  top: [0, -0.01, 1],
  bottom: [0, -0.01, -1],
  front: [1, 0, 0.08],
  back: [-1, 0, 0.08],
  corner: [0.62, -0.72, 0.42],
}

/** How wide the eye sees from top to bottom, degrees. */
export const EYE = 28

/** Where something is looked at from, and where to, mm. */
export interface Pose {
  from: Vec3
  to: Vec3
}

/** Points of what is looked at, x, y, z after each other, on a right foot; which foot it is; and the surface, across through down. */
export interface Looked {
  points: Float64Array | Float32Array
  foot: 'right' | 'left'
  aspect: number
}

/** So much of the surface is filled, from one side to the other or from top to bottom. */
const FILLED = 0.9
/** What is nearest looks no more than so many times as large as what is farthest: from nearer a toe is all there is. */
const DEEPEST = 2

/** A box round points: its middle, its longest side and its top. */
export function middleOf(points: Float64Array | Float32Array): { centre: Vec3; size: number; top: number } {
  const low: [number, number, number] = [Infinity, Infinity, Infinity]
  const high: [number, number, number] = [-Infinity, -Infinity, -Infinity]
  for (let i = 0; i < points.length; i++) {
    const axis = (i % 3) as 0 | 1 | 2
    low[axis] = Math.min(low[axis], points[i]!)
    high[axis] = Math.max(high[axis], points[i]!)
  }
  const mid = (axis: 0 | 1 | 2) => (low[axis] + high[axis]) / 2
  const size = Math.max(high[0] - low[0], high[1] - low[1], high[2] - low[2])
  return { centre: [mid(0), mid(1), mid(2)], size, top: high[2] }
}

/**
 * Where to stand so that everything is seen and fills the surface. With d the direction from the middle to the eye,
 * r and u what is right and up from there, a point p (from the middle) lies w = away - p·d before the eye, and is seen
 * where |p·r| <= w tan(eye / 2) aspect and |p·u| <= w tan(eye / 2): the nearest place from which that holds for all, but
 * no nearer than depth allows: (away - far) / (away - near) is how much larger the nearest looks than the farthest.
 */
export function poseOf(look: Look, { points, foot, aspect }: Looked): Pose {
  const [x, y, z] = DIRECTIONS[look]
  const side = foot === 'left' ? -1 : 1
  const norm = Math.hypot(x, y, z)
  const [dx, dy, dz] = [x / norm, (side * y) / norm, z / norm]
  const flat = Math.hypot(dx, dy)
  // Right is z cross d, up is d cross right.
  const [rx, ry] = [-dy / flat, dx / flat]
  const [ux, uy, uz] = [-dz * ry, dz * rx, dx * ry - dy * rx]
  const { centre } = middleOf(points)
  const to: Vec3 = [centre[0], side * centre[1], centre[2]]
  const half = Math.tan((EYE * Math.PI) / 360) * FILLED
  let away = 0
  let [near, far] = [-Infinity, Infinity]
  for (let i = 0; i < points.length; i += 3) {
    const [px, py, pz] = [points[i]! - to[0], side * points[i + 1]! - to[1], points[i + 2]! - to[2]]
    const across = Math.abs(px * rx + py * ry) / (half * aspect)
    const down = Math.abs(px * ux + py * uy + pz * uz) / half
    const towards = px * dx + py * dy + pz * dz
    away = Math.max(away, towards + Math.max(across, down))
    near = Math.max(near, towards)
    far = Math.min(far, towards)
  }
  away = Math.max(away, (DEEPEST * near - far) / (DEEPEST - 1))
  return { from: [to[0] + away * dx, to[1] + away * dy, to[2] + away * dz], to }
}
