import type { Point } from './path.ts'

/** Rigid turn and move (no mirror) that takes points `from` onto `to` best: Procrustes in the plane, closed form. */
export function procrustes(from: readonly Point[], to: readonly Point[]): (p: Point) => Point {
  const middle = (list: readonly Point[]): Point => [
    list.reduce((s, p) => s + p[0], 0) / list.length,
    list.reduce((s, p) => s + p[1], 0) / list.length,
  ]
  const [a, b] = [middle(from), middle(to)]
  let cos = 0
  let sin = 0
  from.forEach((p, i) => {
    const [px, py] = [p[0] - a[0], p[1] - a[1]]
    const [qx, qy] = [to[i]![0] - b[0], to[i]![1] - b[1]]
    cos += px * qx + py * qy
    sin += px * qy - py * qx
  })
  const l = Math.hypot(cos, sin) || 1
  const [c, s] = [cos / l, sin / l]
  return (p) => {
    const [x, y] = [p[0] - a[0], p[1] - a[1]]
    return [c * x - s * y + b[0], s * x + c * y + b[1]]
  }
}
