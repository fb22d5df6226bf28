import { openVamp } from '../openVamp.ts'
import { pathLength, type Path, type Point } from '../../geometry/path.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import { sidePiece, type EdgeDraft } from '../pieceMaker.ts'
import type { DrawnUpper, Style } from '../style.ts'
import { styleGaps, styleRules } from '../styleRules.ts'
import type { DesignBoard } from '../designPoints.ts'
import type { EdgeRole } from '../../model/edgeRoles.ts'
import { facingRole, lacedGround } from './laced.ts'
import { capSeams, forepart } from './forepart.ts'
import { backStripOption, withBackStrip } from './backStrip.ts'
import { gimpedTongueOption, tongue, TONGUE_IN_ONE, tongueOnVamp } from './tongue.ts'
import { bottomEdge, facing, featherFrom, flipped, ontoBack, perSide, type BackLine } from './lines.ts'
import { subpathBetween } from '../../geometry/subpath.ts'
import { smoothLine } from '../../geometry/smoothLine.ts'

/** Where the quarters meet the feather in front, shares of L. */
const TAB_FOOT = { lateral: 0.5, medial: 0.535 }

/** What stands behind open tabs: a low shoe's quarters, or a shaft. */
export interface BehindTabs {
  back: BackLine
  halfGap: number
  vampAt: Point
  /** Edges of the facings from their tops forwards to the front of the tabs. */
  edge: Record<Side, Path>
  topLine: Record<Side, Path>
  /** Along the middle from the tops of the facings to the vamp point, mm. */
  tongue: number
}

const tabFront = (board: DesignBoard) =>
  board.onRidge(
    'tabFront',
    'Front of the tabs',
    board.book.value(styleRules.derbyTab) * board.length,
    styleRules.derbyTab.why,
    styleRules.derbyTab,
  )

/** Behind the tabs of a low shoe. */
function lowQuarters(board: DesignBoard, tabAt: Point): BehindTabs {
  const { back, ankle, halfGap, topAt, vampAt } = lacedGround(board, styleGaps.derby, styleRules.derbyVamp)
  const edge = perSide(() => facing(board, halfGap, topAt, tabAt))
  return {
    back,
    halfGap,
    vampAt,
    edge,
    topLine: perSide((side) => smoothLine([edge[side][0]!, ankle[side], back.top], { end: ontoBack(back) })),
    tongue: pathLength(subpathBetween(board.ridge, topAt, vampAt)),
  }
}

/** Quarters over vamp with open tabs; also the ground plan of the trainer, the stitch-down shoe and the laced boot. */
export function drawOpenTabs(
  board: DesignBoard,
  bottom: EdgeRole,
  top: EdgeRole,
  behind: (board: DesignBoard, tabAt: Point) => BehindTabs = lowQuarters,
): DrawnUpper & { facings: Record<Side, Path>; backLine: Path; quarters: Record<Side, EdgeDraft[]> } {
  const L = board.length
  const tabAt = tabFront(board)
  const { back, halfGap, vampAt, edge, topLine, tongue: tongueLength } = behind(board, tabAt)
  const foot = board.onFeather(
    'tabFoot',
    'Foot of the tab line',
    { lateral: TAB_FOOT.lateral * L, medial: TAB_FOOT.medial * L },
    'Behind the joint, where the waist is narrow.',
  )
  const belly = board.above(
    'tabBelly',
    'Belly of the tab line',
    { lateral: 0.575 * L, medial: 0.6 * L },
    0.115 * L,
    'The tab is rounded so that it follows the foot when it bends.',
  )
  const frontOf = perSide((side) => {
    const line = edge[side]
    return line[line.length - 1]
  })
  const tab = perSide((side) => smoothLine([frontOf[side]!, belly[side], foot[side]], { start: [0.35, -1] }))
  const feather = perSide((side) => featherFrom(board, side, back.foot))
  const throatEnd = perSide((side) => subpathBetween(edge[side], vampAt, tabAt)[0])
  const onVamp = board.option(TONGUE_IN_ONE) ? tongueOnVamp(board, edge) : null
  const opened = onVamp
    ? openVamp(board, onVamp.top, onVamp.top, Object.values(tab))
    : openVamp(board, vampAt, tabAt, Object.values(tab))
  const toe = board.map.feather[board.map.feather.length - 1]
  const quarters = perSide((side): EdgeDraft[] => [
    bottomEdge(feather[side], back.foot, foot[side], bottom),
    { name: 'tab', role: 'lap over', line: flipped(tab[side]), seam: `tab.${side}` },
    { name: 'facing', role: facingRole(board, top), line: flipped(edge[side]) },
    { name: 'top line', role: top, line: topLine[side] },
    { name: 'back', role: 'closed seam', line: flipped(back.line), seam: 'back' },
  ])
  const throat = (side: Side): EdgeDraft[] => [
    { name: 'throat', role: 'lap over', line: [vampAt, throatEnd[side]!], seam: 'throat' },
    { name: 'under the facing', role: 'lap under', line: subpathBetween(edge[side], throatEnd[side]!, frontOf[side]!) },
  ]
  const vampHalf = perSide((side): EdgeDraft[] => [
    ...(onVamp ? onVamp.edges[side] : throat(side)),
    { name: 'under the tab', role: 'lap under', line: tab[side], seam: 'tab' },
    bottomEdge(feather[side], foot[side], toe!, bottom),
  ])
  const front = forepart(board, vampHalf, feather, toe!, opened, bottom)
  const pieces = [
    ...front.pieces,
    ...wallSides.map((side) => sidePiece({ id: 'quarter', name: 'Quarter' }, side, quarters[side], board.book)),
    ...(onVamp ? [] : [tongue(board, tongueLength, pathLength([vampAt, throatEnd.lateral!]))]),
  ]
  return {
    pieces,
    quarters,
    topLine,
    backLine: back.line,
    backBefore: back.before,
    throat: vampAt,
    facings: edge,
    front: null,
    foot,
    halfGap,
    seams: [...wallSides.map((side) => ({ name: 'tab line', side, line: tab[side] })), ...capSeams(front.line)],
    opened,
    zip: null,
    ...(onVamp ? { tongueOnVamp: perSide((side) => onVamp.edges[side].map((e) => e.line)) } : {}),
  }
}

export const derby: Style = {
  sentence: 'Quarters lie over the vamp; the tabs open wide.',
  options: [
    { key: 'toeCap', name: 'Toe cap', byDefault: false },
    { key: TONGUE_IN_ONE, name: 'Tongue in one with the vamp', byDefault: false },
    gimpedTongueOption,
    backStripOption,
  ],
  topFinish: 'folded',
  facingsFinishedBy: null,
  suggests: [{ kinds: ['cap', 'quarter'], why: 'Cap or quarters of another colour set the open tabs off.' }],
  padded: false,
  bottom: 'lasting margin',
  draw: (board) => withBackStrip(board, drawOpenTabs(board, 'lasting margin', board.decisions.topFinish ?? 'folded')),
}
