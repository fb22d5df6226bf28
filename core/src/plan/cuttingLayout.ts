import type { NestInstance, Placement } from '../nesting/instance.ts'
import type { CuttingGroup, CutPiece, FootCut } from './cuttingList.ts'

/** How pieces may be turned on a sheet: their tight direction along it, or as they fit. */
export type LayTurn = 'along' | 'free'

/** A straight sheet or the end of a roll, mm, its tight direction along its length. */
export interface StraightSheet {
  length: number
  width: number
}

/** Degrees between the turns of a piece that may lie as it fits. */
const STEP = 45

/** What can be laid by its outline: strips are cut along a straight edge. */
const laid = ({ pieces }: CuttingGroup): { piece: CutPiece; cut: FootCut }[] =>
  pieces.filter((p) => !p.strip).flatMap((piece) => piece.cuts.map((cut) => ({ piece, cut })))

const idOf = (piece: CutPiece, cut: FootCut): string => `${piece.record} ${cut.foot}`

/** All of one stuff to be laid on a sheet, face up, with `gap` mm between pieces for the knife. */
export function cuttingLayout(
  group: CuttingGroup,
  { length, width }: StraightSheet,
  gap: number,
  turn: LayTurn,
): NestInstance {
  const step = turn === 'along' ? 180 : STEP
  return {
    bin: {
      outline: [
        [0, 0],
        [length, 0],
        [length, width],
        [0, width],
      ],
      holes: [],
    },
    gap,
    max_bins: 1,
    pieces: laid(group).map(({ piece, cut }) => ({
      id: idOf(piece, cut),
      outline: cut.outline.map(([x, y]): [number, number] => [x, y]),
      count: cut.count,
      rotations: Array.from({ length: 360 / step }, (_, k) => k * step - cut.tight),
      mirror: false,
    })),
  }
}

/** What a placement is of. */
export const laidPiece = (group: CuttingGroup, { id }: Placement): { piece: CutPiece; cut: FootCut } | null =>
  laid(group).find(({ piece, cut }) => idOf(piece, cut) === id) ?? null
