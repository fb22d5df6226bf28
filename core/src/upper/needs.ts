import type { FormeMap } from '../forme/formeMap.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { UpperDecisions } from '../model/upper.ts'

/** What the upper needs to know of the rest of the pair. */
export interface UpperNeeds {
  map: FormeMap
  decisions: UpperDecisions
  book: RuleBook
  heelHeight: number
  /** Short heel of the last: what has to pass a boot's opening, mm. */
  heelGirth: number
  /** Thicknesses, mm. */
  layers: { upper: number; lining: number; stiffener: number }
}
