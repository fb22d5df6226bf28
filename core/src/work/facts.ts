import { pathLength } from '../geometry/path.ts'
import type { Material } from '../model/material.ts'
import type { EyeletFitting } from '../model/lacing.ts'
import type { TopFinish } from '../model/upper.ts'
import type { PairDecisions } from '../model/pair.ts'
import type { TackCounts } from '../lasting/tackCounts.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { Part } from '../trade/part.ts'
import type { ClosingWork } from './closingWork.ts'

/** What of the upper makes steps of its own. */
export interface UpperFacts {
  finish: TopFinish
  /** Whether any edge is turned in on itself. */
  folds: boolean
  /** Null on a shoe without lacing. */
  eyelets: EyeletFitting | null
  tongue: boolean
}

/** What the list of steps is read off: the parts and materials that are really in the pair. */
export interface Facts {
  construction: PairDecisions['construction']
  parts: ReadonlyMap<string, Part>
  /** The left shoe's, drawn as a right one's; the same map while they are mirrors. */
  left: ReadonlyMap<string, Part>
  /** Ids of parts that are cut for each foot by an outline of its own. */
  ownOutline: ReadonlySet<string>
  materials: Readonly<Record<'insole' | 'stiffener' | 'puff' | 'midsole' | 'upper', Material>> & {
    /** Null where the house rules say what it is. */
    outsole: Material | null
  }
  /** Skived edges of the upper's pieces for both feet, mm. */
  upperSkives: number
  upper: UpperFacts
  /** Seams of the upper by the step in which they are sewn. */
  closing: ClosingWork
  /** Tacks of upper and lining, of both shoes. */
  tacks: Readonly<Record<'upper' | 'lining', TackCounts>>
  paddings: Readonly<Record<'right' | 'left', PairDecisions['sock']['padding']>>
  book: RuleBook
}

const ofKind = (parts: ReadonlyMap<string, Part>, kinds: readonly string[]) =>
  [...parts.values()].filter((p) => kinds.includes(p.id.split('.')[0]!))

/** The parts of a kind that are in the pair, on either foot: `quarterLining` stands for the lateral and the medial one. */
export function partsOf(facts: Facts, kinds: readonly string[]): Part[] {
  return [...ofKind(facts.parts, kinds), ...ofKind(facts.left, kinds).filter((p) => !facts.parts.has(p.id))]
}

/** A figure of each foot's parts of some kinds, summed over the pieces cut for both feet. */
function overBoth(facts: Facts, kinds: readonly string[], of: (part: Part) => number): number {
  return [facts.parts, facts.left].reduce(
    (sum, foot) => sum + ofKind(foot, kinds).reduce((one, p) => one + (p.count / 2) * of(p), 0),
    0,
  )
}

/** Cut edge of some kinds of parts for both feet, mm. */
export const cutLength = (facts: Facts, kinds: readonly string[]): number =>
  overBoth(facts, kinds, (p) => pathLength(p.outline, true))

/** Skived edges of some kinds of parts for both feet, mm. */
export const skiveLength = (facts: Facts, kinds: readonly string[]): number =>
  overBoth(facts, kinds, (p) => p.skives.reduce((sum, s) => sum + pathLength(s.edge), 0))

/**
 * Stitches along a named line for both feet: the spaces between its holes, one fewer than the holes where the seam has
 * two ends, as many where it runs all round; 0 when the part has none.
 */
export const stitchCount = (facts: Facts, id: string, name: string): number =>
  bothLines(facts, id, name).reduce((sum, { holes, closed }) => {
    const n = holes?.length ?? 0
    return sum + (closed ? n : Math.max(0, n - 1))
  }, 0)

/** Length of a named line of a part for both feet, mm; 0 when the part has none. */
export const lineLength = (facts: Facts, id: string, name: string): number =>
  bothLines(facts, id, name).reduce((sum, l) => sum + pathLength(l.path, l.closed), 0)

const bothLines = (facts: Facts, id: string, name: string) =>
  [facts.parts, facts.left].flatMap((foot) => foot.get(id)?.lines.filter((l) => l.name === name) ?? [])
