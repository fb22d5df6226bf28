import type { Gathered } from '../gathers.ts'
import { subpathBetween } from '../../geometry/subpath.ts'
import { distance, type Path, type Point } from '../../geometry/path.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import type { DesignBoard } from '../designPoints.ts'
import { foldedPiece, type EdgeDraft, type PieceDraft } from '../pieceMaker.ts'
import type { EdgeRole } from '../../model/edgeRoles.ts'
import type { Piece } from '../piece.ts'
import { styleRules } from '../styleRules.ts'
import { across, bottomEdge, flipped, perSide } from './lines.ts'

/** The centre line of the forme from the toe back to a place of the ridge. */
const centreBack = ({ map }: Pick<DesignBoard, 'map'>, to: Point): Path =>
  flipped(subpathBetween(map.centre, to, map.centre[map.centre.length - 1]!))

/** A piece folded along the centre line in front and opened out: a vamp, an upper in one, or as a lining without the folds. */
export function openedPiece(
  board: Pick<DesignBoard, 'map' | 'book'>,
  draft: PieceDraft,
  half: Record<Side, EdgeDraft[]>,
  opened: Gathered,
  as: 'gathered' | 'plain' = 'gathered',
): Piece {
  const { fold, place } = as === 'plain' ? opened.plain : opened
  const onForme = centreBack(board, half.lateral[0]!.line[0]!)
  const ticks = opened.gathers?.marks.centre
  return foldedPiece(draft, half, { from: fold.to, to: fold.from, onForme }, board.book, place, ticks)
}

/** The vamp, and the toe cap that is cut off it and lies over it where the pair has one. `line` is the cap's, by side. */
export function forepart(
  board: DesignBoard,
  vampHalf: Record<Side, EdgeDraft[]>,
  feather: Record<Side, Path>,
  toe: Point,
  opened: Gathered,
  bottom: EdgeRole,
): { pieces: Piece[]; line: Record<Side, Path> | null } {
  if (!board.option('toeCap')) {
    return { pieces: [openedPiece(board, { id: 'vamp', name: 'Vamp' }, vampHalf, opened)], line: null }
  }
  const L = board.length
  const capAt = board.onRidge(
    'capPoint',
    'Toe-cap point',
    board.book.value(styleRules.capLine) * L,
    styleRules.capLine.why,
    styleRules.capLine,
  )
  const feet = board.onFeather(
    'capFoot',
    'Foot of the toe-cap line',
    {
      lateral: (board.book.value(styleRules.capLine) - 0.015) * L,
      medial: (board.book.value(styleRules.capLine) + 0.005) * L,
    },
    'Square to the centre line of the shoe, which turns inwards at the toe.',
  )
  const line = across(board, capAt, feet)
  const place = opened.place
  const run = distance(opened.fold.from, opened.fold.to)
  const at = place(capAt)
  const share = distance(opened.fold.from, at) / run
  const onFold: Point = [
    opened.fold.from[0] + (opened.fold.to[0] - opened.fold.from[0]) * share,
    opened.fold.from[1] + (opened.fold.to[1] - opened.fold.from[1]) * share,
  ]
  const vamp = perSide((side): EdgeDraft[] => {
    const kept = vampHalf[side].slice(0, -1)
    const start = vampHalf[side][vampHalf[side].length - 1]!.line[0]
    return [
      ...kept,
      bottomEdge(feather[side], start!, feet[side], bottom),
      { name: 'under the cap', role: 'lap under', line: flipped(line[side]), seam: 'cap' },
    ]
  })
  const cap = perSide((side): EdgeDraft[] => [
    { name: 'cap edge', role: 'lap over', line: line[side], seam: 'cap' },
    {
      ...bottomEdge(feather[side], feet[side], toe, bottom),
      line: [feet[side], ...subpathBetween(feather[side], feet[side], toe).slice(1)],
    },
  ])
  return {
    line,
    pieces: [
      foldedPiece(
        { id: 'cap', name: 'Toe cap' },
        cap,
        { from: opened.fold.to, to: onFold, onForme: centreBack(board, capAt) },
        board.book,
        place,
        opened.gathers?.marks.centre,
      ),
      foldedPiece(
        { id: 'vamp', name: 'Vamp' },
        vamp,
        {
          from: onFold,
          to: opened.fold.from,
          onForme: subpathBetween(board.map.centre, capAt, vampHalf.lateral[0]!.line[0]!),
        },
        board.book,
        place,
        opened.gathers?.marks.centre,
      ),
    ],
  }
}

/** The toe-cap line among the seams, where there is one. */
export const capSeams = (line: Record<Side, Path> | null) =>
  line ? wallSides.map((side) => ({ name: 'toe-cap line', side, line: line[side] })) : []
