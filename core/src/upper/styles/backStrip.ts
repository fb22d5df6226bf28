import { firstCrossing } from '../../geometry/lineCrossing.ts'
import { nearest } from '../../geometry/polyline.ts'
import { offsetLine } from '../../geometry/offsetLine.ts'
import { pathLength, type Path, type Point } from '../../geometry/path.ts'
import { subpath } from '../../geometry/subpath.ts'
import type { Rule } from '../../trade/rules.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import type { DesignBoard } from '../designPoints.ts'
import { foldedPiece, type EdgeDraft } from '../pieceMaker.ts'
import type { DrawnUpper, StyleOption } from '../style.ts'
import { bottomEdge, featherFrom, flipped, perSide } from './lines.ts'
import { backLoop } from './pullLoop.ts'

export const backStripRules = {
  half: {
    key: 'upper.backStrip',
    name: 'Outside back strip, a side',
    value: 10,
    min: 6,
    max: 20,
    unit: 'mm',
    why: 'It covers the opened back seam and a row of stitches on either side of it.',
  },
} satisfies Record<string, Rule>

const KEY = 'backStrip'
/** The option of styles that may have one. */
export const backStripOption: StyleOption = {
  key: KEY,
  name: 'Outside back strip with a pull loop',
  byDefault: false,
}

/** Where the strip is laid on the quarters' top line: the opening's own edge is theirs. */
const LAID_ON = 'along the top line'

/**
 * An upper with an outside strip over its back seam, from the feather to the top line, folded along the back, and a loop
 * under its top by which the shoe is drawn on; as it was where the pair has none. The strip runs beside the back line.
 */
export function withBackStrip(board: DesignBoard, drawn: DrawnUpper): DrawnUpper {
  const { backLine, topLine } = drawn
  if (!board.option(KEY) || !backLine) return drawn
  const { book } = board
  const [foot, top] = [backLine[0]!, backLine[backLine.length - 1]!]
  const beside = offsetLine(backLine, -book.value(backStripRules.half))
  const feather = perSide((side) => featherFrom(board, side, foot))
  const finish = board.decisions.topFinish ?? 'folded'
  const edge = perSide((side) => {
    const [low, high] = [firstCrossing(beside, feather[side]), firstCrossing(beside, topLine[side])]
    const from = low?.onA ?? 0
    const to = high?.onA ?? pathLength(beside)
    const line = subpath(beside, from, to)
    // Where the strip is wider than the curve at the foot lets it, it begins on the feather square below.
    return { line: low ? [low.point, ...line.slice(1)] : line, top: high?.onB ?? null }
  })
  const half = (side: Side): EdgeDraft[] => {
    const { line, top: onTop } = edge[side]
    const corner = line[line.length - 1]!
    const along: Path = onTop === null ? [corner, top] : [corner, ...subpath(topLine[side], onTop, Infinity).slice(1)]
    return [
      bottomEdge(feather[side], foot, line[0]!, bottomOf(drawn)),
      { name: 'strip edge', role: 'lap over', line },
      { name: LAID_ON, role: finish, line: along },
    ]
  }
  // A strip so narrow follows the curve of the back: it is cut straight, as long as the back and of one width.
  const laid = (p: Point): Point => {
    const near = nearest(backLine, p)
    return [near.away, near.at]
  }
  const piece = foldedPiece(
    { id: 'backStrip', name: 'Back strip' },
    perSide(half),
    { from: [0, pathLength(backLine)], to: [0, 0], upright: true, onForme: flipped(backLine) },
    book,
    laid,
  )
  return {
    ...drawn,
    pieces: [...drawn.pieces, piece, backLoop(book)],
    seams: [
      ...drawn.seams,
      ...wallSides.map((side) => ({ name: 'back-strip line', side, line: flipped(edge[side].line) })),
    ],
  }
}

/** What becomes of the upper's bottom edges, and so of the strip's. */
const bottomOf = ({ pieces }: DrawnUpper) =>
  pieces.some((p) => p.edges.some((e) => e.role === 'turned-out margin')) ? 'turned-out margin' : 'lasting margin'
