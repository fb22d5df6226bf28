import { nearest, pointAt } from '../../geometry/polyline.ts'
import { subpathBetween } from '../../geometry/subpath.ts'
import { pathLength, type Path, type Point } from '../../geometry/path.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import type { Rule, RuleBook } from '../../trade/rules.ts'
import type { Piece } from '../../upper/piece.ts'
import { sidePiece, type EdgeDraft } from '../../upper/pieceMaker.ts'
import type { BasePattern } from '../../upper/basePattern.ts'
import { openingFromBack } from '../../upper/opening.ts'

export const sideLiningRules = {
  overlap: {
    key: 'sideLining.overlap',
    name: 'Side lining laps stiffener and puff by',
    value: 12,
    min: 5,
    max: 20,
    unit: 'mm',
    why: 'It ends inside their skives: thin on thin, so that no ridge shows.',
  },
  height: {
    key: 'sideLining.height',
    name: 'Side lining up the wall, share of the last length',
    value: 0.13,
    min: 0.08,
    max: 0.2,
    unit: 'share',
    why: 'It carries the upper over the waist and the side of the joint; higher up the leather carries itself.',
  },
  clear: {
    key: 'sideLining.clear',
    name: 'Side lining clear of top line and lacing',
    value: 6,
    min: 3,
    max: 15,
    unit: 'mm',
    why: 'In the edge of the opening it would be one layer too many.',
  },
  turnUnder: {
    key: 'sideLining.turnUnder',
    name: 'Side lining turned under the feather by',
    value: 0,
    min: 0,
    max: 20,
    unit: 'mm',
    why: 'Ending at the feather line it lays nothing under the insole, and paste alone holds it; turned under it is lasted and tacked, as in heavy work.',
  },
  shortest: {
    key: 'sideLining.shortest',
    name: 'Shortest gap worth a side lining',
    value: 30,
    min: 10,
    max: 60,
    unit: 'mm',
    why: 'Where stiffener and puff come near each other there is nothing left to carry.',
  },
} satisfies Record<string, Rule>

/** How many places of the upper edge are looked at. */
const PLACES = 14

/**
 * The thin reinforcement between stiffener and puff on each side, drawn on the forme: from inside the stiffener's skive
 * to inside the puff's, up the wall by the rule and clear of the opening. `from` and `to` are where stiffener and puff
 * end on the feather, mm from the heel back. A side whose gap is too short has none.
 */
export function sideLinings(
  { board, drawn }: BasePattern,
  from: Record<Side, number>,
  to: Record<Side, number>,
  book: RuleBook,
): Piece[] {
  const overlap = book.value(sideLiningRules.overlap)
  const height = book.value(sideLiningRules.height) * board.length
  const clear = book.value(sideLiningRules.clear)
  return wallSides.flatMap((side): Piece[] => {
    if (to[side] - from[side] < book.value(sideLiningRules.shortest)) return []
    const feather = board.feather[side]
    const [a, b] = [from[side] - overlap, to[side] + overlap].map((x) => nearest(feather, board.map.featherAt(x)))
    const opening: Path = openingFromBack(drawn, side)
    const upper = Array.from({ length: PLACES + 1 }, (_, k): Point => {
      const foot = pointAt(feather, b!.at + ((a!.at - b!.at) * k) / PLACES)
      const ahead = pointAt(feather, Math.min(pathLength(feather), nearest(feather, foot).at + 8))
      const behind = pointAt(feather, Math.max(0, nearest(feather, foot).at - 8))
      const l = Math.hypot(ahead[0] - behind[0], ahead[1] - behind[1]) || 1
      const up: Point = [-(ahead[1] - behind[1]) / l, (ahead[0] - behind[0]) / l]
      // Up the wall by the rule, or as far as the opening lets it.
      let h = height
      const at = (): Point => [foot[0] + up[0] * h, foot[1] + up[1] * h]
      while (h > 4 && (nearest(opening, at()).away < clear || above(opening, at()))) h -= 1
      return at()
    })
    const edges: EdgeDraft[] = [
      {
        name: 'feather',
        role: 'raw',
        line: subpathBetween(feather, a!.point, b!.point),
        allowance: book.value(sideLiningRules.turnUnder),
      },
      { name: 'at the puff', role: 'raw', line: [b!.point, upper[0]!] },
      { name: 'upper edge', role: 'raw', line: upper },
      { name: 'at the stiffener', role: 'raw', line: [upper[PLACES]!, a!.point] },
    ]
    return [sidePiece({ id: 'sideLining', name: 'Side lining' }, side, edges, book)]
  })
}

/** Does a point lie above a line that runs forwards, where the line passes over it? */
function above(line: Path, [x, y]: Point): boolean {
  for (let i = 0; i + 1 < line.length; i++) {
    const [a, b] = [line[i]!, line[i + 1]!]
    if ((a[0] <= x && b[0] >= x) || (a[0] >= x && b[0] <= x)) {
      const t = b[0] === a[0] ? 0 : (x - a[0]) / (b[0] - a[0])
      if (y > a[1] + (b[1] - a[1]) * t) return true
    }
  }
  return false
}
