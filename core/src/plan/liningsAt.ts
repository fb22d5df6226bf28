import type { PairDecisions } from '../model/pair.ts'
import { ofPiece, type ByPiece } from '../trade/cutFrom.ts'
import { wallSides } from '../trade/side.ts'
import { linedAllRound } from '../upper/style.ts'
import { styleBook } from '../upper/styles/index.ts'

/** How thick the lining is where something else depends on it, mm. */
export interface LiningsAt {
  /** Behind the stiffener. */
  heel: number
  /** Under the toe puff. */
  toe: number
  /** The thickest of those that stand round the insole. */
  most: number
}

/**
 * Linings need not be of one leather: at the heel there lies the grip, or both quarters' linings; at the toe the
 * vamp's. Those of a drawn pattern have no place on the last: there it is the pair's own. `usual` is that, `own` those of
 * pieces that have another, mm.
 */
export function liningsAt({ lining, upper }: PairDecisions, usual: number, own: ByPiece<number>): LiningsAt {
  if (upper.style === 'own pattern') return { heel: usual, toe: usual, most: usual }
  // A lining with a seam along its middle is two pieces.
  const cutAs = (id: string) =>
    id === 'vampLining' && lining.front === 'centre seam' ? wallSides.map((side) => `${id}.${side}`) : [id]
  const thickest = (ids: readonly string[]) => Math.max(...ids.flatMap(cutAs).map((id) => ofPiece(own, id, usual)))
  const { linedBy } = styleBook[upper.style]
  const { behind, toes, sides } = linedBy ?? linedAllRound
  const heel = thickest(lining.back === 'heel grip' && !linedBy ? ['heelGrip'] : behind)
  const toe = thickest(toes)
  return { heel, toe, most: Math.max(heel, toe, thickest(sides)) }
}
