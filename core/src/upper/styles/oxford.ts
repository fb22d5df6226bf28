import { openVamp } from '../openVamp.ts'
import { nearest } from '../../geometry/polyline.ts'
import { pathLength, type Path, type Point } from '../../geometry/path.ts'
import { wallSides } from '../../trade/side.ts'
import type { DesignBoard } from '../designPoints.ts'
import type { Piece } from '../piece.ts'
import { sidePiece, type EdgeDraft } from '../pieceMaker.ts'
import type { DrawnUpper, Style } from '../style.ts'
import { styleGaps, styleRules } from '../styleRules.ts'
import { counter } from './counter.ts'
import { facingRole, lacedGround } from './laced.ts'
import { capSeams, forepart } from './forepart.ts'
import { backStripOption, withBackStrip } from './backStrip.ts'
import { gimpedTongueOption, tongue } from './tongue.ts'
import { bottomEdge, facing, featherFrom, flipped, ontoBack, perSide } from './lines.ts'
import { subpathBetween, joined, subpath } from '../../geometry/subpath.ts'
import { meet } from '../../geometry/lineCrossing.ts'
import { smoothLine } from '../../geometry/smoothLine.ts'

/** With this option the seam runs straight round the shoe, and one strip finishes the whole opening. */
const STRAIGHT = 'straightRound'
/** Height above the feather at which a seam runs straight round the shoe, share of L. */
const STRAIGHT_ROUND = 0.095

