import { skivedFace } from '../../layers/pieceSkives.ts'
import { isWoven } from '../../model/material.ts'
import { becauseOfRule } from '../../trade/becauseOfRule.ts'
import { ofPiece } from '../../trade/cutFrom.ts'
import type { Part } from '../../trade/part.ts'
import { DEPTHS, type Profile, type WallArea } from '../../trade/wallArea.ts'
import { topFinishRules } from '../../upper/topFinishRules.ts'
import { lyingAlong } from './alongOpening.ts'
import { edging, reasons, type EdgingNeeds } from './needs.ts'
import { edgingRules } from './rules.ts'
import { along, becauseOfEnds, marksAcross, skivedEnds, skivedLong, stripPart, type Flat } from './strip.ts'
import { skivedAllOver, skivedLegEdge, strippedTo, stripSkive } from './stripSkive.ts'

/** A rolled binding: a strip stitched on outside, rolled over the edge and turned in on the foot's side. */
export function binding(needs: EdgingNeeds, flat: Flat): Part {
  const { work, book } = needs
  const material = ofPiece(needs.own, edging.binding, needs.upper)
  const woven = isWoven(material)
  const skive = skivedAllOver(edging.binding, material, flat.width, book)
  const thin = strippedTo(material, book)
  const face = skivedFace(material)
  const [turnIn, reveal] = [book.value(topFinishRules.turnIn), book.value(topFinishRules.reveal)]
  const inner = reveal + turnIn
  const edge = skivedLegEdge(material, inner, book)
  const lying = (name: string, width: number, depth: number, profile: Profile | null): WallArea[] =>
    lyingAlong(needs, { part: edging.binding, name, depth }, width, thin, profile)
  return stripPart(
    {
      id: edging.binding,
      name: 'Binding',
      role: 'upper',
      materialName: material.name,
      thickness: material.thickness,
      lines: [
        along('turned in to here', 'fold', turnIn, flat),
        along('edge, foot side', 'fold', turnIn + reveal, flat),
        along('edge, outside', 'fold', flat.width - reveal, flat),
        ...marksAcross(work.marks, flat),
      ],
      skives: woven
        ? []
        : [
            ...(skive ? [skivedLong('whole strip', 'low', flat, skive, face)] : []),
            ...(edge ? [skivedLong('inner edge', 'low', flat, edge, face)] : []),
            ...skivedEnds(flat, thin, face, book),
          ],
      becauses: [
        ...reasons(work, 'bindingLength', 'bindingWidth'),
        ...(woven ? [] : [becauseOfRule('Skived to', edgingRules.thickness, book), becauseOfEnds(book)]),
      ],
      areas: [
        ...lying(
          'Binding, turned in',
          inner,
          DEPTHS.lining - 0.1,
          stripSkive(edging.binding, material, inner, book)?.profile ?? null,
        ),
        ...lying('Binding, outside', reveal, DEPTHS.outside, null),
      ],
    },
    flat,
  )
}
