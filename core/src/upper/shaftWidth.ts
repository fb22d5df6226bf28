import { nearest, resample } from '../geometry/polyline.ts'
import { pathLength, type Path, type Point } from '../geometry/path.ts'

/** Between the places at which a shaft is measured across, mm. */
const STEP = 4

/**
 * How wide a shaft is where it is narrowest, laid flat: the least distance of its front from its back line, and the place
 * of the front where that is. What goes down through it may measure twice as much round.
 */
export function shaftWidth(front: Path, backLine: Path): { width: number; at: Point } {
  const places = resample(front, Math.max(8, Math.round(pathLength(front) / STEP)))
  return places
    .map((at) => ({ at, width: nearest(backLine, at).away }))
    .reduce((least, here) => (here.width < least.width ? here : least))
}
