import { distance, type Point } from '../../geometry/path.ts'
import type { Side } from '../../trade/side.ts'
import type { Remedy } from '../../trade/remedy.ts'
import type { MovedPoint } from '../../model/upper.ts'
import type { KeyPoint } from '../keyPoint.ts'
import type { CheckNeeds } from './needs.ts'
import type { Sentence } from '../../units/sentence.ts'

/** A key point and the place of the forme to which it is moved on one side. */
export interface Move {
  point: KeyPoint
  side: Side
  to: Point
}

/** The remedy that moves key points; a point that is one for the whole shoe moves on both sides. */
export function movePoints({ board }: Pick<CheckNeeds, 'board'>, name: Sentence, moves: readonly Move[]): Remedy {
  const points: Record<string, MovedPoint> = {}
  for (const { point, side, to } of moves)
    points[`${point.id}:${point.sides.length === 1 ? 'both' : side}`] = board.placeFor(point, side, to)
  return { kind: 'choice', name, decisions: { upper: { points } } }
}

/** The key point nearest to a place of the forme on one side, of those that may be asked. */
export const nearestPoint = (points: readonly KeyPoint[], side: Side, at: Point): KeyPoint | null =>
  points.reduce<KeyPoint | null>(
    (best, p) => (!best || distance(p.at[side], at) < distance(best.at[side], at) ? p : best),
    null,
  )
