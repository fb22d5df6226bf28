import { nearest, pointAt } from '../../geometry/polyline.ts'
import { distance, pathLength, type Path, type Point } from '../../geometry/path.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import type { DesignBoard } from '../designPoints.ts'
import type { Piece } from '../piece.ts'
import { foldedPiece, sidePiece, type EdgeDraft } from '../pieceMaker.ts'
import type { DrawnUpper, Style } from '../style.ts'
import { drawOpenTabs } from './derby.ts'
import { flipped, flippedWay, perSide, squareToBack } from './lines.ts'
import { offsetLine } from '../../geometry/offsetLine.ts'
import { subpathBetween, subpath } from '../../geometry/subpath.ts'
import { meet } from '../../geometry/lineCrossing.ts'
import { smoothLine } from '../../geometry/smoothLine.ts'
import { kindOf } from '../../trade/partCatalogue.ts'

/** Width of the eye stays, mm. */
const STAY = 22
/** The inner edge of an eye stay is led on by so much to where it ends, mm. */
const BEYOND = 15
/** Depth of the padded collar below the top line, mm, and where it begins, as a share of the top line from the facing. */
const COLLAR = 21
const COLLAR_FRONT = 0.24
/** How far the back tab reaches down the back, share of L, and along the top line on each side, mm. */
const TAB = 0.13
const TAB_HALF = 14

/** Where a piece is laid on a quarter's top line: the opening's own edge is the quarter's. */
const LAID_ON = 'along the top line'

type Base = ReturnType<typeof drawOpenTabs>
/** Pieces with the line of each side that shows where they end. */
interface Added {
  pieces: Piece[]
  line: Record<Side, Path>
}

/** Quarters cut lower, and the collars that take their place at the top; the quarter lies over the collar. */
function collars(board: DesignBoard, { topLine, backLine, quarters }: Base): Added {
  const top = backLine[backLine.length - 1]
  const share = (side: Side, t: number) => t * pathLength(topLine[side])
  const under = (side: Side, t: number) => pointAt(offsetLine(topLine[side], COLLAR), share(side, t))
  const low = board.free(
    'collarLow',
    'Lowest of the collar',
    perSide((side) => under(side, 0.52)),
    'The padding holds the foot round and below the ankle bones.',
  )
  const backAt = board.onBack(
    'collarBack',
    'Collar at the back',
    nearest(board.back, top!).at - 1.15 * COLLAR,
    'The padding fills the hollow above the heel.',
  )
  const end = nearest(backLine, backAt).point
  const start = perSide((side) => pointAt(topLine[side], share(side, COLLAR_FRONT)))
  const line = perSide((side) =>
    smoothLine([start[side], low[side], under(side, 0.8), end], { end: flippedWay(squareToBack(backLine, end)) }),
  )
  const pieces = wallSides.flatMap((side) => {
    const [feather, tab, facing, opening] = quarters[side]
    const run = share(side, COLLAR_FRONT)
    const seam = `collar.${side}`
    const quarter: EdgeDraft[] = [
      feather!,
      tab!,
      facing!,
      { ...opening!, line: [...subpath(topLine[side], 0, run).slice(0, -1), start[side]] },
      { name: 'over the collar', role: 'lap over', line: line[side], seam },
      { name: 'back', role: 'closed seam', line: flipped(subpathBetween(backLine, backLine[0]!, end)), seam: 'back' },
    ]
    const collar: EdgeDraft[] = [
      { name: 'collar edge', role: 'lap under', line: flipped(line[side]), seam },
      { ...opening!, line: [start[side], ...subpath(topLine[side], run, Infinity).slice(1)] },
      { name: 'back', role: 'closed seam', line: flipped(subpathBetween(backLine, end, top!)), seam: 'collarBack' },
    ]
    return [
      sidePiece({ id: 'quarter', name: 'Quarter' }, side, quarter, board.book),
      sidePiece({ id: 'collar', name: 'Collar' }, side, collar, board.book),
    ]
  })
  return { pieces, line }
}

/** The direction of an end is read over so much, mm: a line moved sideways may turn back on itself in its last chord. */
const AIM = 2

/** A line led on straight at both ends, mm, so that it surely crosses what it ends on. */
function led(line: Path, by: number): Path {
  const on = (end: Point, others: Path): Point => {
    const from = others.find((p) => distance(p, end) > AIM) ?? others[others.length - 1]
    const l = distance(from!, end) || 1
    return [end[0] + ((end[0] - from![0]) / l) * by, end[1] + ((end[1] - from![1]) / l) * by]
  }
  return [on(line[0]!, line), ...line, on(line[line.length - 1]!, flipped(line))]
}

