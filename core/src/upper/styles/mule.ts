import type { Path } from '../../geometry/path.ts'
import { smoothLine } from '../../geometry/smoothLine.ts'
import type { DesignBoard } from '../designPoints.ts'
import { openVamp } from '../openVamp.ts'
import type { EdgeDraft } from '../pieceMaker.ts'
import type { DrawnUpper, Style } from '../style.ts'
import { styleRules } from '../styleRules.ts'
import { openedPiece } from './forepart.ts'
import { bottomEdge, directionAt, perSide, roundFeather } from './lines.ts'
import { openBehind } from './openBehind.ts'

/** Where the opening comes down to the feather, shares of L: behind the joint on both sides. */
const FOOT = { lateral: 0.43, medial: 0.46 }

/** A mule: one piece over the forefoot, nothing behind. */
function draw(board: DesignBoard): DrawnUpper {
  const L = board.length
  const top = board.decisions.topFinish ?? mule.topFinish
  const throat = board.onRidge(
    'throat',
    'Throat',
    board.book.value(styleRules.muleThroat) * L,
    styleRules.muleThroat.why,
    styleRules.muleThroat,
  )
  const side = board.above(
    'topSide',
    'Opening at the side',
    { lateral: 0.47 * L, medial: 0.495 * L },
    0.135 * L,
    'The edge falls in one round from the instep to the waist, and lies clear of the bones of the joint.',
  )
  const foot = board.onFeather(
    'topFoot',
    'Foot of the opening',
    { lateral: FOOT.lateral * L, medial: FOOT.medial * L },
    'Behind the joint, where the waist is narrow.',
  )
  const way = directionAt(board.ridge, throat)
  const topLine = perSide((s): Path => smoothLine([throat, side[s], foot[s]], { start: [way[1], -way[0]] }))
  const toe = board.map.feather[board.map.feather.length - 1]!
  const opened = openVamp(board, throat, throat, [])
  const half = perSide((s): EdgeDraft[] => [
    { name: 'top line', role: top, line: topLine[s] },
    bottomEdge(roundFeather(board, s), foot[s], toe, 'lasting margin'),
  ])
  return {
    pieces: [openedPiece(board, { id: 'upper', name: 'Upper' }, half, opened)],
    topLine,
    throat,
    opened,
    ...openBehind,
  }
}

export const mule: Style = {
  sentence: 'One piece over the forefoot, open behind; it holds by its vamp alone.',
  options: [],
  topFinish: 'bound',
  facingsFinishedBy: null,
  suggests: [{ kinds: ['binding', 'bead'], why: 'The edge is all there is of a line: its colour draws it.' }],
  padded: false,
  without: ['stiffener'],
  linedBy: { behind: ['vampLining'], toes: ['vampLining'], sides: ['vampLining'] },
  bottom: 'lasting margin',
  draw,
}
