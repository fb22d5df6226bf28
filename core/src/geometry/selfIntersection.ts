import { orientation } from './orientation.ts'
import type { Point } from './path.ts'

/** Whether c and d lie on the two sides of the line through a and b, and on neither of them. */
const parted = (a: Point, b: Point, c: Point, d: Point): boolean =>
  Math.sign(orientation(a, b, c)) * Math.sign(orientation(a, b, d)) < 0

function cross(a: Point, b: Point, c: Point, d: Point): boolean {
  return parted(a, b, c, d) && parted(c, d, a, b)
}

/**
 * Whether a closed line crosses itself: the first two of its edges (by number) that do, or null. Edges are sorted by
 * their left end and compared only while they overlap in x. A flat sheet without flipped triangles lies on itself
 * exactly when its edge does.
 */
export function firstSelfIntersection(loop: readonly Point[]): [number, number] | null {
  const n = loop.length
  const at = (i: number) => loop[i % n]
  const edges = Array.from({ length: n }, (_, i) => {
    const [a, b] = [at(i), at(i + 1)]
    return {
      i,
      from: Math.min(a![0], b![0]),
      to: Math.max(a![0], b![0]),
      low: Math.min(a![1], b![1]),
      high: Math.max(a![1], b![1]),
    }
  }).sort((a, b) => a.from - b.from)
  let open: typeof edges = []
  for (const e of edges) {
    open = open.filter((o) => o.to >= e.from)
    for (const o of open) {
      const apart = Math.abs(o.i - e.i)
      if (apart === 1 || apart === n - 1 || o.high < e.low || o.low > e.high) continue
      if (cross(at(o.i)!, at(o.i + 1)!, at(e.i)!, at(e.i + 1)!)) return [Math.min(o.i, e.i), Math.max(o.i, e.i)]
    }
    open.push(e)
  }
  return null
}

/** Whether no two sides of a closed line cross. */
export const isSimple = (loop: readonly Point[]): boolean => firstSelfIntersection(loop) === null
