import { nearest } from '../../geometry/along.ts'
import { wallSides, type DesignBoard } from '../designPoints.ts'
import { foldedPiece, type EdgeDraft } from '../pieceMaker.ts'
import type { DrawnUpper, Style } from '../style.ts'
import { drawOpenTabs } from './derby.ts'
import { between, bottomEdge, featherFrom, flipped, perSide, smoothLine } from './lines.ts'

/** A stitch-down shoe: vamp and one heel section, their bottom edges turned outwards, and a cover over the heel. */
function draw(board: DesignBoard): DrawnUpper {
  const L = board.length
  const base = drawOpenTabs(board, 'turned-out margin', board.decisions.topEdge ?? 'raw')
  const { quarters, backLine } = base
  const [foot, top] = [backLine[0], backLine[backLine.length - 1]]
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
  const head = nearest(
    backLine,
    board.onBack('coverBack', 'Heel cover at the back', nearest(board.back, top).at - 4, 'Just below the top line.'),
  ).point
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
    { from: head, to: foot, upright: true, onForme: flipped(between(backLine, foot, head)) },
    board.book,
  )
  const [vamp, rest] = [base.pieces.slice(0, 1), base.pieces.slice(1).filter((p) => !p.id.startsWith('quarter'))]
  return {
    ...base,
    pieces: [...vamp, section, cover, ...rest],
    seams: [...base.seams, ...wallSides.map((side) => ({ name: 'heel-cover line', side, line: line[side] }))],
  }
}

export const stitchDown: Style = {
  sentence: 'Vamp and heel section, turned outwards and stitched down on the midsole.',
  options: [],
  topEdge: 'raw',
  bottom: 'turned-out margin',
  draw,
}
