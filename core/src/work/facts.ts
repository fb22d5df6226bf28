import { pathLength } from '../geometry/path.ts'
import type { Material } from '../model/material.ts'
import type { PairDecisions } from '../model/pair.ts'
import type { RuleBook } from '../model/rules.ts'
import type { Part, PartId } from '../parts/part.ts'

/** What the list of steps is read off: the parts and materials that are really in the pair. */
export interface Facts {
  construction: PairDecisions['construction']
  parts: ReadonlyMap<PartId, Part>
  materials: Readonly<Record<'insole' | 'stiffener' | 'puff' | 'midsole' | 'upper', Material>>
  padding: PairDecisions['sock']['padding']
  book: RuleBook
}

/** Cut edge of a part for both feet, mm. */
export function cutLength(facts: Facts, id: PartId): number {
  const part = facts.parts.get(id)
  return part ? 2 * pathLength(part.outline, true) : 0
}

/** Skived edges of a part for both feet, mm. */
export function skiveLength(facts: Facts, id: PartId): number {
  const part = facts.parts.get(id)
  return part ? 2 * part.skives.reduce((sum, s) => sum + pathLength(s.edge), 0) : 0
}

/** Holes along a named line for both feet; 0 when the part has none. */
export function holeCount(facts: Facts, id: PartId, name: string): number {
  return 2 * (facts.parts.get(id)?.lines.find((l) => l.name === name)?.holes?.length ?? 0)
}

/** Length of a named line of a part for both feet, mm; 0 when the part has none. */
export function lineLength(facts: Facts, id: PartId, name: string): number {
  const line = facts.parts.get(id)?.lines.find((l) => l.name === name)
  return line ? 2 * pathLength(line.path, line.closed) : 0
}
