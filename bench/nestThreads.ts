import { once } from 'node:events'
import { Worker } from 'node:worker_threads'
import type { Candidate } from '../core/src/nesting/candidate.ts'
import type { NestInstance } from '../core/src/nesting/instance.ts'
import { sharedExchange, sharedMemory } from '../core/src/nesting/sharedExchange.ts'
import type { Stock } from '../core/src/nesting/shapes.ts'
import type { NestStart, NestTask, NestWork } from './nestThread.ts'

/** Threads that search for layouts of one instance and tell each other what they find; their tables last from bin to bin. */
export class NestThreads {
  private readonly workers: Worker[]

  private items = 0

  /** They get ready while the stock is still being made. */
  constructor(threads: number) {
    const start: NestStart = { module: new URL('nestThread.ts', import.meta.url).href }
    this.workers = Array.from(
      { length: threads },
      () => new Worker(new URL('tsThread.mjs', import.meta.url), { workerData: start }),
    )
  }

  /** What is laid from now on, and on what. */
  begin(stock: Stock, bin: NestInstance['bin']): void {
    this.items = stock.items.length
    const work: NestWork = { kind: 'work', stock, bin }
    for (const worker of this.workers) worker.postMessage(work)
  }

  /** The best layout of some items on one bin after so many seconds; a first one is waited for. */
  async search(
    among: readonly number[],
    { seconds, seed }: { seconds: number; seed: number },
  ): Promise<Candidate | null> {
    const memory = sharedMemory(this.items)
    const from = performance.timeOrigin + performance.now()
    await Promise.all(
      this.workers.map(async (worker, n) => {
        const task: NestTask = { kind: 'task', among, memory, from, seconds, seed: seed + n }
        worker.postMessage(task)
        await once(worker, 'message')
      }),
    )
    return sharedExchange(memory).best()
  }

  async end(): Promise<void> {
    await Promise.all(this.workers.map((worker) => worker.terminate()))
  }
}
