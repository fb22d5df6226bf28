import {
  exchangeInPlace,
  placementsOf,
  searchWhole,
  stockOf,
  type NestInstance,
  type Placement,
} from '@gentle-awl/core'
import { expose } from 'comlink'
import { answered, type Answer } from '../answer.ts'

/** How a layout stands. */
export interface NestNews {
  placements: Placement[]
  /** Pieces that are not on the sheet. */
  left: number
  /** Area of what is laid, mm2, and how far to the right it reaches, mm. */
  area: number
  reach: number
  /** The share of the time that is gone. */
  progress: number
}

/** News are told so often though nothing is better, ms. */
const OFTEN = 250
const SEED = 1

function layOut(instance: NestInstance, seconds: number, tell: (news: NestNews) => void): NestNews | null {
  const stock = stockOf(instance.pieces, instance.gap)
  const began = performance.now()
  const progress = () => Math.min(1, (performance.now() - began) / (1000 * seconds))
  const exchange = exchangeInPlace()
  const news = (): NestNews | null => {
    const best = exchange.best()
    if (!best) return null
    const placements = placementsOf(stock, best.places, 0)
    const left = stock.items.length - placements.length
    return { placements, left, area: best.area, reach: best.reach, progress: progress() }
  }
  let told = 0
  for (const _ of searchWhole(stock, instance.bin, { seed: SEED, progress, exchange })) {
    const now = performance.now()
    if (now - told > OFTEN) {
      told = now
      const here = news()
      if (here) tell(here)
    }
    if (progress() >= 1 && exchange.best()) break
  }
  return news()
}

const worker = {
  /** Lays pieces for so many seconds; `tell` hears how it goes on. */
  layOut: (instance: NestInstance, seconds: number, tell: (news: NestNews) => void): Answer<NestNews | null> =>
    answered(() => layOut(instance, seconds, tell)),
}
export type NestWorker = typeof worker
expose(worker)
