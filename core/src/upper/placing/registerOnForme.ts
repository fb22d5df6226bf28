import { nearest, pointAt, resample } from '../../geometry/polyline.ts'
import { distance, pathLength, type Path, type Point } from '../../geometry/path.ts'
import { procrustes } from '../../geometry/procrustes.ts'

/** A line of a piece and the line of the forme on which it belongs. */
export interface Belongs {
  line: Path
  on: Path
}

/** How a drawing is turned and moved on to the forme. */
export type OnForme = (p: Point) => Point

/** Points of a line are laid on the forme so far apart, mm. */
const STEP = 4
/** Places along the feather from which the search begins, mm apart. */
const STARTS = 12
const ROUNDS = 60
/** A round that moves nothing further than this is the last, mm. */
const STILL = 1e-4

/**
 * Where a piece belongs on the forme: the rigid motion (turn and shift, as card is laid on a last's tape) after which its lines
 * lie nearest to those of the forme, in the mean of squares. Iterated closest points (Besl and McKay 1992) from the bottom line
 * laid on every stretch of the feather in turn; the best of all. `bottom` runs forwards, as the feather does.
 */
export function registerOnForme(bottom: Belongs, others: readonly Belongs[]): { place: OnForme; off: number } {
  const long = pathLength(bottom.line)
  const whole = pathLength(bottom.on)
  const all = [bottom, ...others].map(({ line, on }) => ({
    on,
    points: resample(line, Math.max(3, Math.round(pathLength(line) / STEP))),
  }))
  const from = all.flatMap((l) => l.points)
  let best: { place: OnForme; off: number } | null = null
  for (let at = 0; at <= Math.max(0, whole - long) + STARTS; at += STARTS) {
    const start = Math.min(at, Math.max(0, whole - long))
    const ends: [Point, Point] = [pointAt(bottom.on, start), pointAt(bottom.on, Math.min(whole, start + long))]
    let place = procrustes([bottom.line[0]!, bottom.line[bottom.line.length - 1]!], ends)
    let laid = from.map(place)
    for (let round = 0; round < ROUNDS; round++) {
      let n = 0
      const to = all.flatMap(({ on, points }) => points.map(() => nearest(on, laid[n++]!).point))
      place = procrustes(from, to)
      const next = from.map(place)
      const moved = Math.max(...next.map((p, i) => distance(p, laid[i]!)))
      laid = next
      if (moved < STILL) break
    }
    let n = 0
    const squares = all.flatMap(({ on, points }) => points.map(() => nearest(on, laid[n++]!).away ** 2))
    const off = Math.sqrt(squares.reduce((a, b) => a + b, 0) / squares.length)
    if (!best || off < best.off) best = { place, off }
  }
  return best!
}
