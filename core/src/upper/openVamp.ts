import { openForepart } from '../forme/opened.ts'
import type { Point } from '../geometry/path.ts'
import type { DesignBoard } from './designPoints.ts'
import { gathered, type Gathered } from './gathers.ts'

/** The forepart opened along its centre line, and by the chosen version of the designed folds where the pair has some. */
export function openVamp(board: DesignBoard, throat: Point, pivot: Point): Gathered {
  const { versions, chosen } = board.decisions.folds
  return gathered(board.map, openForepart(board.map, throat, pivot), versions[chosen] ?? 0)
}
