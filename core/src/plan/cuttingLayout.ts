import type { NestInstance, Placement } from '../nesting/instance.ts'
import type { Hide, HideGrade } from '../model/hide.ts'
import type { Path } from '../geometry/path.ts'
import type { CuttingGroup, CutPiece, FootCut } from './cuttingList.ts'

/** How pieces may be turned: their tight direction along that of what they lie on, nearly so, or as they fit. */
export type LayTurn = 'along' | 'near' | 'free'

/** A straight sheet or the end of a roll, mm, its tight direction along its length. */
export interface StraightSheet {
  length: number
  width: number
}

/** What pieces are laid on, seen from its face: a hide, or a sheet as one without flaws and zones. */
export type LayGround = Pick<Hide, 'outline' | 'flaws' | 'zones' | 'tight'>

export const sheetGround = ({ length, width }: StraightSheet): LayGround => ({
  outline: [
    [0, 0],
    [length, 0],
    [length, width],
    [0, width],
  ],
  flaws: [],
  zones: [],
  tight: 0,
})

/** Degrees between the turns of a piece that may lie as it fits. */
const STEP = 45
/** Turns off the tight direction that are near enough, degrees. */
const NEAR = [-10, -5, 0, 5, 10] as const

const turnsOf: Readonly<Record<LayTurn, readonly number[]>> = {
  along: [0, 180],
  near: [0, 180].flatMap((half) => NEAR.map((off) => half + off)),
  free: Array.from({ length: 360 / STEP }, (_, k) => k * STEP),
}

/** Pieces that cover the forepart, which is seen most and strained most in lasting; an upper in one piece is its own vamp. */
const FOREPART: readonly string[] = ['vamp', 'cap', 'upper']
/** A piece of a pattern drawn elsewhere is what it is called. */
const CALLED = /\b(vamp|cap)\b/i

/** The least that a piece is cut from: the best for vamp and toe cap, good for what else is seen, the rest wherever it finds room. */
export function gradeNeeded({ id, name, record }: Pick<CutPiece, 'id' | 'name' | 'record'>): HideGrade {
  if (record === id) return 'lesser'
  return FOREPART.includes(id) || CALLED.test(name) ? 'best' : 'good'
}

/** Zones of a hide that are not good enough for a grade. */
const tooPoor = (zones: Hide['zones'], needed: HideGrade): Path[] =>
  zones.filter(({ grade }) => needed === 'best' || (needed === 'good' && grade === 'lesser')).map((z) => z.outline)

/** What can be laid by its outline: strips are cut along a straight edge. */
const laid = ({ pieces }: CuttingGroup): { piece: CutPiece; cut: FootCut }[] =>
  pieces.filter((p) => !p.strip).flatMap((piece) => piece.cuts.map((cut) => ({ piece, cut })))

const idOf = (piece: CutPiece, cut: FootCut): string => `${piece.record} ${cut.foot}`

const corners = (path: Path): [number, number][] => path.map(([x, y]) => [x, y])

/**
 * All of one stuff to be laid on a hide or sheet, face up, with `gap` mm between pieces for the knife: none on a flaw, each
 * on a part of the hide that is good enough for it.
 */
export function cuttingLayout(group: CuttingGroup, ground: LayGround, gap: number, turn: LayTurn): NestInstance {
  return {
    bin: { outline: corners(ground.outline), holes: ground.flaws.map((f) => corners(f.outline)) },
    gap,
    max_bins: 1,
    pieces: laid(group).map(({ piece, cut }) => ({
      id: idOf(piece, cut),
      outline: corners(cut.outline),
      count: cut.count,
      rotations: turnsOf[turn].map((degrees) => degrees + ground.tight - cut.tight),
      mirror: false,
      avoid: tooPoor(ground.zones, gradeNeeded(piece)).map(corners),
    })),
  }
}

/** What a placement is of. */
export const laidPiece = (group: CuttingGroup, { id }: Placement): { piece: CutPiece; cut: FootCut } | null =>
  laid(group).find(({ piece, cut }) => idOf(piece, cut) === id) ?? null
