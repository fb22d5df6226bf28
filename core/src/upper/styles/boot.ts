import { foldWay } from '../../forme/opened.ts'
import { openVamp } from '../openVamp.ts'
import { nearest } from '../../geometry/polyline.ts'
import { distance, type Path } from '../../geometry/path.ts'
import { wallSides } from '../../trade/side.ts'
import type { DesignBoard } from '../designPoints.ts'
import { sidePiece, type EdgeDraft } from '../pieceMaker.ts'
import { openedPiece } from './forepart.ts'
import type { DrawnUpper, Style } from '../style.ts'
import { styleRules } from '../styleRules.ts'
import {
  bottomEdge,
  directionAt,
  drawBack,
  featherFrom,
  flipped,
  flippedWay,
  ontoBack,
  perSide,
  squareToBack,
} from './lines.ts'
import { meet } from '../../geometry/lineCrossing.ts'
import { smoothLine } from '../../geometry/smoothLine.ts'
import { subpath } from '../../geometry/subpath.ts'

/** Half the width of the shaft at its top, share of L: half the girth above the ankle and room for the hem. */
const SHAFT = 0.385
/** The zip ends this far above the feather, mm, so that its end is not lasted in. */
const ZIP_FOOT = 22

/** An ankle boot: vamp, a shaft of two sides closed in front and behind, and a zip on the medial side. */
function draw(board: DesignBoard): DrawnUpper {
  const L = board.length
  const top = board.decisions.topFinish ?? 'folded'
  const height = board.book.value(styleRules.bootTop) * L
  const back = drawBack(board, height, 'The shaft ends above the ankle bones.')
  const vampAt = board.onRidge(
    'vampPoint',
    'Vamp point',
    0.57 * L,
    'Behind the crease line, so that the seam of the shaft does not bend.',
  )
  const shoulder = board.above(
    'seamShoulder',
    'Shoulder of the vamp seam',
    { lateral: 0.53 * L, medial: 0.545 * L },
    0.15 * L,
    'The seam runs down behind the joint.',
  )
  const foot = board.onFeather(
    'seamFoot',
    'Foot of the vamp seam',
    { lateral: 0.44 * L, medial: 0.46 * L },
    'Where the waist is narrow and the seam lies still.',
  )
  const way = directionAt(board.ridge, vampAt)
  // Square to the fold, not to the ridge: the vamp lies over and is seen; the shaft's corner lies under it.
  const fold = foldWay(board.map, vampAt)
  const seam = perSide((side) => smoothLine([vampAt, shoulder[side], foot[side]], { start: [fold[1], -fold[0]] }))
  const crown = back.top
  const frontTop = board.shared(
    'shaftFront',
    'Top of the shaft in front',
    [crown[0] + SHAFT * L, crown[1] + 0.015 * L],
    'Half the girth of the leg at this height, with room for the hem.',
  )
  const bend = board.map.ridgeAt(0.455 * L)
  const instep = board.shared(
    'shaftInstep',
    'Instep of the shaft',
    [bend[0], bend[1] + 2],
    'The shaft leaves the ridge here and stands up.',
  )
  const front: Path = smoothLine([frontTop, instep, vampAt], { end: way })
  const topLine = perSide((): Path =>
    smoothLine([frontTop, [(frontTop[0] + crown[0]) / 2, (frontTop[1] + crown[1]) / 2 - 2], crown], {
      start: flippedWay(squareToBack(front, frontTop)),
      end: ontoBack(back),
    }),
  )
  const feather = perSide((side) => featherFrom(board, side, back.foot))
  const toe = board.map.feather[board.map.feather.length - 1]
  const opened = openVamp(board, vampAt, vampAt, Object.values(seam))
  const shaft = perSide((side): EdgeDraft[] => [
    bottomEdge(feather[side], back.foot, foot[side], 'lasting margin'),
    { name: 'under the vamp', role: 'lap under', line: flipped(seam[side]), seam: `vamp.${side}` },
    { name: 'front seam', role: 'closed seam', line: flipped(front), seam: 'front' },
    { name: 'top line', role: top, line: topLine[side] },
    { name: 'back', role: 'closed seam', line: flipped(back.line), seam: 'back' },
  ])
  // The zip runs down the medial side and stops above the feather; it parts the shaft there.
  const zipTop = board.shared(
    'zipTop',
    'Top of the zip',
    [crown[0] + 0.2 * L, crown[1]],
    'Between ankle bone and tendon, where it does not press.',
    'medial',
  )
  const zipFoot = board.shared(
    'zipFoot',
    'Foot of the zip',
    board.map.above(0.3 * L, ZIP_FOOT),
    'It ends above the feather: nothing of it may be lasted in.',
    'medial',
  )
  const drawnZip: Path = smoothLine([zipFoot, zipTop])
  const [a, b] = [drawnZip[0]!, drawnZip[drawnZip.length - 1]!]
  const l = distance(a, b)
  const long: Path = [a, [b[0] + ((b[0] - a[0]) / l) * 40, b[1] + ((b[1] - a[1]) / l) * 40]]
  const atTop = meet(long, topLine.medial, ['zip', 'top line'])
  const down = nearest(feather.medial, [a[0] - ((b[0] - a[0]) / l) * 4, a[1] - ZIP_FOOT])
  const below = down.point
  const zip: Path = [a, atTop.point]
  const m = shaft.medial
  const frontMedial: EdgeDraft[] = [
    {
      ...m[0]!,
      line: [
        below,
        ...subpath(feather.medial, down.at, nearest(feather.medial, foot.medial).at).slice(1, -1),
        foot.medial,
      ],
    },
    m[1]!,
    m[2]!,
    { ...m[3]!, line: [...subpath(topLine.medial, 0, atTop.onB).slice(0, -1), atTop.point] },
    { name: 'zip', role: 'zip', line: flipped(zip), seam: 'zip' },
    { name: 'below the zip', role: 'closed seam', line: [a, below], seam: 'belowZip' },
  ]
  const rearMedial: EdgeDraft[] = [
    { ...m[0]!, line: [...subpath(feather.medial, 0, down.at).slice(0, -1), below] },
    { name: 'below the zip', role: 'closed seam', line: [below, a], seam: 'belowZip' },
    { name: 'zip', role: 'zip', line: zip, seam: 'zip' },
    { ...m[3]!, line: [atTop.point, ...subpath(topLine.medial, atTop.onB, Infinity).slice(1)] },
    m[4]!,
  ]
  const vampHalf = perSide((side): EdgeDraft[] => [
    { name: 'vamp seam', role: 'lap over', line: seam[side], seam: 'vamp' },
    bottomEdge(feather[side], foot[side], toe!, 'lasting margin'),
  ])
  return {
    pieces: [
      openedPiece(board, { id: 'vamp', name: 'Vamp' }, vampHalf, opened),
      sidePiece({ id: 'shaft', name: 'Shaft' }, 'lateral', shaft.lateral, board.book),
      sidePiece({ id: 'shaftFront', name: 'Shaft, front' }, 'medial', frontMedial, board.book),
      sidePiece({ id: 'shaftBack', name: 'Shaft, back' }, 'medial', rearMedial, board.book),
    ],
    topLine,
    backLine: back.line,
    backBefore: back.before,
    throat: vampAt,
    facings: null,
    front,
    foot,
    halfGap: 0,
    seams: wallSides.flatMap((side) => [
      { name: 'vamp seam', side, line: seam[side] },
      { name: 'front seam', side, line: front },
    ]),
    opened,
    zip,
  }
}

export const ankleBoot: Style = {
  sentence: 'A shaft over the ankle with a zip on the medial side; folds can be laid in the vamp.',
  options: [],
  topFinish: 'folded',
  facingsFinishedBy: null,
  suggests: [
    {
      kinds: ['shaft', 'shaftFront', 'shaftBack'],
      why: 'A softer leather in the shaft bends with the ankle; the vamp keeps the firm one.',
    },
  ],
  padded: false,
  bottom: 'lasting margin',
  draw,
}
