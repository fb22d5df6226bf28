import { openForepart, type Opened } from '../forme/opened.ts'
import type { FoldPlace } from '../model/upper.ts'
import type { Path, Point } from '../geometry/path.ts'
import type { DesignBoard } from './designPoints.ts'
import { gathered, type Gathered, type Stretch } from './gathers.ts'

/**
 * The forepart opened along its centre line, and by the chosen version of the designed folds where the pair has some.
 * `seams` are the lines by which it is joined to what is cut off the forme as it lies; `stretches` where leather may be
 * opened, where that is not as on a vamp.
 */
export function openVamp(
  board: DesignBoard,
  throat: Point,
  pivot: Point,
  seams: readonly Path[],
  stretches?: (opened: Opened) => Record<FoldPlace, readonly Stretch[]>,
): Gathered {
  const { versions, chosen, where } = board.decisions.folds
  const opened = openForepart(board.map, throat, pivot, seams)
  return gathered(board.map, opened, versions[chosen] ?? 0, where, stretches?.(opened)[where])
}
