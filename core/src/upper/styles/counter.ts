import { nearest } from '../../geometry/polyline.ts'
import { distance, type Path, type Point } from '../../geometry/path.ts'
import type { Side } from '../../trade/side.ts'
import type { DesignBoard } from '../designPoints.ts'
import { foldedPiece, type EdgeDraft } from '../pieceMaker.ts'
import type { EdgeRole } from '../../model/edgeRoles.ts'
import type { Piece } from '../piece.ts'
import { styleRules } from '../styleRules.ts'
import { bottomEdge, flipped, perSide, squareToBack, type BackLine } from './lines.ts'
import { subpathBetween } from '../../geometry/subpath.ts'
import { smoothLine } from '../../geometry/smoothLine.ts'

export interface Counter {
  piece: Piece
  /** Its upper edge from the back down to the feather. */
  line: Record<Side, Path>
  /** What is left of the back line above it. */
  above: Path
  /** The quarter's bottom edges with the counter cut away, from the back forwards. */
  quarterEdges: (side: Side, to: Point) => EdgeDraft[]
}

/** A counter over the quarters at the heel, in one piece, folded along the back. Null when the pair has none. */
export function counter(
  board: DesignBoard,
  back: BackLine,
  feather: Record<Side, Path>,
  bottom: EdgeRole,
  wanted: boolean,
): Counter | null {
  if (!wanted) return null
  const L = board.length
  const up = board.onBack(
    'counterBack',
    'Counter at the back',
    0.62 * nearest(board.back, back.top).at,
    'High enough to carry the heel, clear of the top line.',
  )
  const head = nearest(back.line, up).point
  const foot = board.onFeather(
    'counterFoot',
    'Front of the counter',
    {
      lateral: board.book.value(styleRules.counterFront) * L,
      medial: (board.book.value(styleRules.counterFront) + 0.015) * L,
    },
    styleRules.counterFront.why,
    styleRules.counterFront,
  )
  const shoulder = board.above(
    'counterShoulder',
    'Shoulder of the counter',
    0.15 * L,
    0.105 * L,
    'A round that runs with the heel.',
  )
  const line = perSide((side) =>
    smoothLine([head, shoulder[side], foot[side]], { start: squareToBack([back.foot, head], head) }),
  )
  const half = perSide((side): EdgeDraft[] => [
    bottomEdge(feather[side], back.foot, foot[side], bottom),
    { name: 'counter edge', role: 'lap over', line: flipped(line[side]), seam: 'counter' },
  ])
  const piece = foldedPiece(
    { id: 'counter', name: 'Counter' },
    half,
    { from: head, to: back.foot, upright: true, onForme: flipped(subpathBetween(back.line, back.foot, head)) },
    board.book,
  )
  const bend = subpathBetween(back.line, back.foot, head).reduce(
    (most, p) => Math.max(most, offLine(p, back.foot, head)),
    0,
  )
  return {
    piece: {
      ...piece,
      becauses: [
        {
          id: 'foldStraightened',
          quantity: 'Back line straightened for the fold by',
          value: bend,
          unit: 'mm',
          sentence:
            'The counter is folded along a straight line; the back curve leaves it by so much, which the leather gives when it is lasted.',
          inputs: [],
          origin: 'measured on the last',
        },
      ],
    },
    line,
    above: subpathBetween(back.line, head, back.top),
    quarterEdges: (side, to) => [
      { name: 'under the counter', role: 'lap under', line: line[side], seam: `counter.${side}` },
      bottomEdge(feather[side], foot[side], to, bottom),
    ],
  }
}

function offLine(p: Point, a: Point, b: Point): number {
  return Math.abs((b[0] - a[0]) * (a[1] - p[1]) - (a[0] - p[0]) * (b[1] - a[1])) / distance(a, b)
}
