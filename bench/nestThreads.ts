import { once } from 'node:events'
import { fileURLToPath } from 'node:url'
import { Worker } from 'node:worker_threads'
import { build } from 'esbuild'
import type { Candidate } from '../core/src/nesting/candidate.ts'
import type { NestInstance } from '../core/src/nesting/instance.ts'
import { sharedExchange, sharedMemory } from '../core/src/nesting/sharedExchange.ts'
import type { Stock } from '../core/src/nesting/shapes.ts'
import type { NestTask, NestWork } from './nestThread.ts'

/** Threads that search for layouts of one instance and tell each other what they find; their tables last from bin to bin. */
export class NestThreads {
  private items = 0

  private constructor(private readonly workers: readonly Worker[]) {}

  /** Threads know nothing of the loader that the command was started with: they are given one plain script. */
  static async begun(threads: number): Promise<NestThreads> {
    const { outputFiles } = await build({
      entryPoints: [fileURLToPath(new URL('nestThread.ts', import.meta.url))],
      bundle: true,
      format: 'cjs',
      platform: 'node',
      write: false,
    })
    const script = outputFiles[0]!.text
    return new NestThreads(Array.from({ length: threads }, () => new Worker(script, { eval: true })))
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
