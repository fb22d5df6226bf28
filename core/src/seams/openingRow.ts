import type { StitchingDecisions } from '../model/stitching.ts'
import type { RuleBook } from '../trade/rules.ts'
import { sewnRules } from '../upper/sewnLine.ts'
import { seamRules } from './rules.ts'

/** Ids of seams of the opening name the edge that they run along (see seamRows). */
const OPENING = /\.(top line|facing)\./

/** How far from the edge of the opening the row lies that is furthest from it, mm, by the pair's way and by single seams. */
export function openingRowAt({ by, own }: StitchingDecisions, book: RuleBook): number {
  const usual = (way: StitchingDecisions['by']) =>
    book.value(way === 'hand' ? sewnRules.fromEdge : seamRules.machineFromEdge)
  const single = Object.entries(own)
    .filter(([id]) => OPENING.test(id))
    .map(([, seam]) => seam.fromEdge ?? usual(seam.by ?? by))
  return Math.max(usual(by), ...single)
}
