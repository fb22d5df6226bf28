import type { DrawablePart } from '@gentle-awl/core'

export type Foot = 'right' | 'left'

/** One part of the pair as it is cut for each foot it is in; both feet's are drawn as right ones. */
export interface PairPart {
  id: string
  name: string
  feet: { foot: Foot; part: DrawablePart }[]
}

/**
 * Parts of both feet, in the order of the right ones. Without left ones of their own the left shoe's are the right
 * one's, to be mirrored.
 */
export function pairParts(right: readonly DrawablePart[], left: readonly DrawablePart[] | null = null): PairPart[] {
  const lefts = new Map((left ?? right).map((p) => [p.id, p]))
  const both = right.map((part): PairPart => {
    const other = lefts.get(part.id)
    lefts.delete(part.id)
    return {
      id: part.id,
      name: part.name,
      feet: [...(other ? [{ foot: 'left' as const, part: other }] : []), { foot: 'right' as const, part }],
    }
  })
  return [
    ...both,
    ...[...lefts.values()].map((part) => ({ id: part.id, name: part.name, feet: [{ foot: 'left' as const, part }] })),
  ]
}

/** Pieces to cut of it for the pair. */
export const piecesOf = (part: PairPart): number => part.feet.reduce((sum, f) => sum + f.part.count / 2, 0)
