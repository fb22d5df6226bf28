import {
  wallSides,
  type PointPlaces,
  type KeyPoint,
  type Point,
  type PointSide,
  type Side,
  type UpperDecisions,
} from '@gentle-awl/core'

type Points = UpperDecisions['points']

/** Under which name a point's place is decided: one for both sides, or each side's own. */
const keyOf = (p: KeyPoint, side: Side) => `${p.id}:${p.sides.length === 1 ? 'both' : side}`

/**
 * The decisions after a point was put somewhere on one side. Both sides move by the same step when `which` says so; the
 * other side stays otherwise.
 */
export function movedTo(board: PointPlaces, p: KeyPoint, side: Side, to: Point, which: PointSide): Points {
  const points = { ...board.decisions.points }
  const from = board.whereIs(p, side)
  const sides = p.sides.length === 1 || which !== 'both' ? [side] : wallSides
  for (const s of sides) {
    const [x, y] = board.whereIs(p, s)
    points[keyOf(p, s)] = board.placeFor(p, s, [x + to[0] - from[0], y + to[1] - from[1]])
  }
  return points
}

/** The decisions after one of a point's figures was typed, mm. */
export function figured(board: PointPlaces, p: KeyPoint, index: number, value: number, which: PointSide): Points {
  const points = { ...board.decisions.points }
  const sides = p.sides.length === 1 ? p.sides : which === 'both' ? wallSides : [which]
  for (const s of sides) points[keyOf(p, s)] = board.placeByFigure(p, s, index, value)
  return points
}

/** The decisions with a point given back to its rule. */
export const byRule = (points: Points, p: KeyPoint): Points =>
  Object.fromEntries(Object.entries(points).filter(([key]) => !key.startsWith(`${p.id}:`)))
