import { pathLength } from '../geometry/path.ts'
import type { Material } from '../model/material.ts'
import type { PairDecisions } from '../model/pair.ts'
import type { RuleBook } from '../model/rules.ts'
import type { Part } from '../parts/part.ts'

/** What the list of steps is read off: the parts and materials that are really in the pair. */
export interface Facts {
  construction: PairDecisions['construction']
  parts: ReadonlyMap<string, Part>
  materials: Readonly<Record<'insole' | 'stiffener' | 'puff' | 'midsole' | 'upper', Material>>
  padding: PairDecisions['sock']['padding']
  book: RuleBook
}

/** The parts of a kind that are in the pair: `quarterLining` stands for the lateral and the medial one. */
export function partsOf(facts: Facts, kinds: readonly string[]): Part[] {
  return [...facts.parts.values()].filter((p) => kinds.includes(p.id.split('.')[0]))
}

/** Cut edge of some kinds of parts for both feet, mm. */
export function cutLength(facts: Facts, kinds: readonly string[]): number {
  return partsOf(facts, kinds).reduce((sum, p) => sum + p.count * pathLength(p.outline, true), 0)
}

/** Skived edges of some kinds of parts for both feet, mm. */
export function skiveLength(facts: Facts, kinds: readonly string[]): number {
  return partsOf(facts, kinds).reduce(
    (sum, p) => sum + p.count * p.skives.reduce((one, s) => one + pathLength(s.edge), 0),
    0,
  )
}

/** Holes along a named line for both feet; 0 when the part has none. */
export function holeCount(facts: Facts, id: string, name: string): number {
  return 2 * (facts.parts.get(id)?.lines.find((l) => l.name === name)?.holes?.length ?? 0)
}

/** Length of a named line of a part for both feet, mm; 0 when the part has none. */
export function lineLength(facts: Facts, id: string, name: string): number {
  const line = facts.parts.get(id)?.lines.find((l) => l.name === name)
  return line ? 2 * pathLength(line.path, line.closed) : 0
}
