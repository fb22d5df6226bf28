import type { FormeMap } from '../../forme/formeMap.ts'
import type { Path } from '../../geometry/path.ts'
import type { HeelPatch } from '../../forme/heelPatch.ts'
import type { Side } from '../../trade/side.ts'
import type { Origin } from '../../trade/because.ts'
import type { Material } from '../../model/material.ts'
import type { PairDecisions } from '../../model/pair.ts'
import type { RuleBook } from '../../trade/rules.ts'
import type { TopLine } from '../../upper/topLine.ts'
import type { TurnedOver } from '../shared/turnedUnder.ts'

export interface StiffenerNeeds {
  map: FormeMap
  patch: HeelPatch
  topLine: TopLine
  over: TurnedOver
  /** Edges of the lacing on the forme, which a long stiffener must pass under; null without lacing. */
  facings: Record<Side, Path> | null
  length: number
  /** x of the joint on each side, mm from the heel back. */
  joint: Record<Side, number>
  decisions: PairDecisions['stiffener']
  material: Material
  book: RuleBook
}

/** Where the stiffener ends on the feather line, mm from the heel back, by decision or rule. */
export interface StiffenerEnds {
  lateral: number
  medial: number
  origin: Record<Side, Origin>
}
