import {
  GeometryError,
  PlanError,
  RuleError,
  type Last,
  type LastBody,
  type PairFile,
  type Plan,
} from '@gentle-awl/core'
import { Piscina } from 'piscina'
import type { MeshFormat } from '../exports/lastMesh.ts'
import type { Paper } from '../exports/sheets.ts'
import { Problem } from '../http/problem.ts'
import type { ScanOrder } from '../standins/scanner.ts'
import type { Job, JobError, JobResult, UpperFormat } from './worker.ts'

/** Heavy work, done in threads so that the server keeps answering. */
export interface Jobs {
  /** Throws GeometryError when such a last cannot be. */
  checkLast: (last: LastBody) => Promise<void>
  lastMesh: (last: Last, format: MeshFormat, foot: 'right' | 'left') => Promise<Buffer>
  lastSheet: (last: Last, paper: Paper) => Promise<Buffer>
  pretendScan: (order: ScanOrder) => Promise<Buffer>
  plan: (file: PairFile) => Promise<Plan>
  pdf: (file: PairFile, paper: Paper) => Promise<Buffer>
  pairSvg: (file: PairFile) => Promise<string>
  /** The upper's pieces of both feet. */
  upper: (file: PairFile, format: UpperFormat, paper: Paper) => Promise<Buffer>
  /** null when the pair has no such part. */
  partSvg: (file: PairFile, part: string, foot: 'right' | 'left') => Promise<string | null>
  close: () => Promise<void>
}

/** No plan or print of a pair takes anywhere near as long, ms. */
const TIME_LIMIT = 60_000

function revive(error: JobError): Error {
  if (error.name === 'PlanError') return new PlanError(error.field ?? '', error.message)
  if (error.name === 'RuleError') return new RuleError(error.field ?? '', error.message)
  if (error.name === 'GeometryError') return new GeometryError(error.message)
  const unknown = new Error(error.message)
  unknown.stack = error.stack
  return unknown
}

export function makeJobs(): Jobs {
  // From source the thread loads TypeScript; built, the worker lies beside this bundle.
  const source = import.meta.url.endsWith('.ts')
  const pool = new Piscina<Job, JobResult>({
    filename: new URL(source ? './worker.ts' : './worker.js', import.meta.url).href,
    execArgv: source ? ['--import', 'tsx'] : [],
    minThreads: 1,
    maxThreads: 2,
    idleTimeout: 300_000,
  })
  const run = async (job: Job) => {
    const signal = AbortSignal.timeout(TIME_LIMIT)
    let result: JobResult
    try {
      result = await pool.run(job, { signal })
    } catch (error) {
      if (signal.aborted) throw new Problem(503, 'Took too long', 'This took too long and was stopped. Try again.')
      throw error
    }
    if (!result.ok) throw revive(result.error)
    return result.value
  }
  return {
    checkLast: async ({ shape, buildUps }) => {
      await run({ kind: 'last', last: { shape, buildUps } })
    },
    lastMesh: async (last, format, foot) =>
      Buffer.from((await run({ kind: 'lastMesh', last, format, foot })) as Uint8Array),
    lastSheet: async (last, paper) => Buffer.from((await run({ kind: 'lastSheet', last, paper })) as Uint8Array),
    pretendScan: async (order) => Buffer.from((await run({ kind: 'pretendScan', order })) as Uint8Array),
    plan: async (file) => (await run({ kind: 'plan', file })) as Plan,
    pdf: async (file, paper) => Buffer.from((await run({ kind: 'pdf', file, paper })) as Uint8Array),
    pairSvg: async (file) => (await run({ kind: 'pairSvg', file })) as string,
    upper: async (file, format, paper) => {
      const made = await run({ kind: 'upper', file, format, paper })
      return typeof made === 'string' ? Buffer.from(made) : Buffer.from(made as Uint8Array)
    },
    partSvg: async (file, part, foot) => (await run({ kind: 'partSvg', file, part, foot })) as string | null,
    close: () => pool.destroy(),
  }
}
