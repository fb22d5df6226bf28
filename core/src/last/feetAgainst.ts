import type { Feet } from '../model/foot.ts'
import type { RuleBook } from '../trade/rules.ts'
import { footFit, type FitLine } from './footFit.ts'
import type { LastReadings } from './readings.ts'

/** One foot of a customer against a last. */
export interface FootAgainst {
  id: string
  order: string
  trade: string
  foot: 'left' | 'right'
  length: number | null
  /** The figure that is furthest off what is wanted, of those that are not right if any is not; null where nothing was measured. */
  worst: FitLine | null
  /** How many figures are right, of how many that were measured. */
  right: number
  of: number
}

/** Every foot of the shelf's customers against one last: which of them it fits, and where it does not. */
export function feetAgainst(feet: readonly Feet[], readings: LastReadings, book: RuleBook): FootAgainst[] {
  return feet.flatMap((f) =>
    (['right', 'left'] as const).map((foot): FootAgainst => {
      const lines = footFit(readings, f[foot], book)
      const wrong = lines.filter((l) => l.verdict !== 'right')
      const worst = (wrong.length > 0 ? wrong : lines).reduce<FitLine | null>(
        (w, l) => (!w || Math.abs(l.over) > Math.abs(w.over) ? l : w),
        null,
      )
      return {
        id: f.id,
        order: f.order,
        trade: f.trade,
        foot,
        length: f[foot].length,
        worst,
        right: lines.filter((l) => l.verdict === 'right').length,
        of: lines.length,
      }
    }),
  )
}
