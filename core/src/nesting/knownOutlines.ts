import type { Path, Point } from '../geometry/path.ts'
import { flippedOver, turnPath } from './turnPath.ts'

/** Corners of outlines that are alike lie no farther apart than this, mm. */
const ALIKE = 1e-6

/** How an outline lies towards another one: flipped over the x axis where it is, and then turned by so many degrees. */
export interface Likeness {
  shape: number
  flipped: boolean
  turn: 0 | 180
}

/** The corners in their order, whichever of them is the first. */
function keyOf(outline: Path): string {
  const corners = outline.map(([x, y]): Point => [Math.round(x / ALIKE) + 0, Math.round(y / ALIKE) + 0])
  const first = corners.reduce((least, [x, y], i) => {
    const [lx, ly] = corners[least]!
    return x < lx || (x === lx && y < ly) ? i : least
  }, 0)
  return [...corners.slice(first), ...corners.slice(0, first)].join(' ')
}

/**
 * Outlines by what they are: the same one, flipped or turned by half a turn is found again, as a left shoe's pieces are
 * those of the right one and a second pair's those of the first.
 */
export class KnownOutlines {
  private readonly shapes = new Map<string, number>()

  /** The number of the outline (counter-clockwise) that one is alike to, and how it lies towards it; a new number where there is none. */
  find(outline: Path): Likeness {
    const straight = keyOf(outline)
    const ways: readonly (readonly [Omit<Likeness, 'shape'>, () => string])[] = [
      [{ flipped: false, turn: 0 }, () => straight],
      [{ flipped: true, turn: 0 }, () => keyOf(flippedOver(outline))],
      [{ flipped: false, turn: 180 }, () => keyOf(turnPath(outline, 180))],
      [{ flipped: true, turn: 180 }, () => keyOf(flippedOver(turnPath(outline, 180)))],
    ]
    for (const [how, key] of ways) {
      const shape = this.shapes.get(key())
      if (shape !== undefined) return { shape, ...how }
    }
    const shape = this.shapes.size
    this.shapes.set(straight, shape)
    return { shape, flipped: false, turn: 0 }
  }
}
