import { longestInside } from '../geometry/longestInside.ts'
import type { Path, Point } from '../geometry/path.ts'
import { SAME } from '../geometry/tolerance.ts'

/** Tight direction of a part as an arrow on it: a vector of the part, which goes with it however it is turned or mirrored. */
export interface Grain {
  from: Point
  to: Point
}

/** The arrow takes so much of the room that there is, and is at most so long, mm. */
const SHARE = 0.62
const LONGEST = 70
/** It keeps so far from a fold or another line that runs along it, mm. */
const CLEAR = 7

/** An arrow in the middle of an outline, pointing `way`, as long as there is room, beside the lines in `avoid`. */
export function grainAlong(outline: Path, way: Point, avoid: readonly Path[] = []): Grain {
  const degrees = (Math.atan2(way[1], way[0]) * 180) / Math.PI
  const room = longestInside(outline, degrees, avoid, CLEAR) ?? longestInside(outline, degrees)
  if (!room) return { from: outline[0]!, to: outline[0]! }
  const [a, b] = room
  const length = Math.hypot(b[0] - a[0], b[1] - a[1])
  const half = Math.min(SHARE * length, LONGEST) / 2 / (length || 1)
  const at = (t: number): Point => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]
  return { from: at(0.5 - half), to: at(0.5 + half) }
}

/** From the toe to the heel on a part whose toe points along x. */
export const toeToHeel = (outline: Path, avoid: readonly Path[] = []): Grain => grainAlong(outline, [-1, 0], avoid)

/** The arrow as lines to draw: its shaft, and its tip of `size` mm. */
export function grainArrow({ from, to }: Grain, size = 3): Path[] {
  const l = Math.hypot(to[0] - from[0], to[1] - from[1])
  if (l < SAME) return []
  const [ux, uy] = [(to[0] - from[0]) / l, (to[1] - from[1]) / l]
  const barb = (side: number): Point => [
    to[0] - ux * size - uy * size * 0.4 * side,
    to[1] - uy * size + ux * size * 0.4 * side,
  ]
  return [
    [from, to],
    [barb(1), to, barb(-1)],
  ]
}
