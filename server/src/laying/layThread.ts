import { setPriority } from 'node:os'
import { parentPort, workerData } from 'node:worker_threads'
import { GeometryError, isLaidBetter, layOnGrounds, type LaidSoFar, type LayOrder } from '@gentle-awl/core'

/** What one thread looks for. Another seed goes another way. */
export interface LayTask {
  order: LayOrder
  seconds: number
  seed: number
}
/** What it tells: something better, or why it cannot be done. */
export type LayWord = { kind: 'found'; found: LaidSoFar } | { kind: 'refused'; why: string }

/** As much as others have left over: whoever works at the bench does not notice that something is being looked for. */
const PATIENT = 10

const tell = (word: LayWord): void => parentPort?.postMessage(word)

function search({ order, seconds, seed }: LayTask): void {
  const began = performance.now()
  const progress = () => Math.min(1, (performance.now() - began) / (1000 * seconds))
  let best: LaidSoFar | null = null
  const look = layOnGrounds(order, seed, progress)
  for (;;) {
    const { value, done } = look.next()
    const isSome = value.places.length > order.there.length
    if (isSome && (!best || isLaidBetter(value, best))) {
      best = value
      tell({ kind: 'found', found: value })
    }
    if (done) return
  }
}

// Elsewhere the whole server would be put back, not this thread alone.
if (process.platform === 'linux') setPriority(PATIENT)
try {
  search(workerData as LayTask)
} catch (error) {
  if (!(error instanceof GeometryError)) throw error
  tell({ kind: 'refused', why: error.message })
}
