import type { Path } from './path.ts'
import { squaredToSegment } from './segment.ts'

/**
 * The furthest that a point of `from` lies from the closed line `to`, or `most` if none lies further: squared, mm². Each
 * point is held against the side in the same place first, since outlines that are compared are mostly nearly the same,
 * and is let go as soon as it is seen to lie nearer than the furthest so far.
 */
function furthest(from: Path, to: Path, most: number): number {
  const n = to.length
  let far = most
  for (let i = 0; i < from.length; i++) {
    const [x, y] = from[i]!
    const first = Math.floor((i * n) / from.length)
    let nearest = Infinity
    for (let k = 0; k < n && nearest > far; k++) {
      const at = first + k < n ? first + k : first + k - n
      nearest = Math.min(nearest, squaredToSegment(x, y, to[at]!, to[at + 1 < n ? at + 1 : 0]!))
    }
    far = Math.max(far, nearest)
  }
  return far
}

/** The furthest that a point of one closed outline lies from the other, both ways (Hausdorff, at their points), mm. */
export function hausdorffDistance(a: Path, b: Path): number {
  if (a.length === b.length && a.every((p, i) => p[0] === b[i]![0] && p[1] === b[i]![1])) return 0
  return Math.sqrt(furthest(b, a, furthest(a, b, 0)))
}
