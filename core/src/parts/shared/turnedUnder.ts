import { usedUp } from '../../layers/usedUp.ts'
import type { Because } from '../../trade/because.ts'
import type { Rule, RuleBook } from '../../trade/rules.ts'
import { mm, say } from '../../units/sentence.ts'

/** What an edge is turned over: the insole's edge and what lies between it and the part, mm. */
export interface TurnedOver {
  insoleEdge: number
  inside: number
}

/** How far a part's edge is cut below the feather line, and what of it comes to lie flat under the insole. */
export function turnedUnder(rule: Rule, { insoleEdge, inside }: TurnedOver, own: number, book: RuleBook): Because {
  const { value, origin } = book.inForce(rule)
  const used = usedUp(insoleEdge, inside, own)
  const lies = value - used
  return {
    id: 'turnedUnder',
    quantity: 'Turned under',
    value,
    unit: 'mm',
    sentence:
      lies > 0
        ? say`${rule.why} ${mm(used, 1)} of them run down the insole's edge and round the bend: ${mm(lies, 1)} lie flat under it.`
        : say`${rule.why} The insole's edge and the bend round it take ${mm(used, 1)}, so the edge ends ${value > insoleEdge ? 'in the bend' : 'on the insole’s edge'}: about ${mm(Math.ceil(used + 4))} would lie flat.`,
    inputs: [
      { name: 'Edge of the insole', value: insoleEdge, unit: 'mm' },
      { name: 'Lies nearer to it', value: inside, unit: 'mm' },
    ],
    origin,
    rule: rule.key,
  }
}
