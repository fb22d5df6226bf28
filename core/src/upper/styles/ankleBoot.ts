import { nearest } from '../../geometry/polyline.ts'
import { distance, type Path } from '../../geometry/path.ts'
import type { DesignBoard } from '../designPoints.ts'
import { sidePiece, type EdgeDraft } from '../pieceMaker.ts'
import type { DrawnUpper, Style } from '../style.ts'
import { styleRules } from '../styleRules.ts'
import { drawBack, flipped } from './lines.ts'
import { backStripOption, withBackStrip } from './backStrip.ts'
import { drawnShaft, shaftGround } from './shaftGround.ts'
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
  const back = drawBack(board, board.book.value(styleRules.bootTop) * L, 'The shaft ends above the ankle bones.')
  const crown = back.top
  const bend = board.map.ridgeAt(0.455 * L)
  const ground = shaftGround(board, back, {
    vampAt: { x: 0.57 * L, why: 'Behind the crease line, so that the seam of the shaft does not bend.' },
    top: {
      at: board.map.standing(crown, SHAFT * L, 0.015 * L),
      why: 'Half the girth of the leg at this height, with room for the hem.',
    },
    instep: () => ({ at: [bend[0], bend[1] + 2], why: 'The shaft leaves the ridge here and stands up.' }),
  })
  const { shaft, topLine, feather, foot } = ground
  // The zip runs down the medial side and stops above the feather; it parts the shaft there.
  const zipTop = board.shared(
    'zipTop',
    'Top of the zip',
    board.map.standing(crown, 0.2 * L, 0),
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
  return {
    ...drawnShaft(ground),
    pieces: [
      ground.vamp,
      sidePiece({ id: 'shaft', name: 'Shaft' }, 'lateral', shaft.lateral, board.book),
      sidePiece({ id: 'shaftFront', name: 'Shaft, front' }, 'medial', frontMedial, board.book),
      sidePiece({ id: 'shaftBack', name: 'Shaft, back' }, 'medial', rearMedial, board.book),
    ],
    zip,
  }
}

export const ankleBoot: Style = {
  sentence: 'A shaft over the ankle with a zip on the medial side; folds can be laid in the vamp.',
  options: [backStripOption],
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
  draw: (board) => withBackStrip(board, draw(board)),
}
