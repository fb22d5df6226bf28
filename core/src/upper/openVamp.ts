import { openForepart } from '../forme/opened.ts'
import type { Path, Point } from '../geometry/path.ts'
import type { DesignBoard } from './designPoints.ts'
import { gathered, type Gathered } from './gathers.ts'

/**
 * The forepart opened along its centre line, and by the chosen version of the designed folds where the pair has some.
 * `seams` are the lines by which it is joined to what is cut off the forme as it lies.
 */
export function openVamp(board: DesignBoard, throat: Point, pivot: Point, seams: readonly Path[]): Gathered {
  const { versions, chosen, where } = board.decisions.folds
  return gathered(board.map, openForepart(board.map, throat, pivot, seams), versions[chosen] ?? 0, where)
}
