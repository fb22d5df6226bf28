import type { FormeMap } from '../forme/formeMap.ts'
import { meet } from '../geometry/lineCrossing.ts'
import type { Path, Point } from '../geometry/path.ts'
import { subpathBetween } from '../geometry/subpath.ts'
import type { UpperDecisions } from '../model/upper.ts'
import type { Gathers } from './gathers.ts'

/** Stretches between marks, up the shaft. */
const STEPS = 6

/** A shaft that is opened for folds round the ankle. */
export interface ShaftFolds {
  /** Where a place of the forme comes to lie on the opened shaft. */
  place: (p: Point) => Point
  gathers: Gathers
}

/**
 * Folds round a shaft: above the sole nothing holds the leather, so the slashes run right across, from the front to the back,
 * and open parallel. Very many of them, evenly, stretch the shaft along the way in which it stands, between two levels; what is
 * above moves up by `total`. The lining stays as it was. Null where there are none. Throws GeometryError where front or back do not
 * reach from the one level to the other.
 */
export function shaftFolds(
  map: Pick<FormeMap, 'upright'>,
  { folds }: Pick<UpperDecisions, 'folds'>,
  { front, back }: { front: Path; back: Path },
  levels: { low: number; high: number },
): ShaftFolds | null {
  const total = folds.where === 'shaft' ? (folds.versions[folds.chosen] ?? 0) : 0
  if (total <= 0) return null
  const [ux, uy] = map.upright
  const { low, high } = levels
  const place = (p: Point): Point => {
    const share = Math.min(1, Math.max(0, (p[0] * ux + p[1] * uy - low) / (high - low)))
    return [p[0] + ux * total * share, p[1] + uy * total * share]
  }
  /** Where a line crosses a level. */
  const at = (line: Path, level: number): Point => {
    const middle: Point = [ux * level, uy * level]
    const across: Path = [
      [middle[0] - FAR * uy, middle[1] + FAR * ux],
      [middle[0] + FAR * uy, middle[1] - FAR * ux],
    ]
    return meet(line, across, ['edge of the shaft', 'folds of the shaft']).point
  }
  const marked = Array.from({ length: STEPS + 1 }, (_, k) => low + ((high - low) * k) / STEPS)
  const slashes = marked.map((level): Path => [at(front, level), at(back, level)])
  const full = subpathBetween(back, at(back, low), at(back, high))
  const before = subpathBetween(front, at(front, high), at(front, low))
  return {
    place,
    gathers: {
      slashes,
      marks: { centre: [], edges: slashes.flat() },
      // What is opened is so much everywhere between the levels.
      bands: [
        {
          area: [...full, ...before],
          full: [at(back, low), along(at(back, low), map.upright, high - low)],
          none: null,
          gained: total,
        },
      ],
    },
  }
}

const along = (p: Point, [ux, uy]: Point, by: number): Point => [p[0] + ux * by, p[1] + uy * by]
/** Beyond any shaft, mm. */
const FAR = 600
