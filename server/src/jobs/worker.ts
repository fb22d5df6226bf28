import {
  cardOf,
  cardStep,
  checkedLast,
  cuttingList,
  daysProblem,
  lastsOfPair,
  layOut,
  makeables,
  makeablesOf,
  planJson,
  planPair,
  promiseOf,
  StageCache,
  type CuttingGroup,
  type Last,
  type LastBody,
  type Makeable,
  type OpenPair,
  type Pace,
  type PaceOf,
  type PairCard,
  type PairFile,
  type Plan,
  type PromisedDay,
  type Timetable,
  type WorkshopDays,
} from '@gentle-awl/core'
import { move, workerData } from 'piscina'
import { edition } from '../db/edition.ts'
import { lastMesh, type MeshFormat } from '../exports/lastMesh.ts'
import { lastSheet } from '../exports/lastSheet.ts'
import { exportOf } from '../exports/registry.ts'
import type { Paper } from '../exports/sheets.ts'
import { readPairFile } from '../http/readPairFile.ts'
import { Problem, type FieldError } from '../http/problem.ts'
import { diskKeeper } from './diskKeeper.ts'
import { scanOf, type ScanOrder } from '../standins/scanner.ts'

type Foot = 'right' | 'left'

/** What days are laid out from. */
export interface LayOutOrder {
  open: OpenPair[]
  days: WorkshopDays
  pace: Record<string, Pace>
  now: number
  known: Pick<Timetable, 'entries'> | null
  /** How long each search may take. */
  seconds: number
  /** What another timetable has to save for the known one to be given up, a share of its cost. */
  worth?: number
}

/** What is asked of a plan. */
export interface PairJobs {
  /** The whole plan as JSON, ready to be sent. */
  plan: { order: { file: PairFile }; result: Uint8Array }
  /** What the bench has to know: its steps, and what can be cut with the fingerprint of its shape. */
  bench: { order: { file: PairFile }; result: BenchPlan }
  card: { order: { file: PairFile }; result: PairCard }
  /** What is cut for the pair, by what it is cut from. */
  cutting: { order: { file: PairFile }; result: CuttingGroup[] }
  /** All open pairs laid out on makers and hours; null where a last is never given back. */
  timetable: { order: LayOutOrder; result: Timetable | null }
  /** When one more pair could be ready beside them. */
  promise: { order: LayOutOrder & { file: PairFile }; result: PromisedDay | null }
  /** A file of the pair, with what is on it and the fingerprints of its shapes. */
  export: { order: { file: PairFile; id: string; query: unknown }; result: { bytes: Uint8Array; on: Makeable[] } }
}
/** Work for a thread of the pool, by kind: what it is given and what it answers. */
export interface JobKinds extends PairJobs {
  last: { order: { last: LastBody }; result: null }
  lastMesh: { order: { last: Last; format: MeshFormat; foot: Foot }; result: Uint8Array }
  lastSheet: { order: { last: Last; paper: Paper }; result: Uint8Array }
  pretendScan: { order: { scan: ScanOrder }; result: Uint8Array }
  /** A pair file as text: read, checked and planned. */
  readFile: { order: { text: string }; result: PairFile }
}
export type JobKind = keyof JobKinds
export type Job = { [K in JobKind]: { kind: K } & JobKinds[K]['order'] }[JobKind]

export interface BenchPlan {
  steps: (Pick<Plan['steps'][number], 'id' | 'name' | 'formerly' | 'group' | 'parts'> & { hasWait: boolean })[]
  checks: { id: string; measured: boolean }[]
  makeables: Makeable[]
}

/** Bytes as they are; anything else with whether it went well. Errors cross the thread as plain data, so that their kind and field survive. */
export type JobResult = Uint8Array | { ok: true; value: unknown } | { ok: false; error: JobError }
export interface JobError {
  name: string
  message: string
  field?: string
  problem?: { status: number; title: string; fields: FieldError[] }
  stack?: string
}

