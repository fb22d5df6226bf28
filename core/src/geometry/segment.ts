import type { Point } from './path.ts'

/** The square of the distance from (x, y) to the straight line from a to b, mm². */
export function squaredToSegment(x: number, y: number, a: Point, b: Point): number {
  const dx = b[0] - a[0]
  const dy = b[1] - a[1]
  const squared = dx * dx + dy * dy
  const along = squared > 0 ? ((x - a[0]) * dx + (y - a[1]) * dy) / squared : 0
  const t = along < 0 ? 0 : along > 1 ? 1 : along
  const ex = a[0] + dx * t - x
  const ey = a[1] + dy * t - y
  return ex * ex + ey * ey
}
