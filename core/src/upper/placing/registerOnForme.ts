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

/** Points of a line are laid on the forme so far apart, mm: to see which beginning is worth it, and to lay it there. */
const STEP = { coarse: 14, fine: 4 }
/** Places along the feather from which the search begins, mm apart, and how many of them are followed to the end. */
const STARTS = 12
const FOLLOWED = 3
const ROUNDS = { coarse: 8, fine: 80 }
/** A round that moves nothing further than this is the last, mm. */
const STILL = 1e-4

interface Laid {
  place: OnForme
  off: number
}

/** Points of lines, drawn to the nearest places of the forme's over and over from a first place. */
function follow(lines: readonly Belongs[], first: OnForme, how: 'coarse' | 'fine'): Laid {
  const all = lines.map(({ line, on }) => ({
    on,
    points: resample(line, Math.max(3, Math.round(pathLength(line) / STEP[how]))),
  }))
  const from = all.flatMap((l) => l.points)
  const nearestTo = (laid: readonly Point[]) => {
    let n = 0
    return all.flatMap(({ on, points }) => points.map(() => nearest(on, laid[n++]!)))
  }
  let place = first
  let laid = from.map(place)
  let to = nearestTo(laid)
  for (let round = 0; round < ROUNDS[how]; round++) {
    place = procrustes(
      from,
      to.map((t) => t.point),
    )
    const next = from.map(place)
    const moved = Math.max(...next.map((p, i) => distance(p, laid[i]!)))
    laid = next
    to = nearestTo(laid)
    if (moved < STILL) break
  }
  return { place, off: Math.sqrt(to.reduce((s, t) => s + t.away ** 2, 0) / to.length) }
}

/**
 * Where a piece belongs on the forme: the rigid motion (turn and shift, as card is laid on a last's tape) after which its lines
 * lie nearest to those of the forme, in the mean of squares. Iterated closest points (Besl and McKay 1992) from the bottom line
 * laid on every stretch of the feather in turn, a few rounds with few points each; the best few are followed to the end, and the
 * best of these is it. `bottom` runs forwards, as the feather does.
 */
export function registerOnForme(bottom: Belongs, others: readonly Belongs[]): Laid {
  const long = pathLength(bottom.line)
  const spare = Math.max(0, pathLength(bottom.on) - long)
  const lines = [bottom, ...others]
  const ends: [Point, Point] = [bottom.line[0]!, bottom.line[bottom.line.length - 1]!]
  const begun = Array.from({ length: Math.ceil(spare / STARTS) + 1 }, (_, k): Laid => {
    const start = Math.min(k * STARTS, spare)
    return follow(lines, procrustes(ends, [pointAt(bottom.on, start), pointAt(bottom.on, start + long)]), 'coarse')
  })
  return begun
    .sort((a, b) => a.off - b.off)
    .slice(0, FOLLOWED)
    .map(({ place }) => follow(lines, place, 'fine'))
    .reduce((a, b) => (b.off < a.off ? b : a))
}