/** The stage cache lives as long as the thread; what is dear is kept on the disk as well, where there is one. */
const kept = (workerData as { kept?: string } | null)?.kept
const cache = new StageCache(12, kept === undefined ? null : diskKeeper(kept, edition))
const utf8 = new TextEncoder()

/** What each kind of job comes to: the compiler holds the list against the kinds. */
const works: {
  [K in JobKind]: (order: JobKinds[K]['order']) => JobKinds[K]['result'] | Promise<JobKinds[K]['result']>
} = {
  last: ({ last }) => {
    checkedLast(last)
    return null
  },
  lastMesh: ({ last, format, foot }) => lastMesh(last, format, foot),
  lastSheet: ({ last, paper }) => lastSheet(last, paper),
  pretendScan: ({ scan }) => scanOf(scan),
  readFile: ({ text }) => {
    const file = readPairFile(text)
    planPair(file, cache)
    return file
  },
  plan: ({ file }) => utf8.encode(planJson(planPair(file, cache))),
  bench: ({ file }) => {
    const plan = planPair(file, cache)
    return {
      steps: plan.steps.map(({ id, name, formerly, group, parts, wait }) => ({
        id,
        name,
        formerly,
        group,
        parts,
        hasWait: wait !== null,
      })),
      checks: plan.checks.map(({ id, figure }) => ({ id, measured: figure !== null })),
      makeables: makeables(plan),
    }
  },
  card: ({ file }) => cardOf(file, cache),
  cutting: ({ file }) => cuttingList(file, planPair(file, cache)),
  timetable: ({ open, days, pace, now, known, seconds, worth }) =>
    layOut(daysProblem(open, days, paceBy(pace), now), { ...timed(seconds), known, worth }),
  promise: ({ open, file, days, pace, now, known, seconds }) => {
    const order: OpenPair = {
      id: file.id,
      order: file.label.order,
      name: file.label.name,
      due: null,
      weight: 1,
      lasts: lastsOfPair(file.decisions),
      steps: planPair(file, cache).steps.map(cardStep),
      log: [],
    }
    return promiseOf({ open, order, days, pace: paceBy(pace), now, known }, () => timed(seconds))
  },
  export: async ({ file, id, query }) => {
    const plan = planPair(file, cache)
    const { bytes, parts } = await exportOf(id).make(file, plan, query)
    const on = parts.flatMap(({ record, feet }) => feet.map(({ foot }) => ({ part: record, foot })))
    return { bytes, on: makeablesOf(plan, on) }
  },
}

const paceBy =
  (pace: Readonly<Record<string, Pace>>): PaceOf =>
  (key) =>
    pace[key]?.factor ?? 1

/** A search that has so many seconds. */
function timed(seconds: number) {
  const began = performance.now()
  return { seed: 1, progress: () => (performance.now() - began) / (1000 * seconds) }
}

function run<K extends JobKind>(job: { kind: K } & JobKinds[K]['order']) {
  return works[job.kind](job)
}

/** Bytes change hands instead of being copied; those that only look into a larger block are copied out of it first. */
function handedOver(bytes: Uint8Array): Uint8Array {
  const whole = bytes.byteLength === bytes.buffer.byteLength ? bytes : bytes.slice()
  // What move gives back is the same view, marked: the thread's other side gets a Uint8Array.
  return move(whole) as Uint8Array
}

export default async function work(job: Job): Promise<JobResult> {
  try {
    const value = await run(job)
    return value instanceof Uint8Array ? handedOver(value) : { ok: true, value }
  } catch (error) {
    if (!(error instanceof Error)) throw error
    const field = 'field' in error && typeof error.field === 'string' ? error.field : undefined
    const problem =
      error instanceof Problem ? { status: error.status, title: error.title, fields: error.fields } : undefined
    return { ok: false, error: { name: error.name, message: error.message, field, problem, stack: error.stack } }
  }
}
