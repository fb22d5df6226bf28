import type { Box, Point } from './path.ts'

/**
 * Does a straight stretch between two points touch a box? By clipping it on the box's four sides (Liang and Barsky 1984);
 * an edge belongs to the box. segmentMeetsBox([0, 0], [4, 4], { minX: 1, minY: 2, maxX: 3, maxY: 5 }) is true.
 */
export function segmentMeetsBox([x0, y0]: Point, [x1, y1]: Point, box: Box): boolean {
  const [dx, dy] = [x1 - x0, y1 - y0]
  let [t0, t1] = [0, 1]
  for (const [p, q] of [
    [-dx, x0 - box.minX],
    [dx, box.maxX - x0],
    [-dy, y0 - box.minY],
    [dy, box.maxY - y0],
  ] as const) {
    if (p === 0) {
      if (q < 0) return false
      continue
    }
    const t = q / p
    if (p < 0) t0 = Math.max(t0, t)
    else t1 = Math.min(t1, t)
    if (t0 > t1) return false
  }
  return true
}
