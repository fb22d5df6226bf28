import {
  formeStage,
  gradedUpper,
  lastStage,
  planPair,
  planUppers,
  sketchOf,
  StageCache,
  boxOf,
  formeOutline,
  thicknessMap,
  thicknessRaster,
  WallStack,
  type Forme,
  type Grade,
  type GradedUpper,
  type GradeName,
  type LastBody,
  type LastSurface,
  type PairSketch,
  type Plan,
  type PlanInput,
  type Side,
  type ThicknessMap,
  type ThicknessRaster,
  type UpperDecisions,
  type WallArea,
} from '@gentle-awl/core'
import { expose } from 'comlink'
import { answered, answeredLater, type Answer } from '../answer.ts'
import { Larder } from './larder.ts'
import { Receiver, type Parcel } from '../parcel.ts'
import { PlanSender } from './planSender.ts'

/** The address of this program names its content; while it is being worked on nothing is kept. */
const larder = import.meta.env.DEV ? null : new Larder(self.location.href)
const cache = new StageCache(12, larder)
const inputs = new Receiver<PlanInput>()
const plans = new PlanSender()
/** A plan that took so long is worth keeping for the next time the page is opened, ms. */
const DEAR = 150

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

const answerTo = (input: PlanInput): Promise<Answer<Parcel>> =>
  answeredLater(async () => {
    const kept = await keptPlan(input)
    if (kept) return plans.send(kept)
    const began = performance.now()
    const plan = planPair(input, cache)
    if (performance.now() - began > DEAR) void larder?.keepPlan(input, plan)
    return plans.send(plan)
  })

/** Last and forme as data; the page makes the map from them again. */
export interface MadeForme {
  surface: LastSurface
  forme: Forme
}

const worker = {
  plan: (input: Parcel): Promise<Answer<Parcel>> => answerTo(inputs.receive(input)),
  /**
   * What is under the hand, before the rest is begun: null when the page has it, or when nothing is at hand yet to make
   * it quickly from. `rest` makes the whole plan of the same input; both answers go the same way, so they keep their order.
   */
  ahead(parcel: Parcel): Parcel | null {
    const input = inputs.receive(parcel)
    pending = input
    if (larder && !warm.has(lastsOf(input))) return null
    // A sentence that says why not comes with the rest.
    return answered(() => plans.ahead(planUppers(input, cache))).value
  },
  rest(): Promise<Answer<Parcel>> {
    if (!pending) throw new Error('Nothing was asked for ahead.')
    return answerTo(pending)
  },
  /** How a pair would look and what would stand against it; the page asks for one after the other, so that it can stop. */
  sketch: (input: PlanInput): Promise<Answer<PairSketch>> =>
    answeredLater(async () => {
      await larder?.bringOut(bodiesOf(input))
      const plan = planPair(input, cache)
      return sketchOf(plan, formeStage(lastStage(input.last, cache), input.decisions.upper.forme, cache), input)
    }),
  surface: (last: LastBody): Promise<Answer<LastSurface>> =>
    answeredLater(async () => {
      await larder?.bringOut([last])
      return lastStage(last, cache)
    }),
  /** One size of the upper; the page asks for one after the other, so that it can stop. */
  graded: (input: PlanInput, sizes: number, name: GradeName, heel: Grade['heel']): Answer<GradedUpper> =>
    answered(() => gradedUpper(input, sizes, name, heel, cache)),
  /** Thickness of all that lies on the walls, at every point of the last's own grid. */
  thickness: (last: LastBody, how: UpperDecisions['forme'], areas: readonly WallArea[]): Answer<ThicknessMap> =>
    answered(() => {
      const map = formeStage(lastStage(last, cache), how, cache)
      return thicknessMap(map, new WallStack(areas))
    }),
  /** The same all over one side of the forme, as fine as a screen shows it. */
  raster: (
    last: LastBody,
    how: UpperDecisions['forme'],
    areas: readonly WallArea[],
    side: Side,
  ): Answer<ThicknessRaster> =>
    answered(() => {
      const map = formeStage(lastStage(last, cache), how, cache)
      return thicknessRaster(new WallStack(areas), side, boxOf(formeOutline(map, side)))
    }),
  forme: (last: LastBody, how: UpperDecisions['forme']): Promise<Answer<MadeForme>> =>
    answeredLater(async () => {
      await larder?.bringOut([last])
      const map = formeStage(lastStage(last, cache), how, cache)
      return { surface: map.surface, forme: map.forme }
    }),
}
export type PlanWorker = typeof worker
expose(worker)