function draw(board: DesignBoard): DrawnUpper {
  const L = board.length
  const top = board.decisions.topFinish ?? 'folded'
  const round = board.option(STRAIGHT)
  const { back, ankle, halfGap, topAt, vampAt } = lacedGround(board, styleGaps.oxford, styleRules.oxfordVamp)
  const shoulder = board.above(
    'seamShoulder',
    'Shoulder of the vamp seam',
    { lateral: 0.575 * L, medial: 0.59 * L },
    0.165 * L,
    'The seam leaves the lacing in a round and runs down behind the joint.',
  )
  const edge = perSide(() => facing(board, halfGap, topAt, vampAt))
  const feather = perSide((side) => featherFrom(board, side, back.foot))
  const toe = board.map.feather[board.map.feather.length - 1]

  // The seam from the vamp point down: to the feather, or straight round to the back.
  let seam: Record<'lateral' | 'medial', Path>
  let foot: Record<'lateral' | 'medial', Point>
  if (round) {
    const turn = board.above(
      'seamTurn',
      'Turn of the straight seam',
      0.47 * L,
      STRAIGHT_ROUND * L,
      'From here the seam runs straight round the shoe, above the feather.',
    )
    const end = board.onBack(
      'seamBack',
      'Straight seam at the back',
      STRAIGHT_ROUND * L,
      'At one height all round, covering the stiffener’s lower half.',
    )
    const endOn = nearest(back.line, end).point
    const middle = perSide((side) =>
      board.map.above(0.25 * L, (nearest(feather[side], turn[side]).away + nearest(back.line, end).at) / 2),
    )
    seam = perSide((side) =>
      smoothLine([vampAt, shoulder[side], turn[side], middle[side], endOn], { start: [-0.25, -1] }),
    )
    foot = perSide(() => endOn)
  } else {
    foot = board.onFeather(
      'seamFoot',
      'Foot of the vamp seam',
      { lateral: 0.475 * L, medial: 0.5 * L },
      'Behind the joint, where the waist is narrow and the seam lies still.',
    )
    seam = perSide((side) => smoothLine([vampAt, shoulder[side], foot[side]], { start: [-0.25, -1] }))
  }
  // Where the seam passes the facing's edge: in front of it vamp and tongue meet, behind it vamp and quarter.
  const pass = perSide((side) => meet(seam[side], ledPast(edge[side]), ['vamp seam', 'facing']))
  const facings = perSide((side): Path => subpathBetween(edge[side], topAt, pass[side].point))
  const own = perSide((side): Path => {
    const line = subpath(seam[side], pass[side].onA, pathLength(seam[side]))
    return [facings[side][facings[side].length - 1]!, ...line.slice(1)]
  })
  const short = perSide((side): Path => [vampAt, ...subpath(seam[side], 0, pass[side].onA).slice(1, -1), own[side][0]!])
  const topLine = perSide((side) => smoothLine([facings[side][0]!, ankle[side], back.top], { end: ontoBack(back) }))
  const opened = openVamp(board, vampAt, vampAt, Object.values(seam))

  const heel = counter(board, back, feather, 'lasting margin', !round && board.option('counter'))
  const backUp = round ? subpathBetween(back.line, foot.lateral, back.top) : heel ? heel.above : back.line
  const quarterHalf = perSide((side): EdgeDraft[] => [
    ...(round
      ? []
      : heel
        ? heel.quarterEdges(side, foot[side])
        : [bottomEdge(feather[side], back.foot, foot[side], 'lasting margin')]),
    { name: 'under the vamp', role: 'lap under', line: flipped(own[side]), seam: `vamp.${side}` },
    { name: 'facing', role: facingRole(board, top, STRAIGHT), line: flipped(facings[side]) },
    { name: 'top line', role: top, line: topLine[side] },
    { name: 'back', role: 'closed seam', line: flipped(backUp), seam: 'back' },
  ])
  const vampHalf = perSide((side): EdgeDraft[] => [
    { name: 'throat', role: 'lap over', line: short[side], seam: 'throat' },
    { name: 'vamp seam', role: 'lap over', line: own[side], seam: 'vamp' },
    ...(round
      ? [
          {
            name: 'back',
            role: 'closed seam' as const,
            line: flipped(subpathBetween(back.line, back.foot, foot[side])),
            seam: 'vampBack',
          },
          bottomEdge(feather[side], back.foot, toe!, 'lasting margin'),
        ]
      : [bottomEdge(feather[side], foot[side], toe!, 'lasting margin')]),
  ])
  const front = forepart(board, vampHalf, feather, toe!, opened, 'lasting margin')
  const pieces: Piece[] = [
    ...front.pieces,
    ...wallSides.map((side) => sidePiece({ id: 'quarter', name: 'Quarter' }, side, quarterHalf[side], board.book)),
    ...(heel ? [heel.piece] : []),
    tongue(board, pathLength(subpathBetween(board.ridge, topAt, vampAt)), pathLength(short.lateral)),
  ]
  return {
    pieces,
    topLine,
    backLine: back.line,
    backBefore: back.before,
    throat: vampAt,
    facings,
    front: null,
    foot: round ? null : foot,
    halfGap,
    seams: [
      ...wallSides.map((side) => ({ name: 'vamp seam', side, line: seam[side] })),
      ...capSeams(front.line),
      ...(heel ? wallSides.map((side) => ({ name: 'counter line', side, line: heel.line[side] })) : []),
    ],
    opened,
    zip: null,
  }
}

/** The facing's edge led on past the vamp point, so that the seam is sure to pass it. */
function ledPast(edge: Path): Path {
  const [a, b] = [edge[edge.length - 2]!, edge[edge.length - 1]!]
  const l = Math.hypot(b[0] - a[0], b[1] - a[1])
  return joined(edge, [[b[0] + ((b[0] - a[0]) / l) * 8, b[1] + ((b[1] - a[1]) / l) * 8]])
}

export const oxford: Style = {
  sentence: 'The vamp lies over the quarters; the lacing closes.',
  options: [
    { key: 'toeCap', name: 'Toe cap', byDefault: false },
    { key: 'counter', name: 'Counter', byDefault: false },
    { key: STRAIGHT, name: 'Seam straight round', byDefault: false },
    gimpedTongueOption,
    backStripOption,
  ],
  topFinish: 'folded',
  facingsFinishedBy: STRAIGHT,
  suggests: [
    {
      kinds: ['cap', 'counter', 'quarter'],
      why: 'Two leathers meet along its seams: cap and counter darker, or the quarters lighter.',
    },
  ],
  padded: false,
  bottom: 'lasting margin',
  draw: (board) => withBackStrip(board, draw(board)),
}
