import { layOnGrounds, type LaidSoFar, type LayOrder } from '@gentle-awl/core'
import { expose } from 'comlink'
import { answered, type Answer } from '../answer.ts'

/** How a layout stands, and the share of the time that is gone. */
export interface NestNews extends LaidSoFar {
  progress: number
}

/** News are told so often though nothing is better, ms. */
const OFTEN = 250

function layOut(order: LayOrder, seconds: number, seed: number, tell: (news: NestNews) => void): LaidSoFar {
  const began = performance.now()
  const progress = () => Math.min(1, (performance.now() - began) / (1000 * seconds))
  const search = layOnGrounds(order, seed, progress)
  let told = 0
  for (;;) {
    const { value, done } = search.next()
    if (done) return value
    const now = performance.now()
    if (now - told < OFTEN) continue
    told = now
    tell({ ...value, progress: progress() })
  }
}

const worker = {
  /** Lays pieces for so many seconds; `tell` hears how it goes on. Another seed goes another way. */
  layOut: (order: LayOrder, seconds: number, seed: number, tell: (news: NestNews) => void): Answer<LaidSoFar> =>
    answered(() => layOut(order, seconds, seed, tell)),
  /** Lays them on each hide alone, for so many seconds each: how many find no place on it. */
  tryEach: (order: LayOrder, seconds: number, tell: (tried: number, left: number) => void): Answer<number[]> =>
    answered(() =>
      order.grounds.map((ground, k) => {
        const { left } = layOut({ ...order, grounds: [ground], there: [] }, seconds, 1, () => undefined)
        tell(k, left)
        return left
      }),
    ),
}
export type NestWorker = typeof worker
expose(worker)
