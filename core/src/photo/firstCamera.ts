import { leastSquares } from '../geometry/linearSolve.ts'
import type { Point } from '../geometry/path.ts'
import type { Camera } from './camera.ts'

/** Focal length of a telephone's camera over the longer side of its pictures, as a rule. */
export const FOCAL = 0.8

/** Homography from plane to picture by direct linear transform, nine figures, the last one 1. */
function homography(plane: readonly Point[], seen: readonly Point[]): number[] | null {
  const rows: number[][] = []
  const values: number[] = []
  plane.forEach(([x, y], i) => {
    const [u, v] = seen[i]!
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y])
    values.push(u, v)
  })
  const h = leastSquares(rows, values)
  return h ? [...h, 1] : null
}

/**
 * A first camera from a homography (Zhang 2000: the two columns of the rotation are square to each other and equally long),
 * its middle taken for the picture's; the focal length is the usual one where the picture was taken straight from above.
 */
function cameraOf(h: readonly number[], width: number, height: number): Camera {
  const [cx, cy] = [(width - 1) / 2, (height - 1) / 2]
  const long = Math.max(width, height)
  const columns = [0, 1, 2].map((k) => [h[k]! - cx * h[6 + k]!, h[3 + k]! - cy * h[6 + k]!, h[6 + k]!] as const)
  const [a, b, t] = columns as [(typeof columns)[0], (typeof columns)[0], (typeof columns)[0]]
  const [A, C] = [a[0] * b[0] + a[1] * b[1], a[2] * b[2]]
  const [B, D] = [a[0] ** 2 + a[1] ** 2 - b[0] ** 2 - b[1] ** 2, a[2] ** 2 - b[2] ** 2]
  const inverse = -(A * C + B * D) / (A * A + B * B)
  const found = inverse > 0 ? 1 / Math.sqrt(inverse) : 0
  const f = found > 0.4 * long && found < 3 * long ? found : FOCAL * long
  const ray = (c: (typeof columns)[0]): [number, number, number] => [c[0] / f, c[1] / f, c[2]]
  const length = (v: readonly number[]) => Math.hypot(v[0]!, v[1]!, v[2]!)
  let [p, q, s] = [ray(a), ray(b), ray(t)]
  const scale = (s[2] < 0 ? -2 : 2) / (length(p) + length(q))
  p = p.map((v) => v * scale) as typeof p
  q = q.map((v) => v * scale) as typeof q
  s = s.map((v) => v * scale) as typeof s
  // The nearest pair of unit vectors square to each other, by half and half.
  const dot = p[0] * q[0] + p[1] * q[1] + p[2] * q[2]
  const e1 = p.map((v, i) => v - (dot / 2) * q[i]!)
  const e2 = q.map((v, i) => v - (dot / 2) * p[i]!)
  const [n1, n2] = [length(e1), length(e2)]
  const x = e1.map((v) => v / n1) as typeof p
  const square = (e2[0]! * x[0] + e2[1]! * x[1] + e2[2]! * x[2]) / n2
  const y0 = e2.map((v, i) => v / n2 - square * x[i]!)
  const ny = length(y0)
  const y = y0.map((v) => v / ny) as typeof p
  const z = [x[1] * y[2] - x[2] * y[1], x[2] * y[0] - x[0] * y[2], x[0] * y[1] - x[1] * y[0]] as const
  return {
    f,
    cx,
    cy,
    k1: 0,
    k2: 0,
    rotation: [x[0], y[0], z[0], x[1], y[1], z[1], x[2], y[2], z[2]],
    shift: s,
  }
}

/** A camera that about sees points of the mat (mm) where they were seen (px); null when they do not settle one. */
export function firstCamera(
  plane: readonly Point[],
  seen: readonly Point[],
  width: number,
  height: number,
): Camera | null {
  const long = Math.max(width, height)
  const middle: Point = [
    plane.reduce((s, p) => s + p[0], 0) / plane.length,
    plane.reduce((s, p) => s + p[1], 0) / plane.length,
  ]
  // About the middle of what is seen, where the homography's last figure cannot vanish, and in units near one.
  const h = homography(
    plane.map((p) => [(p[0] - middle[0]) / 100, (p[1] - middle[1]) / 100]),
    seen.map((p) => [p[0] / long, p[1] / long]),
  )
  if (!h) return null
  const inMm = [0, 1, 2].flatMap((row) => {
    const size = row < 2 ? long : 1
    const [a, b] = [(h[3 * row]! / 100) * size, (h[3 * row + 1]! / 100) * size]
    return [a, b, h[3 * row + 2]! * size - a * middle[0] - b * middle[1]]
  })
  return cameraOf(inMm, width, height)
}