/** Eye stays lie on the quarters along the facings; they are cut to the same edges and stitched round. */
function eyeStays(board: DesignBoard, facings: Record<Side, Path>, { topLine, quarters }: Base): Added {
  const line = perSide((side) => {
    const inner = led(offsetLine(facings[side], -STAY), BEYOND)
    const start = meet(inner, topLine[side], ['eye stay', 'top line'])
    const tip = meet(flipped(inner), quarters[side][1]!.line, ['eye stay', 'front of the quarter'])
    return subpath(inner, start.onA, pathLength(inner) - tip.onA)
  })
  const pieces = wallSides.map((side) => {
    const [outer, inner, opening] = [facings[side], line[side], quarters[side][3]]
    const edges: EdgeDraft[] = [
      {
        name: 'stay front',
        role: 'lap over',
        line: subpathBetween(quarters[side][1]!.line, inner[inner.length - 1]!, outer[outer.length - 1]!),
      },
      // It is finished like the facing of the quarter under it.
      { ...quarters[side][2]!, line: flipped(outer) },
      {
        ...opening!,
        name: LAID_ON,
        line: [outer[0]!, ...subpath(topLine[side], 0, nearest(topLine[side], inner[0]!).at).slice(1, -1), inner[0]!],
      },
      { name: 'stay edge', role: 'lap over', line: inner },
    ]
    return sidePiece({ id: 'stay', name: 'Eye stay' }, side, edges, board.book)
  })
  return { pieces, line }
}

/** A tab laid over the top of the back seam, in one piece, folded along it. */
function backTab(board: DesignBoard, { topLine, backLine, quarters }: Base): Added {
  const top = backLine[backLine.length - 1]!
  const low = backLine.find((p) => p[1] > top[1] - TAB * board.length) ?? backLine[0]
  const from = perSide((side) => pathLength(topLine[side]) - TAB_HALF)
  const corner = perSide((side) => pointAt(topLine[side], from[side]))
  const line = perSide((side) =>
    smoothLine([low!, [low![0] + 12, low![1] + 10], corner[side]], { start: squareToBack([low!, top], low!) }),
  )
  const half = perSide((side): EdgeDraft[] => [
    { name: 'tab edge', role: 'lap over', line: line[side] },
    {
      ...quarters[side][3]!,
      name: LAID_ON,
      line: [corner[side], ...subpath(topLine[side], from[side], Infinity).slice(1)],
    },
  ])
  const piece = foldedPiece(
    { id: 'backTab', name: 'Back tab' },
    half,
    { from: top, to: low!, upright: true, onForme: flipped(subpathBetween(backLine, low!, top)) },
    board.book,
  )
  return { pieces: [piece], line }
}

/** A trainer: the derby's ground plan with eye stays and a back tab laid on, and a padded collar under the top line. */
function draw(board: DesignBoard): DrawnUpper {
  const base = drawOpenTabs(board, 'lasting margin', board.decisions.topFinish ?? 'folded')
  const added: Record<string, Added> = {
    'collar line': collars(board, base),
    'eye-stay line': eyeStays(board, base.facings, base),
    'back-tab line': backTab(board, base),
  }
  const lines = Object.entries(added).flatMap(([name, { line }]) =>
    wallSides.map((side) => ({ name, side, line: line[side] })),
  )
  return {
    ...base,
    pieces: [
      ...base.pieces.filter((p) => kindOf(p.id) !== 'quarter'),
      ...Object.values(added).flatMap((a) => a.pieces),
    ],
    seams: [...base.seams, ...lines],
  }
}

export const trainer: Style = {
  sentence: 'For a cup sole: eye stays and a back tab laid on, tongue and collar padded.',
  options: [{ key: 'toeCap', name: 'Toe cap', byDefault: false }],
  topFinish: 'folded',
  facingsFinishedBy: null,
  suggests: [
    { kinds: ['stay', 'backTab'], why: 'Eye stays and back tab take the pull: firmer, and of another colour.' },
    {
      kinds: ['collar', 'tongue'],
      why: 'Collar and tongue are padded: a soft, thin leather lies round the foam without folds.',
    },
  ],
  padded: true,
  bottom: 'lasting margin',
  draw,
}
