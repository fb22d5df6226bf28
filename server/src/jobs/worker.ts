import {
  checkedLast,
  GeometryError,
  pieceAsPart,
  planPair,
  StageCache,
  type FootPlan,
  type Last,
  type LastBody,
  type PairFile,
  type Plan,
} from '@gentle-awl/core'
import { lastMesh, type MeshFormat } from '../exports/lastMesh.ts'
import { lastSheet } from '../exports/lastSheet.ts'
import { partsPdf } from '../exports/partsPdf.ts'
import { pairSvg, partSvg } from '../exports/partsSvg.ts'
import { pairParts } from '../exports/pairParts.ts'
import type { Paper } from '../exports/sheets.ts'
import { upperDxf } from '../exports/upperDxf.ts'
import { scanOf, type ScanOrder } from '../standins/scanner.ts'

/** Work for a thread of the pool. The stage cache lives as long as the thread. */
export type Job =
  | { kind: 'last'; last: LastBody }
  | { kind: 'lastMesh'; last: Last; format: MeshFormat; foot: 'right' | 'left' }
  | { kind: 'lastSheet'; last: Last; paper: Paper }
  | { kind: 'pretendScan'; order: ScanOrder }
  | { kind: 'plan'; file: PairFile }
  | { kind: 'pdf'; file: PairFile; paper: Paper }
  | { kind: 'pairSvg'; file: PairFile }
  | { kind: 'upper'; file: PairFile; format: UpperFormat; paper: Paper }
  | { kind: 'partSvg'; file: PairFile; part: string; foot: 'right' | 'left' }

export type UpperFormat = 'svg' | 'dxf' | 'pdf'

/** Errors cross the thread as plain data, so that their kind and field survive. */
export type JobResult = { ok: true; value: Plan | Uint8Array | string | null } | { ok: false; error: JobError }
export interface JobError {
  name: string
  message: string
  field?: string
  stack?: string
}

type PairJob = Extract<Job, { file: PairFile }>

const cache = new StageCache(12)

async function run(job: Job): Promise<Plan | Uint8Array | string | null> {
  switch (job.kind) {
    case 'last':
      checkedLast(job.last)
      return null
    case 'lastMesh':
      return lastMesh(job.last, job.format, job.foot)
    case 'lastSheet':
      return lastSheet(job.last, job.paper)
    case 'pretendScan':
      return scanOf(job.order)
    default:
      return ofPair(job)
  }
}

async function ofPair(job: PairJob): Promise<Plan | Uint8Array | string | null> {
  const plan = planPair(job.file, cache)
  switch (job.kind) {
    case 'plan':
      return plan
    case 'pdf':
      return partsPdf(job.file, plan, job.paper, pairParts(plan.parts, plan.left?.parts))
    case 'pairSvg':
      return pairSvg(job.file, pairParts(plan.parts, plan.left?.parts))
    case 'upper': {
      const material = job.file.materials.find((m) => m.id === job.file.decisions.materials.upper)
      // planPair has looked at it already: without the material there is no plan.
      if (!material) throw new Error('The upper has no material.')
      const asParts = (foot: FootPlan) => foot.upper.pieces.map((p) => pieceAsPart(p, material))
      const pieces = pairParts(asParts(plan), plan.left && asParts(plan.left))
      if (pieces.length === 0) {
        throw new GeometryError('The upper has no piece yet: choose a style, or bring in a drawing.')
      }
      if (job.format === 'pdf') return partsPdf(job.file, plan, job.paper, pieces)
      return job.format === 'svg' ? pairSvg(job.file, pieces) : upperDxf(pieces)
    }
    case 'partSvg': {
      const { parts } = job.foot === 'left' && plan.left ? plan.left : plan
      const part = parts.find((p) => p.id === job.part)
      return part ? partSvg(part, job.foot) : null
    }
  }
}

export default async function work(job: Job): Promise<JobResult> {
  try {
    return { ok: true, value: await run(job) }
  } catch (error) {
    if (!(error instanceof Error)) throw error
    const field = 'field' in error && typeof error.field === 'string' ? error.field : undefined
    return { ok: false, error: { name: error.name, message: error.message, field, stack: error.stack } }
  }
}
