import { nearest } from '../geometry/polyline.ts'
import { pathLength, type Path, type Point } from '../geometry/path.ts'

/** A stretch of leather that is drawn together into folds, mm on the forme. */
export interface GatherBand {
  /** Closed. */
  area: Path
  /** The line along which `gained` more leather lies than forme. */
  full: Path
  /** The line along which there is no more; null where it is as much everywhere. */
  none: Path | null
  gained: number
}

/**
 * How many times its own thickness a gathered leather is in the mean once its folds are pressed, at a place of its band: there
 * lies as much more leather as was opened, so the same leather on less area. Between the line that gained all and the one that
 * gained nothing what was opened grows evenly, as it does along a slash that turns about its end.
 */
export function gatheredTimes({ full, none, gained }: GatherBand, p: Point): number {
  if (!none) return 1 + gained / pathLength(full)
  const [toNone, toFull] = [nearest(none, p).away, nearest(full, p).away]
  const share = toNone / (toNone + toFull || 1)
  const across = pathLength(none) * (1 - share) + pathLength(full) * share
  return 1 + (gained * share) / across
}
