import { orientation } from './orientation.ts'
import type { Path, Point } from './path.ts'

/** Convex hull, counter-clockwise (Andrew's monotone chain): the way a tight tape lies round a section. */
export function convexHull(points: readonly Point[]): Path {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1])
  if (sorted.length < 3) return sorted
  const half = (list: Point[]): Point[] => {
    const chain: Point[] = []
    for (const p of list) {
      while (chain.length >= 2 && orientation(chain[chain.length - 2]!, chain[chain.length - 1]!, p) <= 0) chain.pop()
      chain.push(p)
    }
    chain.pop()
    return chain
  }
  return [...half(sorted), ...half(sorted.reverse())]
}
