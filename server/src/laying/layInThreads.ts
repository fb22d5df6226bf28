import { availableParallelism } from 'node:os'
import { Worker } from 'node:worker_threads'
import { isLaidBetter, type LaidSoFar, type LayOrder } from '@gentle-awl/core'
import type { LayTask, LayWord } from './layThread.ts'

/** At the most; each goes a way of its own. */
const MOST = 4

/** From source a thread loads TypeScript; built, its program lies beside this bundle. */
const threadHere = new URL(import.meta.url.endsWith('.ts') ? './layThread.ts' : './layThread.js', import.meta.url)

/** Why a layout cannot be looked for, in a sentence. */
export class LayRefusal extends Error {
  override readonly name = 'LayRefusal'
}

interface Options {
  seconds: number
  /** Ends it at once. */
  signal: AbortSignal
  /** Hears of everything that is better than all before. */
  found: (better: LaidSoFar) => void
}

/**
 * Lays pieces for so many seconds in as many threads as the machine has cores, or until it is told to stop. `program` is the
 * address of what a thread does. Throws LayRefusal when it cannot be done, and what a thread dies of.
 */
export async function layInThreads(
  order: LayOrder,
  { seconds, signal, found }: Options,
  program: URL = threadHere,
): Promise<void> {
  if (signal.aborted) return
  let best: LaidSoFar | null = null
  const hear = (news: LaidSoFar): void => {
    if (signal.aborted || (best && !isLaidBetter(news, best))) return
    best = news
    found(news)
  }
  const workers = Array.from({ length: Math.min(MOST, availableParallelism()) }, (_, k) => {
    const workerData: LayTask = { order, seconds, seed: k + 1 }
    return new Worker(program, { workerData, execArgv: program.href.endsWith('.ts') ? ['--import', 'tsx'] : [] })
  })
  const end = () => Promise.all(workers.map((w) => w.terminate()))
  signal.addEventListener('abort', end, { once: true })
  try {
    await Promise.all(workers.map((worker) => untilOver(worker, hear)))
  } finally {
    signal.removeEventListener('abort', end)
    await end()
  }
}

const untilOver = (worker: Worker, hear: (found: LaidSoFar) => void): Promise<void> =>
  new Promise((resolve, reject) => {
    worker.on('message', (word: LayWord) => {
      if (word.kind === 'found') hear(word.found)
      else reject(new LayRefusal(word.why))
    })
    worker.on('error', reject)
    worker.on('exit', () => resolve())
  })
