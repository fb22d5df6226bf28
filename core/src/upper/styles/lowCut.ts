import { openVamp } from '../openVamp.ts'
import type { Path } from '../../geometry/path.ts'
import type { Rule } from '../../trade/rules.ts'
import type { TopFinish } from '../../model/upper.ts'
import { wallSides } from '../../trade/side.ts'
import type { DesignBoard } from '../designPoints.ts'
import type { Piece } from '../piece.ts'
import { sidePiece, type EdgeDraft } from '../pieceMaker.ts'
import type { DrawnUpper, Style } from '../style.ts'
import { styleRules } from '../styleRules.ts'
import { edgeRules } from '../edgeRules.ts'
import { openedPiece } from './forepart.ts'
import { throatLines, throatShift } from '../throat.ts'
import { backHeight, bottomEdge, directionAt, drawBack, featherFrom, flipped, ontoBack, perSide } from './lines.ts'
import { meet } from '../../geometry/lineCrossing.ts'
import { smoothLine } from '../../geometry/smoothLine.ts'
import { subpath } from '../../geometry/subpath.ts'
import { mm, say } from '../../units/sentence.ts'

interface LowCut {
  throat: Rule
  /** Heights of the top line above the feather at the side and beside the throat, shares of L. */
  side: number
  front: number
  topFinish: TopFinish
}

