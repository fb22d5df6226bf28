import { convexHull } from './convexHull.ts'
import { distance, type Path, type Point } from './path.ts'

/** How long an outline is at its longest, and how wide across that, mm. extentOf of a rectangle 30 by 40 is 50 and 48. */
export function extentOf(path: Path): { length: number; width: number } {
  const hull = convexHull(path)
  let length = 0
  let way: Point = [1, 0]
  for (const a of hull) {
    for (const b of hull) {
      const d = distance(a, b)
      if (d > length) [length, way] = [d, [(b[0] - a[0]) / d, (b[1] - a[1]) / d]]
    }
  }
  const across = hull.map(([x, y]) => way[0] * y - way[1] * x)
  return { length, width: hull.length > 0 ? Math.max(...across) - Math.min(...across) : 0 }
}
