import { pathLength } from '../geometry/path.ts'
import type { TackCounts } from '../lasting/tackCounts.ts'
import type { LastedId } from '../lasting/strip.ts'
import type { ConstructionName } from '../model/construction.ts'
import type { EdgeRole } from '../model/edgeRoles.ts'
import type { EyeletFitting } from '../model/lacing.ts'
import type { Material } from '../model/material.ts'
import type { PairDecisions } from '../model/pair.ts'
import type { TopFinish } from '../model/upper.ts'
import type { WorkDecisions } from '../model/work.ts'
import type { Seam, SewnWith } from '../seams/seam.ts'
import type { Foot } from '../trade/foot.ts'
import type { Part } from '../trade/part.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { Side } from '../trade/side.ts'
import type { OpenAt } from '../upper/upper.ts'

/** A piece of the upper, as far as work is made of it; lengths in mm. */
export interface PieceFacts {
  id: string
  name: string
  side: Side | 'whole'
  /** Length of the cut edge. */
  cut: number
  edges: readonly { role: EdgeRole; length: number }[]
  /** Holes by what they are for. */
  eyelets: number
  hooks: number
  guards: number
  buckleHoles: number
  decorative: number
  /** Diameter of the largest one that is punched for lacing, and of those that decorate; 0 where there are none. */
  eyelet: number
  decoration: number
  /** Length of edges that are cut in teeth. */
  gimped: number
  /** Length of skived edges. */
  skived: number
}

/** A seam, as far as work is made of it. */
export type SeamFacts = Pick<
  Seam,
  | 'id'
  | 'name'
  | 'kind'
  | 'seen'
  | 'way'
  | 'stitch'
  | 'sewnWith'
  | 'side'
  | 'rows'
  | 'stitches'
  | 'pitch'
  | 'length'
  | 'thickness'
  | 'thread'
  | 'knot'
> & {
  /** Pieces that it goes through. */
  pieces: readonly string[]
  /** Holes that may be made while the pieces are still apart. */
  ahead: number
  /** Whether it runs along an edge that is turned in beside a zip. */
  zip: boolean
  /** Whether its line runs on over the middle of a piece, and so over a seam that lies there. */
  across: boolean
}

/** One shoe. */
export interface ShoeFacts {
  pieces: readonly PieceFacts[]
  seams: readonly SeamFacts[]
  parts: readonly Part[]
  tacks: Readonly<Record<LastedId, TackCounts>>
  open: OpenAt
}

/** What the list of steps is read off: pieces, parts, seams and materials that are really in the pair, and ways of working. */
export interface Facts {
  construction: ConstructionName
  shoes: Readonly<Record<Foot, ShoeFacts>>
  /** Ids of what is cut for each foot by an outline of its own; pieces of the upper by their records. */
  ownOutline: ReadonlySet<string>
  materials: Readonly<Record<'insole' | 'stiffener' | 'puff' | 'midsole' | 'upper', Material>> & {
    /** Null where the house rules say what it is. */
    outsole: Material | null
  }
  finish: TopFinish
  lacing: EyeletFitting
  threads: Readonly<Record<SewnWith, string>>
  trim: PairDecisions['lining']['trim']
  paddings: Readonly<Record<Foot, PairDecisions['sock']['padding']>>
  work: WorkDecisions
  book: RuleBook
}

/** The first word of a part's id says what it is: `quarterLining.lateral` is a quarterLining. */
export const kindOf = (id: string): string => id.split('.')[0]!

/** Parts of some kinds on one foot. */
export const partsOn = (f: Facts, foot: Foot, kinds: readonly string[]): Part[] =>
  f.shoes[foot].parts.filter((p) => kinds.includes(kindOf(p.id)))

/** Parts of some kinds that are in the pair, on either foot, each once. */
export function partsOf(f: Facts, kinds: readonly string[]): Part[] {
  const right = partsOn(f, 'right', kinds)
  return [...right, ...partsOn(f, 'left', kinds).filter((p) => !right.some((r) => r.id === p.id))]
}

/** Whether either foot has a part of one of these kinds. */
export const has = (f: Facts, ...kinds: string[]): boolean => partsOf(f, kinds).length > 0

/** Pieces of the upper that either shoe has, each once. */
export function piecesOf(f: Facts): PieceFacts[] {
  const { right, left } = f.shoes
  return [...right.pieces, ...left.pieces.filter((p) => !right.pieces.some((r) => r.id === p.id))]
}

/** A figure of the parts of some kinds, summed over what is cut for these feet. */
export const sumOfParts = (
  f: Facts,
  feet: readonly Foot[],
  kinds: readonly string[],
  of: (part: Part) => number,
): number =>
  feet.reduce((sum, foot) => sum + partsOn(f, foot, kinds).reduce((one, p) => one + (p.count / 2) * of(p), 0), 0)

/** A figure of the upper's pieces, summed over these feet. */
export const sumOfPieces = (f: Facts, feet: readonly Foot[], of: (piece: PieceFacts) => number): number =>
  feet.reduce((sum, foot) => sum + f.shoes[foot].pieces.reduce((one, p) => one + of(p), 0), 0)

/** Stitches and length (mm) of a named stitch line of a part, on these feet. */
export function stitchLine(f: Facts, feet: readonly Foot[], id: string, name: string) {
  const lines = feet.flatMap((foot) =>
    f.shoes[foot].parts.filter((p) => p.id === id).flatMap((p) => p.lines.filter((l) => l.name === name)),
  )
  return {
    // Spaces between holes: one fewer where the seam has two ends, as many where it runs all round.
    stitches: lines.reduce((sum, l) => sum + Math.max(0, (l.holes?.length ?? 0) - (l.closed ? 0 : 1)), 0),
    length: lines.reduce((sum, l) => sum + pathLength(l.path, l.closed), 0),
  }
}
