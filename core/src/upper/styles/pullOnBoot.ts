import type { FormeMap } from '../../forme/formeMap.ts'
import { nearest } from '../../geometry/polyline.ts'
import type { Path, Point } from '../../geometry/path.ts'
import { smoothLine } from '../../geometry/smoothLine.ts'
import { wallSides } from '../../trade/side.ts'
import { mm, say } from '../../units/sentence.ts'
import type { DesignBoard } from '../designPoints.ts'
import { sidePiece } from '../pieceMaker.ts'
import { shaftFolds } from '../shaftFolds.ts'
import { shaftWidth } from '../shaftWidth.ts'
import type { DrawnUpper, Style } from '../style.ts'
import { styleRules } from '../styleRules.ts'
import { drawBack, type BackLine } from './lines.ts'
import { pullLoop } from './pullLoop.ts'
import { drawnShaft, shaftGround } from './shaftGround.ts'

/** The vamp ends between these places, shares of L: no further back than on other boots, still behind the crease line. */
const VAMP = { from: 0.57, to: 0.65 }
/**
 * The front begins to stand so much of L above the place of the vamp's end, and moves out in such steps until the heel
 * passes, mm.
 */
const RISE = 0.1
const STEP = 0.5
const MOST_STEPS = 70
/** The vamp ends so much further out than the heel asks for, mm: above it the front curves in a little. */
const SPARE = 5
/** At its top the shaft is so much wider, mm: the hem must not be the narrowest. */
const HEM = 2
/** The front stands on the vamp nearly upright: led in along the ridge it would come too near to the heel. */
const DOWN = { forward: 0.3, up: -1 }
const down = (map: FormeMap): Point => map.standing([0, 0], DOWN.forward, DOWN.up)
/** How high a place of the forme is as the leg stands. */
const upOf = ({ upright }: FormeMap, p: Point): number => p[0] * upright[0] + p[1] * upright[1]
/** Folds begin so much of L above the end of the vamp, and end so far below the top of the back, mm. */
const FOLDS = { low: 0.02, hem: 25 }
/** And its front so much higher than its back, share of L. */
const FRONT_HIGHER = 0.02

/**
 * The first place of the ridge that lies a little further from the back line than the shaft is to be wide, mm from the
 * heel back.
 */
function vampEnd(board: DesignBoard, back: BackLine, width: number): number {
  const L = board.length
  for (let x = VAMP.from * L; x < VAMP.to * L; x += 1) {
    if (nearest(back.line, board.map.ridgeAt(x)).away >= width + SPARE) return x
  }
  return VAMP.to * L
}

/** Where the front stands away from the ridge, so that nowhere it comes nearer to the back line than `width`. */
function bendOf(board: DesignBoard, back: BackLine, top: Point, vampAt: Point, width: number): Point {
  const { map } = board
  const level = upOf(map, vampAt) + RISE * board.length
  const behind = back.line.reduce((best, p) =>
    Math.abs(upOf(map, p) - level) < Math.abs(upOf(map, best) - level) ? p : best,
  )
  for (let step = 0; step <= MOST_STEPS; step++) {
    const at = map.standing(behind, width + step * STEP, 0)
    const front: Path = smoothLine([top, at, vampAt], { end: down(map) })
    if (shaftWidth(front, back.line).width >= width) return at
  }
  return map.standing(behind, width, 0)
}

/** A boot without any opening: its shaft is as wide all the way down as the heel of the foot asks for. */
function draw(board: DesignBoard): DrawnUpper {
  const { book, length: L } = board
  const back = drawBack(board, book.value(styleRules.pullOnTop) * L, styleRules.pullOnTop.why)
  const round = board.heelGirth * book.value(styleRules.pullOnEase)
  const width = round / 2
  const why = say`The heel has to pass: ${mm(board.heelGirth, 0)} round by the short heel of the last, half of it on either side.`
  const top = board.map.standing(back.top, width + HEM, FRONT_HIGHER * L)
  const ground = shaftGround(board, back, {
    vampAt: { x: vampEnd(board, back, width), why },
    top: { at: top, why },
    comesDown: down(board.map),
    instep: (vampAt) => ({ at: bendOf(board, back, top, vampAt, width), why }),
  })
  // Above the stiffener, and below the hem, which has to lie flat.
  const folds = shaftFolds(
    board.map,
    board.decisions,
    { front: ground.front, back: back.line },
    { low: upOf(board.map, ground.vampAt) + FOLDS.low * L, high: upOf(board.map, back.top) - FOLDS.hem },
  )
  return {
    ...drawnShaft(ground),
    shaftFolds: folds?.gathers ?? null,
    pieces: [
      ground.vamp,
      ...wallSides.map((side) =>
        sidePiece({ id: 'shaft', name: 'Shaft' }, side, ground.shaft[side], book, folds?.place),
      ),
      ...wallSides.map((side) => pullLoop(side, book)),
    ],
    zip: null,
  }
}

export const pullOnBoot: Style = {
  sentence:
    'A wide shaft without any opening, drawn on by two loops; folds can be laid in the vamp or round the shaft.',
  options: [],
  topFinish: 'folded',
  facingsFinishedBy: null,
  suggests: [
    {
      kinds: ['shaft'],
      why: 'A softer leather in the shaft falls into folds over the ankle; the vamp keeps the firm one.',
    },
    { kinds: ['pullLoop'], why: 'Loops take the whole pull: a firm leather that does not stretch.' },
  ],
  padded: false,
  shaftFolds: true,
  bottom: 'lasting margin',
  draw,
}
