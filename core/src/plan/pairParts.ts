import { GeometryError } from '../geometry/path.ts'
import type { PlanInput } from '../model/pair.ts'
import type { Foot } from '../trade/foot.ts'
import type { DrawablePart } from '../trade/part.ts'
import { recordOfPiece } from '../trade/recordName.ts'
import { pieceAsPart } from '../upper/pieceAsPart.ts'
import { pieceMaterial } from './materials.ts'
import type { FootPlan, Plan } from './plan.ts'
import { markingOf } from './stitchingStage.ts'

/** One part of the pair as it is cut for each foot it is in; both feet's are drawn as right ones. */
export interface PairPart {
  id: string
  name: string
  /** The name under which making it is recorded: pieces of the upper are `upper.` and their id. */
  record: string
  feet: { foot: Foot; part: DrawablePart }[]
}

/**
 * Parts of both feet, in the order of the right ones. Without left ones of their own the left shoe's are the right
 * one's, to be mirrored.
 */
export function pairParts(
  right: readonly DrawablePart[],
  left: readonly DrawablePart[] | null = null,
  record: (id: string) => string = (id) => id,
): PairPart[] {
  const lefts = new Map((left ?? right).map((p) => [p.id, p]))
  const both = right.map((part): PairPart => {
    const other = lefts.get(part.id)
    lefts.delete(part.id)
    return {
      id: part.id,
      name: part.name,
      record: record(part.id),
      feet: [...(other ? [{ foot: 'left' as const, part: other }] : []), { foot: 'right' as const, part }],
    }
  })
  return [
    ...both,
    ...[...lefts.values()].map((part) => ({
      id: part.id,
      name: part.name,
      record: record(part.id),
      feet: [{ foot: 'left' as const, part }],
    })),
  ]
}

/** Everything of a pair but its upper's pieces. */
export const partsOfPair = (plan: Plan): PairPart[] => pairParts(plan.parts, plan.left?.parts)

/** The pieces of the upper. Throws GeometryError when it has none yet. */
export function piecesOfPair(file: Pick<PlanInput, 'decisions' | 'materials'>, plan: Plan): PairPart[] {
  const asParts = (foot: FootPlan) =>
    foot.upper.pieces.map((p) => pieceAsPart(p, pieceMaterial(file, p.id, 'upper'), markingOf(foot, p.id)))
  const pieces = pairParts(asParts(plan), plan.left && asParts(plan.left), recordOfPiece)
  if (pieces.length === 0) {
    throw new GeometryError('The upper has no piece yet: choose a style, or bring in a drawing.')
  }
  return pieces
}

/** Pieces to cut of it for the pair. */
export const piecesOf = (part: PairPart): number => part.feet.reduce((sum, f) => sum + f.part.count / 2, 0)
