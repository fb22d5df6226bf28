import type { FormeMap } from '../forme/formeMap.ts'
import type { PlanInput } from '../model/pair.ts'
import type { Level } from '../model/level.ts'
import type { PictureShape } from '../model/pairCard.ts'
import type { Sentence } from '../units/sentence.ts'
import { findingsOfPlan } from './consequences.ts'
import { coloursOf, pairPicture } from './pairPicture.ts'
import type { Plan } from './plan.ts'

/** A pair before it is one: how it would look, and what would stand against it. Plain data. */
export interface PairSketch {
  shapes: PictureShape[]
  worst: Level
  /** What would have to be mended first; each is said once. */
  stops: { where: string; sentence: Sentence }[]
}

/** The sketch of a pair from its plan, the map of the last that its upper lies on, and what was planned. */
export function sketchOf(plan: Plan, map: FormeMap, input: PlanInput): PairSketch {
  const stops = new Map(
    findingsOfPlan(plan)
      .filter(({ finding }) => finding.level === 'stop')
      .map(({ where, finding }) => [finding.id, { where, sentence: finding.sentence }]),
  )
  return { shapes: pairPicture(plan, map, coloursOf(input)), worst: plan.worst, stops: [...stops.values()] }
}
