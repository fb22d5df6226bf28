import type { EdgeSkive, Sheet } from '../../layers/edgeSkive.ts'
import { isWoven } from '../../model/material.ts'
import type { PartKind } from '../../trade/partCatalogue.ts'
import type { RuleBook } from '../../trade/rules.ts'
import type { TopFinishWork } from '../../upper/topFinish.ts'
import { topFinishRules } from '../../upper/topFinishRules.ts'
import { mm, say } from '../../units/sentence.ts'
import { edging } from './needs.ts'
import { edgingRules } from './rules.ts'

/** How thick a bead or binding is once it is skived, mm. */
export const strippedTo = (sheet: Sheet, book: RuleBook): number =>
  isWoven(sheet) ? sheet.thickness : Math.min(sheet.thickness, book.value(edgingRules.thickness))

/** How a strip is thinned from a long edge as far as `width` mm; null where it is not. */
export function stripSkive(id: PartKind, sheet: Sheet, width: number, book: RuleBook): EdgeSkive | null {
  const thin = strippedTo(sheet, book)
  if (isWoven(sheet)) return null
  if (id === edging.bead) {
    const over = Math.min(book.value(edgingRules.legEdge), width)
    return {
      shape: 'to nothing',
      profile: [[0, 0], [over, thin], ...(thin < sheet.thickness && width > over ? [[width, thin] as const] : [])],
      sentence: say`To nothing over ${mm(over)} at the edge${thin < sheet.thickness ? say`, and to ${mm(thin, 2)} up to the fold` : ''}: four layers lie at the edge.`,
      share: edgingRules.thickness,
    }
  }
  return thin < sheet.thickness
    ? {
        shape: 'level',
        profile: [
          [0, thin],
          [width, thin],
        ],
        sentence: say`To ${mm(thin, 2)} all over, so that it wraps the edge closely.`,
        share: edgingRules.thickness,
      }
    : null
}

/** How a strip lies on the edge, mm. */
export function stripLegs({ legs }: TopFinishWork, book: RuleBook): { reveal: number; outer: number; inner: number } {
  const reveal = book.value(topFinishRules.reveal)
  return legs
    ? { reveal, outer: legs.long, inner: legs.short }
    : { reveal, outer: reveal, inner: reveal + book.value(topFinishRules.turnIn) }
}
