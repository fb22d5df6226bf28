import {
  cuttingLayout,
  sheetGround,
  cuttingList,
  exchangeInPlace,
  planPair,
  searchWhole,
  stockOf,
  toLay,
  type PlanInput,
} from '@gentle-awl/core'
import { summary, type Result } from './measure.ts'

/** Width of the sheet, and its length for each pair, mm. */
const WIDTH = 700
const LENGTH = 900
const SECONDS = 4
const SEEDS = [1, 2, 3]

/** The upper leather of so many pairs laid on one sheet: how much of what it takes the pieces cover. */
export function layoutFigures(input: PlanInput): Result[] {
  const [leather] = cuttingList(input, planPair(input))
  if (!leather) return []
  return [1, 4, 12].map((pairs) => {
    const pieces = Array.from({ length: pairs }, (_, k) => toLay(`pair ${k + 1}`, leather)).flat()
    const sheet = sheetGround({ length: LENGTH * pairs, width: WIDTH })
    const instance = cuttingLayout(pieces, sheet, { gap: 2, turn: 'along', hidesFlaws: false })
    const stock = stockOf(instance.pieces, instance.gap)
    const shares = SEEDS.map((seed) => {
      const began = performance.now()
      const progress = () => (performance.now() - began) / (1000 * SECONDS)
      const exchange = exchangeInPlace()
      for (const _ of searchWhole(stock, instance.bin, { seed, progress, exchange })) {
        if (progress() >= 1 && exchange.best()) break
      }
      const best = exchange.best()
      return best ? (100 * best.area) / (best.reach * WIDTH) : 0
    })
    const note = `${stock.items.length} pieces, ${SECONDS} s in one thread, tight direction along the sheet`
    return summary(`layout, upper leather of ${pairs} pairs`, shares, '%', note)
  })
}
