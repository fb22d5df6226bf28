import type { Path } from './path.ts'
import { squaredToSegment } from './segment.ts'

/** Square of the least distance from the corners of `a` to the sides of `b`. */
function least(a: Path, b: Path): number {
  let best = Infinity
  for (const [x, y] of a) {
    let from = b[b.length - 1]!
    for (const to of b) {
      const d = squaredToSegment(x, y, from, to)
      if (d < best) best = d
      from = to
    }
  }
  return best
}

/**
 * How far two closed outlines that do not cross lie apart, mm. Two straight sides that do not cross are nearest at an end of
 * one of them, so that corners against sides, both ways, are all.
 */
export const distanceBetween = (a: Path, b: Path): number => Math.sqrt(Math.min(least(a, b), least(b, a)))
