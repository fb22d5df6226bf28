import { boxOf, contains, type Path, type Point } from '@gentle-awl/core'

/** Places are tried on a net of so many steps each way. */
const STEPS = 14

/**
 * Where a label of some size (mm) lies wholly inside an outline, nearest to `from` and clear of a point by half its own size;
 * null where the outline has no room for it.
 */
export function labelInside(path: Path, size: { width: number; height: number }, from: Point): Point | null {
  const b = boxOf(path)
  const [w, h] = [size.width / 2, size.height / 2]
  let best: Point | null = null
  let near = Infinity
  for (let i = 1; i < STEPS; i++) {
    for (let j = 1; j < STEPS; j++) {
      const x = b.minX + ((b.maxX - b.minX) * i) / STEPS
      const y = b.minY + ((b.maxY - b.minY) * j) / STEPS
      // The arrow runs level through `from` as a rule: a name on it cannot be read.
      if (Math.abs(y - from[1]) < 1.4 * h && Math.abs(x - from[0]) < 2 * w) continue
      const away = Math.hypot(x - from[0], y - from[1])
      if (away >= near) continue
      const corners: Point[] = [-1, 0, 1].flatMap((p) => [-1, 1].map((q): Point => [x + p * w, y + q * h]))
      if (!corners.every((c) => contains(path, c))) continue
      best = [x, y]
      near = away
    }
  }
  return best
}
