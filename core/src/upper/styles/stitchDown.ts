import { nearest } from '../../geometry/polyline.ts'
import { pathLength } from '../../geometry/path.ts'
import { wallSides } from '../../trade/side.ts'
import type { DesignBoard } from '../designPoints.ts'
import type { Piece } from '../piece.ts'
import { sewnAlong, sewnRules } from '../sewnLine.ts'
import { foldedPiece, type EdgeDraft } from '../pieceMaker.ts'
import type { DrawnUpper, Style } from '../style.ts'
import { drawOpenTabs } from './derby.ts'
import { gimpedTongueOption, TONGUE_IN_ONE } from './tongue.ts'
import { bottomEdge, featherFrom, flipped, perSide } from './lines.ts'
import { subpathBetween } from '../../geometry/subpath.ts'
import { smoothLine } from '../../geometry/smoothLine.ts'
import { kindOf } from '../../trade/partCatalogue.ts'

/** A stitch-down shoe: vamp and one heel section, their bottom edges turned outwards, and a cover over the heel. */
function draw(board: DesignBoard): DrawnUpper {
  const L = board.length
  const base = drawOpenTabs(board, 'turned-out margin', board.decisions.topFinish ?? 'raw')
  const { quarters, backLine } = base
  const [foot, top] = [backLine[0]!, backLine[backLine.length - 1]!]
  // The heel section is both quarters in one: there is no back seam, the back line is the fold.
  const fold = { from: top, to: foot, upright: true, onForme: flipped(backLine) }
  const section = foldedPiece(
    { id: 'heelSection', name: 'Heel section' },
    perSide((side): EdgeDraft[] => quarters[side].slice(0, 4).map((e) => ({ ...e, seam: e.seam && 'tab' }))),
    fold,
    board.book,
  )
  const reach = board.onFeather(
    'coverFoot',
    'Front of the heel cover',
    0.3 * L,
    'It covers what the stiffener would: the cup of the heel.',
  )
  const onBack = nearest(
    backLine,
    board.onBack('coverBack', 'Heel cover at the back', nearest(board.back, top).at - 4, 'Just below the top line.'),
  ).point
  // The cover is made from the folded half of the section: it has the section's own fold, so that their holes meet.
  const head = nearest([foot, top], onBack).point
  const shoulder = board.above(
    'coverShoulder',
    'Shoulder of the heel cover',
    0.17 * L,
    0.11 * L,
    'A round that runs with the heel.',
  )
  const line = perSide((side) => smoothLine([head, shoulder[side], reach[side]], { start: [1, -0.05] }))
  const cover = foldedPiece(
    { id: 'heelCover', name: 'Heel cover' },
    perSide((side): EdgeDraft[] => [
      bottomEdge(featherFrom(board, side, foot), foot, reach[side], 'turned-out margin'),
      { name: 'cover edge', role: 'lap over', line: flipped(line[side]) },
    ]),
    { from: head, to: foot, upright: true, onForme: flipped(subpathBetween(backLine, foot, onBack)) },
    board.book,
  )
  const edges = cover.edges.filter((e) => e.name === 'cover edge').map((e) => e.line)
  const seam = sewnAlong('heel cover seam', edges, board.book)
  const shared = (piece: Piece): Piece => ({
    ...piece,
    sewn: [seam],
    becauses: [
      ...piece.becauses,
      {
        id: 'holes',
        quantity: 'Holes of the heel cover',
        value: seam.holes.length,
        unit: 'count',
        sentence:
          'The cover is drawn on the folded half of the heel section, so both have the same holes. Punch them through both together, once the cover is cemented on.',
        inputs: [{ name: 'Seam', value: pathLength(seam.line), unit: 'mm' }],
        origin: board.book.inForce(sewnRules.pitch).origin,
        rule: sewnRules.pitch.key,
      },
    ],
  })
  const [vamp, rest] = [base.pieces.slice(0, 1), base.pieces.slice(1).filter((p) => kindOf(p.id) !== 'quarter')]
  return {
    ...base,
    pieces: [...vamp, shared(section), shared(cover), ...rest],
    seams: [...base.seams, ...wallSides.map((side) => ({ name: 'heel-cover line', side, line: line[side] }))],
  }
}

export const stitchDown: Style = {
  sentence: 'Vamp and heel section, turned outwards and stitched down on the midsole.',
  options: [{ key: TONGUE_IN_ONE, name: 'Tongue in one with the vamp', byDefault: false }, gimpedTongueOption],
  topFinish: 'raw',
  facingsFinishedBy: null,
  suggests: [
    { kinds: ['heelCover'], why: 'The heel cover stands for the stiffener: a firmer leather holds the heel.' },
  ],
  padded: false,
  bottom: 'turned-out margin',
  draw,
}
