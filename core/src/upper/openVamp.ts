import { openForepart } from '../forme/opened.ts'
import type { Point } from '../geometry/path.ts'
import type { DesignBoard } from './designPoints.ts'
import { gathered, type Gathered } from './gathers.ts'

/** The amount of the folds version that is to be cut, mm; 0 without folds. */
export function foldAmount(board: DesignBoard): number {
  const { versions, chosen } = board.decisions.folds
  return versions[chosen] ?? 0
}

/** The forepart opened along its centre line, and for designed folds where the pair has some. */
export function openVamp(board: DesignBoard, throat: Point, pivot: Point, amount = foldAmount(board)): Gathered {
  return gathered(openForepart(board.map, throat, pivot), board.map.feather, amount)
}
