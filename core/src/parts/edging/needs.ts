import type { Material } from '../../model/material.ts'
import type { Because } from '../../trade/because.ts'
import type { OwnMaterials } from '../../trade/cutFrom.ts'
import type { PartKind } from '../../trade/partCatalogue.ts'
import type { RuleBook } from '../../trade/rules.ts'
import type { DrawnUpper } from '../../upper/style.ts'
import type { TopFinishWork } from '../../upper/topFinish.ts'

export interface EdgingNeeds {
  work: TopFinishWork
  /** Null for a pattern drawn elsewhere: then it is not known where on the wall the strips lie. */
  drawn: Pick<DrawnUpper, 'topLine' | 'facings' | 'throat' | 'straps' | 'pieces'> | null
  /** From the edge to the seam of upper and lining, mm. */
  stitchAt: number
  upper: Material
  /** Of stays and tapes; null takes the rule's thickness. */
  stay: Material | null
  own: OwnMaterials
  book: RuleBook
}

/** Ids of the parts that are laid along the opening. */
export const edging = { bead: 'bead', binding: 'binding', tape: 'topTape' } as const satisfies Record<string, PartKind>

/** Of the reasons of a finish those that belong to one part. */
export const reasons = ({ becauses }: TopFinishWork, ...ids: readonly string[]): Because[] =>
  becauses.filter((b) => ids.includes(b.id))
