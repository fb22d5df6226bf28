import { foldWay } from '../../forme/opened.ts'
import type { Gathered } from '../gathers.ts'
import { openVamp } from '../openVamp.ts'
import type { Path, Point } from '../../geometry/path.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import type { DesignBoard } from '../designPoints.ts'
import type { EdgeDraft } from '../pieceMaker.ts'
import { openedPiece } from './forepart.ts'
import type { Piece } from '../piece.ts'
import type { DrawnUpper } from '../style.ts'
import type { Sentence } from '../../units/sentence.ts'
import {
  bottomEdge,
  directionAt,
  featherFrom,
  flipped,
  flippedWay,
  ontoBack,
  perSide,
  squareToBack,
  type BackLine,
} from './lines.ts'
import { smoothLine } from '../../geometry/smoothLine.ts'

/** Where a shaft's front and the vamp's end begin, before anybody moves them. mm on the forme. */
export interface ShaftPlaces {
  vampAt: { x: number; why: Sentence }
  top: { at: Point; why: Sentence }
  /** Where the front leaves the ridge, once it is known where the vamp ends. */
  instep: (vampAt: Point) => { at: Point; why: Sentence }
  /** The way in which the front comes down on the vamp; along the ridge where nothing is said. */
  comesDown?: Point
}

/** A vamp and a shaft of two sides, closed in front and behind. */
export interface ShaftGround {
  back: BackLine
  vampAt: Point
  front: Path
  topLine: Record<Side, Path>
  feather: Record<Side, Path>
  foot: Record<Side, Point>
  /** Edges of one side of the shaft: bottom, under the vamp, front, top line, back. */
  shaft: Record<Side, EdgeDraft[]>
  vamp: Piece
  opened: Gathered
  seams: DrawnUpper['seams']
}

/** The ground plan of boots without lacing: the vamp laps over the shaft, whose sides are closed in front and behind. */
export function shaftGround(board: DesignBoard, back: BackLine, places: ShaftPlaces): ShaftGround {
  const L = board.length
  const top = board.decisions.topFinish ?? 'folded'
  const vampAt = board.onRidge('vampPoint', 'Vamp point', places.vampAt.x, places.vampAt.why)
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
  const frontTop = board.shared('shaftFront', 'Top of the shaft in front', places.top.at, places.top.why)
  const bend = places.instep(vampAt)
  const instep = board.shared('shaftInstep', 'Instep of the shaft', bend.at, bend.why)
  const front: Path = smoothLine([frontTop, instep, vampAt], { end: places.comesDown ?? way })
  const topLine = perSide((): Path =>
    smoothLine([frontTop, [(frontTop[0] + crown[0]) / 2, (frontTop[1] + crown[1]) / 2 - 2], crown], {
      start: flippedWay(squareToBack(front, frontTop)),
      end: ontoBack(back),
    }),
  )
  const feather = perSide((side) => featherFrom(board, side, back.foot))
  const toe = board.map.feather[board.map.feather.length - 1]
  const opened = openVamp(board, vampAt, vampAt, Object.values(seam))
  const vampHalf = perSide((side): EdgeDraft[] => [
    { name: 'vamp seam', role: 'lap over', line: seam[side], seam: 'vamp' },
    bottomEdge(feather[side], foot[side], toe!, 'lasting margin'),
  ])
  return {
    back,
    vampAt,
    front,
    topLine,
    feather,
    foot,
    shaft: perSide((side): EdgeDraft[] => [
      bottomEdge(feather[side], back.foot, foot[side], 'lasting margin'),
      { name: 'under the vamp', role: 'lap under', line: flipped(seam[side]), seam: `vamp.${side}` },
      { name: 'front seam', role: 'closed seam', line: flipped(front), seam: 'front' },
      { name: 'top line', role: top, line: topLine[side] },
      { name: 'back', role: 'closed seam', line: flipped(back.line), seam: 'back' },
    ]),
    vamp: openedPiece(board, { id: 'vamp', name: 'Vamp' }, vampHalf, opened),
    opened,
    seams: wallSides.flatMap((side) => [
      { name: 'vamp seam', side, line: seam[side] },
      { name: 'front seam', side, line: front },
    ]),
  }
}

/** What a boot's ground plan says of the drawn upper; the pieces are its style's. */
export const drawnShaft = ({ back, vampAt, front, topLine, foot, seams, opened }: ShaftGround) => ({
  topLine,
  backLine: back.line,
  backBefore: back.before,
  throat: vampAt,
  facings: null,
  front,
  foot,
  halfGap: 0,
  seams,
  opened,
})
