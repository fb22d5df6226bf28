import type { FormeMap } from '../forme/formeMap.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { ByPiece } from '../trade/cutFrom.ts'
import type { UpperDecisions } from '../model/upper.ts'

/** How far a leather gives in its loose direction, share. */
export interface Gives {
  name: string
  share: number
}

/** What lies on each other in the wall, mm. */
export interface UpperLayers {
  upper: number
  /** Of pieces that are cut from another leather. */
  own: ByPiece<number>
  /** Woven stuff stuck to the pieces; 0 where there is none. */
  backer: number
  /** The lining behind the stiffener, and the thickest that stands at the opening. */
  heelLining: number
  lining: number
  stiffener: number
  /** How far the upper leather gives, and pieces that are cut from another; null where nobody measured it. */
  gives: { usual: Gives | null; own: ByPiece<Gives | null> }
}

/** What the upper needs to know of the rest of the pair. */
export interface UpperNeeds {
  map: FormeMap
  decisions: UpperDecisions
  book: RuleBook
  heelHeight: number
  /** Short heel of the last: what has to pass a boot's opening, mm. */
  heelGirth: number
  layers: UpperLayers
}
