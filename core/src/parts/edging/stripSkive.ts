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

/** A strip skived all over before it is folded or rolled; null where it is thin enough, or cloth. */
export function skivedAllOver(id: PartKind, sheet: Sheet, width: number, book: RuleBook): EdgeSkive | null {
  const thin = strippedTo(sheet, book)
  if (thin >= sheet.thickness) return null
  return {
    shape: 'whole',
    profile: [
      [0, thin],
      [width, thin],
    ],
    sentence: say`To ${mm(thin, 2)} all over, ${id === edging.bead ? 'since four layers lie at the edge' : 'so that it wraps the edge closely'}.`,
    share: edgingRules.thickness,
  }
}

/** A long edge of a bead, where a leg ends, or the inner one of a binding; null where it is cloth. */
export function skivedLegEdge(sheet: Sheet, width: number, book: RuleBook): EdgeSkive | null {
  if (isWoven(sheet)) return null
  const over = Math.min(book.value(edgingRules.legEdge), width)
  return {
    shape: 'to nothing',
    profile: [
      [0, 0],
      [over, strippedTo(sheet, book)],
    ],
    sentence: say`To nothing over ${mm(over)}, so that the leg is neither seen nor felt where it ends.`,
    share: edgingRules.thickness,
  }
}

/** What is left of a strip from a long edge that ends on a layer as far as `width` mm, all its skives together; null where it is not skived. */
export function stripSkive(id: PartKind, sheet: Sheet, width: number, book: RuleBook): EdgeSkive | null {
  const [whole, edge] = [skivedAllOver(id, sheet, width, book), skivedLegEdge(sheet, width, book)]
  if (!edge) return whole
  if (!whole) return edge
  return {
    // It ends as thick as the whole strip is, and stays so.
    ...edge,
    sentence: say`${whole.sentence} ${edge.sentence}`,
  }
}

/** How a strip lies on the edge, mm. */
export function stripLegs({ legs }: TopFinishWork, book: RuleBook): { reveal: number; outer: number; inner: number } {
  const reveal = book.value(topFinishRules.reveal)
  return legs
    ? { reveal, outer: legs.long, inner: legs.short }
    : { reveal, outer: reveal, inner: reveal + book.value(topFinishRules.turnIn) }
}
