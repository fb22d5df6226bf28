import { offsetLine } from '../../geometry/offsetLine.ts'
import type { Path, Point } from '../../geometry/path.ts'
import { nearest, pointAt } from '../../geometry/polyline.ts'
import { smoothLine } from '../../geometry/smoothLine.ts'
import { subpath } from '../../geometry/subpath.ts'
import type { DesignBoard } from '../designPoints.ts'
import type { DrawnUpper, ShaftLace, Style } from '../style.ts'
import { styleGaps, styleRules } from '../styleRules.ts'
import { backStripOption, withBackStrip } from './backStrip.ts'
import { gimpedTongueOption } from './tongue.ts'
import { derby, drawOpenTabs, type BehindTabs } from './derby.ts'
import { drawBack, flippedWay, ontoBack, perSide, squareToBack } from './lines.ts'

/** Half the width of the laced shaft at its top, share of L. */
const SHAFT = 0.385
/** The front leaves the ridge here, share of L, and lies on it from the second place forwards. */
const BEND = 0.45
const ON_RIDGE = 0.505
/** Between the places at which the front follows the ridge, mm. */
const STEP = 9

/** The shaft behind the tabs: its front rises from the ridge and is laced all the way up. */
function shaft(board: DesignBoard, tabAt: Point): BehindTabs & { centre: Path; lace: ShaftLace } {
  const { book, length: L } = board
  const back = drawBack(board, book.value(styleRules.lacedTop) * L, styleRules.lacedTop.why)
  const vampAt = board.onRidge(
    'vampPoint',
    'Vamp point',
    book.value(styleRules.derbyVamp) * L,
    styleRules.derbyVamp.why,
    styleRules.derbyVamp,
  )
  const crown = back.top
  const top = board.shared(
    'facingTop',
    'Top of the facing, in the middle',
    board.map.standing(crown, SHAFT * L, 0.015 * L),
    'Half the girth of the leg at this height.',
  )
  const bend = board.map.ridgeAt(BEND * L)
  const instep = board.shared(
    'shaftInstep',
    'Instep of the shaft',
    [bend[0], bend[1] + 2],
    'The shaft leaves the ridge here and stands up.',
  )
  const begins = nearest(board.ridge, board.map.ridgeAt(ON_RIDGE * L)).at
  const ends = nearest(board.ridge, tabAt).at
  const steps = Math.max(2, Math.round((ends - begins) / STEP))
  const along = Array.from({ length: steps + 1 }, (_, k) =>
    pointAt(board.ridge, begins + ((ends - begins) * k) / steps),
  )
  const centre: Path = smoothLine([top, instep, ...along])
  const halfGap = book.value(styleGaps.derby) / 2
  const inner = halfGap > 0.05 ? offsetLine(centre, -halfGap) : centre
  const edge = perSide(() => inner)
  const first = inner[0]!
  return {
    back,
    halfGap,
    vampAt,
    edge,
    topLine: perSide((): Path =>
      smoothLine([first, [(first[0] + crown[0]) / 2, (first[1] + crown[1]) / 2 - 2], crown], {
        start: flippedWay(squareToBack(centre, top)),
        end: ontoBack(back),
      }),
    ),
    tongue: nearest(centre, vampAt).at,
    centre,
    lace: { bend: nearest(inner, instep).at, onLast: nearest(inner, along[0]!).at },
  }
}

/** A derby on a shaft: quarters over vamp, laced from the tabs up, with hooks above the bend. */
function draw(board: DesignBoard): DrawnUpper {
  let behind: ReturnType<typeof shaft> | null = null
  const drawn = drawOpenTabs(
    board,
    'lasting margin',
    board.decisions.topFinish ?? 'folded',
    (b, tabAt) => (behind = shaft(b, tabAt)),
  )
  const { centre, lace } = behind!
  return { ...drawn, front: subpath(centre, 0, nearest(centre, drawn.throat).at), shaftLace: lace }
}

export const lacedBoot: Style = {
  ...derby,
  options: [{ key: 'toeCap', name: 'Toe cap', byDefault: false }, gimpedTongueOption, backStripOption],
  sentence: 'Quarters over the vamp rise to a shaft; eyelets over the instep, hooks above the bend.',
  suggests: [
    { kinds: ['quarter'], why: 'A softer leather in the shaft bends with the ankle; the vamp keeps the firm one.' },
  ],
  draw: (board) => withBackStrip(board, draw(board)),
}
