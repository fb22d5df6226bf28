import { availableParallelism } from 'node:os'
import { GeometryError, PlanError, RuleError } from '@gentle-awl/core'
import { Piscina } from 'piscina'
import { Problem } from '../http/problem.ts'
import { JobQueue, ThreadEnded, type Rank } from './jobQueue.ts'
import type { Job, JobError, JobKind, JobKinds, JobResult } from './worker.ts'

/** Heavy work, done in threads so that the server keeps answering. */
export interface Jobs {
  /** Runs one job in its turn. Throws what the job throws, Problem 503 when too many wait, Left when the asker went. */
  run: <K extends JobKind>(
    kind: K,
    order: JobKinds[K]['order'],
    signal?: AbortSignal,
    rank?: Rank,
  ) => Promise<JobKinds[K]['result']>
  load: () => { waiting: number; running: number }
  /** Ends every thread as a lack of memory would; for tests of what follows from that. */
  breakThreads: () => Promise<void>
  close: () => Promise<void>
}

const rankOf: Record<JobKind, Rank> = {
  plan: 'hand',
  bench: 'hand',
  cutting: 'hand',
  timetable: 'hand',
  promise: 'long',
  last: 'hand',
  readFile: 'hand',
  card: 'background',
  export: 'print',
  lastMesh: 'print',
  lastSheet: 'print',
  pretendScan: 'long',
}

/** Threads at the least, so that one is free for the bench, and at the most. */
const [FEWEST, MOST] = [2, 8]

function revive(error: JobError): Error {
  const { problem } = error
  if (problem) return new Problem(problem.status, problem.title, error.message, problem.fields)
  if (error.name === 'PlanError') return new PlanError(error.field ?? '', error.message)
  if (error.name === 'RuleError') return new RuleError(error.field ?? '', error.message)
  if (error.name === 'GeometryError') return new GeometryError(error.message)
  const unknown = new Error(error.message)
  unknown.stack = error.stack
  return unknown
}

/** From source the thread loads TypeScript; built, the worker lies beside this bundle. */
const workerHere = new URL(import.meta.url.endsWith('.ts') ? './worker.ts' : './worker.js', import.meta.url).href

/** `kept` is the folder for results that are dear, null for none; `worker` the address of the thread's program. */
export function makeJobs(kept: string | null = null, worker: string = workerHere): Jobs {
  const threads = Math.min(MOST, Math.max(FEWEST, availableParallelism()))
  const pool = new Piscina<Job, JobResult>({
    filename: worker,
    execArgv: worker.endsWith('.ts') ? ['--import', 'tsx'] : [],
    minThreads: 1,
    maxThreads: threads,
    idleTimeout: 300_000,
    workerData: kept === null ? {} : { kept },
  })
  // What goes wrong with a thread outside a job has nobody to be told; the next job starts another thread.
  pool.on('error', () => undefined)
  const queue = new JobQueue<Job, JobResult>({
    threads,
    run: async (job, signal) => {
      try {
        return await pool.run(job, { signal })
      } catch (error) {
        // Jobs give their own errors back as data: what is thrown here comes of the thread.
        if (error instanceof Error && !signal.aborted) throw new ThreadEnded(error.message, { cause: error })
        throw error
      }
    },
  })
  return {
    run: async (kind, order, signal, rank = rankOf[kind]) => {
      // The order is that of the kind; the compiler does not follow the pairing through the union.
      const result = await queue.run({ kind, ...order } as Job, rank, signal)
      if (result instanceof Uint8Array) return result
      if (!result.ok) throw revive(result.error)
      return result.value as JobKinds[typeof kind]['result']
    },
    load: () => queue.load,
    breakThreads: async () => {
      await Promise.all(pool.threads.map((t) => t.terminate()))
    },
    close: () => pool.destroy(),
  }
}
