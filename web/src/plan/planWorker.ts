import {
  formeStage,
  gradedUpper,
  lastStage,
  planPair,
  planUppers,
  StageCache,
  thicknessMap,
  WallStack,
  type Forme,
  type Grade,
  type GradedUpper,
  type GradeName,
  type LastBody,
  type LastSurface,
  type Plan,
  type PlanInput,
  type ThicknessMap,
  type UpperDecisions,
  type WallArea,
} from '@gentle-awl/core'
import { expose } from 'comlink'
import { Larder } from './larder.ts'
import { Packer, type Ahead, type Parcel } from './planParcel.ts'

/** A plan on its way, or the sentence that says why there is none. Errors do not survive the way out of a worker as themselves. */
export type PlanAnswer = { parcel: Parcel; problem: null } | { parcel: null; problem: string }
/** The address of this program names its content; while it is being worked on nothing is kept. */
const larder = import.meta.env.DEV ? null : new Larder(self.location.href)
const cache = new StageCache(12, larder)
const packer = new Packer()
/** A plan that took so long is worth keeping for the next time the page is opened, ms. */
const DEAR = 150

const said = (error: unknown): string => {
  if (error instanceof Error && ['PlanError', 'RuleError', 'GeometryError'].includes(error.name)) return error.message
  throw error
}

const bodiesOf = (input: PlanInput): LastBody[] => [input.last, ...(input.leftLast ? [input.leftLast] : [])]

const lastsOf = (input: PlanInput): string => [input.last.id, input.leftLast?.id ?? ''].join()

/** Whole plans are looked for once a last is new to this worker; from then on everything is at hand. */
const warm = new Set<string>()

/** The kept plan of an input that is new here; what changes of it will need is made while it is being looked at. */
async function keptPlan(input: PlanInput): Promise<Plan | null> {
  const key = lastsOf(input)
  if (!larder || warm.has(key)) return null
  warm.add(key)
  const [plan] = await Promise.all([larder.plan(input), larder.bringOut(bodiesOf(input))])
  if (plan) setTimeout(() => planPair(input, cache), 0)
  return plan
}

/** What was asked for last with its uppers ahead. */
let pending: PlanInput | null = null

async function answerTo(input: PlanInput): Promise<PlanAnswer> {
  try {
    const kept = await keptPlan(input)
    if (kept) return { parcel: packer.pack(kept), problem: null }
    const began = performance.now()
    const plan = planPair(input, cache)
    if (performance.now() - began > DEAR) void larder?.keepPlan(input, plan)
    return { parcel: packer.pack(plan), problem: null }
  } catch (error) {
    return { parcel: null, problem: said(error) }
  }
}

const worker = {
  plan: answerTo,
  /**
   * What is under the hand, before the rest is begun: null when the page has it, or when nothing is at hand yet to make
   * it quickly from. `rest` makes the whole plan of the same input; both answers go the same way, so they keep their order.
   */
  ahead(input: PlanInput): Ahead | null {
    pending = input
    if (larder && !warm.has(lastsOf(input))) return null
    try {
      return packer.ahead(planUppers(input, cache))
    } catch (error) {
      // The sentence comes with the rest; what is no sentence is an error here.
      said(error)
      return null
    }
  },
  rest(): Promise<PlanAnswer> {
    if (!pending) throw new Error('Nothing was asked for ahead.')
    return answerTo(pending)
  },
  async surface(last: LastBody): Promise<{ surface: LastSurface; problem: null } | { surface: null; problem: string }> {
    try {
      await larder?.bringOut([last])
      return { surface: lastStage(last, cache), problem: null }
    } catch (error) {
      return { surface: null, problem: said(error) }
    }
  },
  /** One size of the upper; the page asks for one after the other, so that it can stop. */
  graded(input: PlanInput, sizes: number, name: GradeName, heel: Grade['heel']): GradedUpper {
    try {
      return gradedUpper(input, sizes, name, heel, cache)
    } catch (error) {
      return { sizes, problem: said(error) }
    }
  },
  /** Thickness of all that lies on the walls, at every point of the last's own grid. Throws as the plan itself would. */
  thickness(last: LastBody, how: UpperDecisions['forme'], areas: readonly WallArea[]): ThicknessMap {
    const map = formeStage(lastStage(last, cache), how, cache)
    return thicknessMap(map, new WallStack(areas))
  },
  /** Last and forme as data; the page makes the map from them again. */
  async forme(
    last: LastBody,
    how: UpperDecisions['forme'],
  ): Promise<{ surface: LastSurface; forme: Forme; problem: null } | { surface: null; forme: null; problem: string }> {
    try {
      await larder?.bringOut([last])
      const map = formeStage(lastStage(last, cache), how, cache)
      return { surface: map.surface, forme: map.forme, problem: null }
    } catch (error) {
      return { surface: null, forme: null, problem: said(error) }
    }
  },
}
export type PlanWorker = typeof worker
expose(worker)
