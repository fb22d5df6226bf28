import { skivedFace } from '../../layers/pieceSkives.ts'
import { isWoven } from '../../model/material.ts'
import { becauseOfRule } from '../../trade/becauseOfRule.ts'
import { ofPiece } from '../../trade/cutFrom.ts'
import type { Part } from '../../trade/part.ts'
import { topFinishRules } from '../../upper/topFinishRules.ts'
import { edging, reasons, type EdgingNeeds } from './needs.ts'
import { edgingRules } from './rules.ts'
import { along, becauseOfEnds, marksAcross, skivedEnds, skivedLong, stripPart, type Flat } from './strip.ts'
import { skivedAllOver, strippedTo } from './stripSkive.ts'

/** A rolled binding: a strip stitched on outside, rolled over the edge and turned in on the foot's side. */
export function binding(needs: EdgingNeeds, flat: Flat): Part {
  const { work, book } = needs
  const material = ofPiece(needs.own, edging.binding, needs.upper)
  const woven = isWoven(material)
  const skive = skivedAllOver(edging.binding, material, flat.width, book)
  const thin = strippedTo(material, book)
  const face = skivedFace(material)
  const [turnIn, reveal] = [book.value(topFinishRules.turnIn), book.value(topFinishRules.reveal)]
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
            ...skivedEnds(flat, thin, face, book),
          ],
      becauses: [
        ...reasons(work, 'bindingLength', 'bindingWidth'),
        ...(woven ? [] : [becauseOfRule('Skived to', edgingRules.thickness, book), becauseOfEnds(book)]),
      ],
    },
    flat,
  )
}
