import type { Point } from './path.ts'

/** Twice the signed area of a, b, c. */
const turn = (a: Point, b: Point, c: Point) => (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])

function cross(a: Point, b: Point, c: Point, d: Point): boolean {
  return turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0
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
