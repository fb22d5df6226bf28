import { offset } from '../../geometry/polygonClip.ts'
import { boxOf, pathLength, type Path } from '../../geometry/path.ts'
import { pencilOffset } from '../../last/tracing.ts'
import type { Because } from '../../trade/because.ts'
import type { DrawnLine } from '../../model/drawnLine.ts'
import type { RuleBook } from '../../trade/rules.ts'
import { behind } from '../shared/behind.ts'
import { sockRules } from './sockLiner.ts'
import { readDrawnLine } from '../../layers/heldAgainst.ts'
import { mm, say } from '../../units/sentence.ts'

/** What a new sock liner is cut from when only the old one is there. */
export interface OldSock {
  sock: Path
  /** Padding under it, larger, trimmed after gluing; null without. */
  padding: Path | null
  /** Where a padding that ends under the foot has its front edge, mm from the heel; null for a full one or none. */
  front: number | null
  becauses: Because[]
}

/**
 * A new sock liner and its padding from an old one, for a shoe that was not made here: the old liner straightened and
 * traced, the pencil taken off on the side that was followed. `reach` says how far the padding goes.
 */
export function oldSock(line: DrawnLine, reach: 'none' | 'heel pad' | 'half' | 'full', book: RuleBook): OldSock {
  const sock = readDrawnLine(line, 'The tracing of the old liner')
  const box = boxOf(sock)
  const length = box.maxX - box.minX
  const growth = book.inForce(sockRules.paddingGrowth)
  const share = reach === 'heel pad' ? sockRules.heelShare : sockRules.halfShare
  const front = reach === 'heel pad' || reach === 'half' ? book.value(share) * length : null
  const grown = reach === 'none' ? null : offset(sock, growth.value, 'the padding')
  const becauses: Because[] = [
    {
      id: 'length',
      quantity: 'Length of the sock liner',
      value: length,
      unit: 'mm',
      sentence: say`The old liner as traced; the pencil line would have made it ${mm(2 * pencilOffset(line), 1)} longer.`,
      inputs: [{ name: 'Round its edge', value: pathLength(sock, true), unit: 'mm' }],
      origin: 'set by hand',
    },
  ]
  if (grown) {
    becauses.push({
      id: 'growth',
      quantity: 'Padding larger than the liner',
      value: growth.value,
      unit: 'mm',
      sentence: sockRules.paddingGrowth.why,
      inputs: [],
      origin: growth.origin,
      rule: sockRules.paddingGrowth.key,
    })
  }
  if (front !== null) {
    becauses.push({
      id: 'front',
      quantity: 'Front edge of the padding from the heel',
      value: front,
      unit: 'mm',
      sentence: say`${book.value(share)} of the liner’s own length; skived over ${mm(book.value(sockRules.frontSkive))} and marked on the flesh side.`,
      inputs: [{ name: 'Length', value: length, unit: 'mm' }],
      origin: book.inForce(share).origin,
      rule: share.key,
    })
  }
  return {
    sock,
    padding: grown && front !== null ? behind(grown, box.minX + front, 'the padding') : grown,
    front,
    becauses,
  }
}