/** A low-cut shoe without lacing: one opening from the throat round the heel. */
function drawLowCut(board: DesignBoard, cut: LowCut): DrawnUpper {
  const L = board.length
  const top = board.decisions.topFinish ?? cut.topFinish
  const back = drawBack(
    board,
    backHeight(board) - board.book.value(styleRules.lowBack),
    say`A fifth of the last length and a little for shrinkage, less ${mm(board.book.value(styleRules.lowBack))}: ${styleRules.lowBack.why}`,
  )
  const throat = board.onRidge('throat', 'Throat', board.book.value(cut.throat) * L, cut.throat.why, cut.throat)
  const way = directionAt(board.ridge, throat)
  const front = board.above(
    'topFront',
    'Top line beside the throat',
    { lateral: 0.635 * L, medial: 0.655 * L },
    { lateral: cut.front * L, medial: cut.front * L + 6 },
    'The medial line must end up higher than the lateral one, because the last is higher there.',
  )
  const side = board.above(
    'topSide',
    'Top line at the side',
    0.42 * L,
    { lateral: cut.side * L, medial: cut.side * L + 5 },
    'Low enough to show the foot, high enough to hold it; higher on the medial side, where the arch is.',
  )
  const heel = board.above(
    'topHeel',
    'Top line under the ankle',
    0.2 * L,
    { lateral: 0.13 * L, medial: 0.13 * L + 4 },
    'Rising to the back, below the ankle bones.',
  )
  const drawn = perSide((s): Path =>
    smoothLine([throat, front[s], side[s], heel[s], back.top], { start: [way[1], -way[0]], end: ontoBack(back) }),
  )
  const feather = perSide((s) => featherFrom(board, s, back.foot))
  const topLine = throatLines(board, drawn)
  const toe = board.map.feather[board.map.feather.length - 1]
  const opened = openVamp(board, throat, throat, [])
  const lasting = board.book.value(edgeRules.lasting)
  const { added } = throatShift(board)
  const margin = { lateral: lasting, medial: lasting + added }
  const seams: DrawnUpper['seams'] = []
  const pieces: Piece[] = []
  const twoPiece = board.option('sideSeams')
  let seamFoot: DrawnUpper['foot'] = null
  if (twoPiece) {
    const foot = board.onFeather(
      'sideSeam',
      'Side seam at the feather',
      board.book.value(styleRules.sideSeam) * L,
      styleRules.sideSeam.why,
      styleRules.sideSeam,
    )
    seamFoot = foot
    const upper = board.above(
      'sideSeamTop',
      'Side seam at the top line',
      0.46 * L,
      cut.side * L + 8,
      'Leaning back a little, so that the seam does not open at the top.',
    )
    const seam = perSide((s) => {
      const line: Path = smoothLine([foot[s], upper[s]])
      const [a, b] = [line[0]!, line[line.length - 1]!]
      const long: Path = [...line, [b[0] + (b[0] - a[0]) * 0.8, b[1] + (b[1] - a[1]) * 0.8]]
      const at = meet(long, topLine[s], ['side seam', 'top line'])
      return { line: [...subpath(long, 0, at.onA).slice(0, -1), at.point], onTop: at.onB, at: at.point }
    })
    const frontHalf = perSide((s): EdgeDraft[] => [
      { name: 'top line', role: top, line: [...subpath(topLine[s], 0, seam[s].onTop).slice(0, -1), seam[s].at] },
      { name: 'side seam', role: 'closed seam', line: flipped(seam[s].line), seam: 'side' },
      { ...bottomEdge(feather[s], foot[s], toe!, 'lasting margin'), allowance: margin[s] },
    ])
    const rearHalf = perSide((s): EdgeDraft[] => [
      { ...bottomEdge(feather[s], back.foot, foot[s], 'lasting margin'), allowance: margin[s] },
      { name: 'side seam', role: 'closed seam', line: seam[s].line, seam: `side.${s}` },
      { name: 'top line', role: top, line: [seam[s].at, ...subpath(topLine[s], seam[s].onTop, Infinity).slice(1)] },
      { name: 'back', role: 'closed seam', line: flipped(back.line), seam: 'back' },
    ])
    pieces.push(
      openedPiece(board, { id: 'vamp', name: 'Vamp' }, frontHalf, opened),
      ...wallSides.map((s) => sidePiece({ id: 'quarter', name: 'Quarter' }, s, rearHalf[s], board.book)),
    )
    for (const s of wallSides) seams.push({ name: 'side seam', side: s, line: seam[s].line })
  } else {
    const whole = perSide((s): EdgeDraft[] => [
      { name: 'top line', role: top, line: topLine[s] },
      { name: 'back', role: 'closed seam', line: flipped(back.line), seam: 'back' },
      { ...bottomEdge(feather[s], back.foot, toe!, 'lasting margin'), allowance: margin[s] },
    ])
    pieces.push(openedPiece(board, { id: 'upper', name: 'Upper' }, whole, opened))
  }
  return {
    pieces,
    topLine,
    backLine: back.line,
    backBefore: back.before,
    throat,
    facings: null,
    front: null,
    foot: seamFoot,
    halfGap: 0,
    seams,
    opened,
    zip: null,
  }
}

export const balletFlat: Style = {
  sentence: 'One piece, cut out low, with a seam at the back and a beaded edge.',
  options: [{ key: 'sideSeams', name: 'Side seams', byDefault: false }],
  topFinish: 'bead',
  facingsFinishedBy: null,
  suggests: [
    { kinds: ['bead'], why: 'The bead is all that is seen of the edge: its colour draws the line of the foot.' },
  ],
  padded: false,
  bottom: 'lasting margin',
  draw: (board) => drawLowCut(board, { throat: styleRules.flatThroat, side: 0.112, front: 0.122, topFinish: 'bead' }),
}

export const court: Style = {
  sentence: 'A pump: vamp and quarters joined at the sides, or one piece with a back seam.',
  options: [{ key: 'sideSeams', name: 'Side seams', byDefault: false }],
  topFinish: 'folded',
  facingsFinishedBy: null,
  suggests: [
    { kinds: ['bead', 'binding'], why: 'An edge of another colour draws the line of the foot.' },
    { kinds: ['quarter'], why: 'With side seams, forepart and back may be of two colours.' },
  ],
  padded: false,
  bottom: 'lasting margin',
  draw: (board) => drawLowCut(board, { throat: styleRules.courtThroat, side: 0.12, front: 0.132, topFinish: 'folded' }),
}
