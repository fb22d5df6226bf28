import { nearest, pointAt } from '../../geometry/polyline.ts'
import type { Path, Point } from '../../geometry/path.ts'
import type { Side } from '../../trade/side.ts'
import { GIMPED_TONGUE } from '../decoration.ts'
import type { StyleOption } from '../style.ts'
import type { DesignBoard } from '../designPoints.ts'
import { edgeRules } from '../edgeRules.ts'
import type { Piece } from '../piece.ts'
import { foldedPiece, type EdgeDraft } from '../pieceMaker.ts'
import { directionAt, perSide } from './lines.ts'
import { smoothLine } from '../../geometry/smoothLine.ts'
import { mm, say } from '../../units/sentence.ts'

/** Above the top of the facings, and beside them on each side, mm. */
export const TONGUE_ABOVE = 14
const TOP_HALF = 36
/** Radius of its upper corners, mm, and chords of a drawn one. */
const CORNER = 12
const ROUND = 12

/**
 * The tongue: as long as the facings and a little more, wider at the top than at its base. Its base goes under the
 * throat, of which `throatHalf` mm a side are stitched to it.
 */
export function tongue(board: DesignBoard, facingLength: number, throatHalf: number, name = 'Tongue'): Piece {
  const length = facingLength + TONGUE_ABOVE
  const base = throatHalf + board.book.value(edgeRules.lapUnder) + 6
  const half = (): EdgeDraft[] => {
    const side = smoothLine([
      [CORNER, -TOP_HALF],
      [0.35 * length, -TOP_HALF * 0.97],
      [0.75 * length, -(base + 0.35 * (TOP_HALF - base))],
      [length, -base],
    ])
    const corner: Point[] = [
      [0, 0],
      ...Array.from({ length: ROUND + 1 }, (_, k): Point => {
        const a = (Math.PI / 2) * (k / ROUND)
        return [CORNER * (1 - Math.cos(a)), -TOP_HALF + CORNER * (1 - Math.sin(a))]
      }),
    ]
    return [
      { name: 'top', role: 'raw', line: corner },
      { name: 'side', role: 'raw', line: side },
      {
        name: 'base beside the throat',
        role: 'lap under',
        line: [
          [length, -base],
          [length, -throatHalf],
        ],
      },
      {
        name: 'base',
        role: 'lap under',
        line: [
          [length, -throatHalf],
          [length, 0],
        ],
        seam: 'throat',
      },
    ]
  }
  const piece = foldedPiece(
    { id: 'tongue', name },
    perSide(half),
    {
      from: [length, 0],
      to: [0, 0],
      onForme: [
        [length, 0],
        [0, 0],
      ],
    },
    board.book,
  )
  // It lies under the facings, not on the forme.
  return {
    ...piece,
    places: [],
    becauses: [
      {
        id: 'length',
        quantity: 'Length of the tongue',
        value: length,
        unit: 'mm',
        sentence: say`As long as the facings (${mm(facingLength, 0)}) and ${mm(TONGUE_ABOVE)}, so that the laces do not press on its edge.`,
        inputs: [{ name: 'Facing', value: facingLength, unit: 'mm' }],
        origin: 'measured on the last',
      },
    ],
  }
}

/** The option by which a tongue is cut in one with the vamp. */
export const TONGUE_IN_ONE = 'tongueInOne'

/** The option of styles with a tongue whose top may be cut in teeth. */
export const gimpedTongueOption: StyleOption = { key: GIMPED_TONGUE, name: 'Gimped tongue', byDefault: false }

/** Half its width half-way down and just behind the end of the facings, mm; and how far behind that is. */
const MIDDLE_HALF = 31
const NECK = { half: 17, behind: 14 }

/**
 * A tongue that goes on from the vamp under the facings, on the forme beside the ridge: its top square to the ridge, its
 * sides drawn in to where the facings end. `edges` are the facings from their tops forwards.
 */
export function tongueOnVamp(
  board: DesignBoard,
  facings: Record<Side, Path>,
): { top: Point; edges: Record<Side, EdgeDraft[]> } {
  const { ridge } = board
  const from = Math.max(0, nearest(ridge, facings.lateral[0]!).at - TONGUE_ABOVE)
  const to = nearest(ridge, facings.lateral[facings.lateral.length - 1]!).at
  const top = pointAt(ridge, from)
  const beside = (at: number, by: number): Point => {
    const p = pointAt(ridge, at)
    const [dx, dy] = directionAt(ridge, p)
    return [p[0] + dy * by, p[1] - dx * by]
  }
  const corner = beside(from, TOP_HALF)
  return {
    top,
    edges: perSide((side): EdgeDraft[] => [
      { name: 'top of the tongue', role: 'raw', line: [top, corner] },
      {
        name: 'side of the tongue',
        role: 'raw',
        line: smoothLine([
          corner,
          beside((from + to) / 2, MIDDLE_HALF),
          beside(to - NECK.behind, NECK.half),
          facings[side][facings[side].length - 1]!,
        ]),
      },
    ]),
  }
}
