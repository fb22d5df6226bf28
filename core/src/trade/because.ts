import type { Level } from '../model/level.ts'
import type { HandDecision } from '../model/handFigures.ts'
import type { Sentence } from '../units/sentence.ts'
import type { Remedy } from './remedy.ts'

/** Units that figures carry; lengths are turned into inches only at the edge of the screen. */
export type Unit = 'mm' | 'mm²' | 'cm³' | 'g' | 'min' | 'share' | 'count' | '%' | 'mm per 10 mm'

export interface Input {
  name: string
  value: number
  unit: Unit
}

/** Where a rule's figure came from. */
export type Origin =
  'house rule' | 'this workshop' | 'this pair' | 'set by hand' | 'measured on the last' | 'from the material'

/** What can be set by hand, what the rule would make it, and how far it may be moved. */
export interface HandFigure {
  decision: HandDecision
  byRule: number
  min: number
  max: number
}

/** A derived number with its reason, in a sentence a shoemaker would say. */
export interface Because {
  /** Its name for programs: one of a kind among the figures of its part. */
  id: string
  quantity: string
  value: number
  unit: Unit
  sentence: Sentence
  inputs: Input[]
  origin: Origin
  /** Key of the house rule behind it, when one can be changed. */
  rule?: string
  hand?: HandFigure
}

/** A check that was made: where, measured against a limit, and what to do about it. */
export interface Finding {
  id: string
  level: Level
  where: Sentence
  sentence: Sentence
  measured: number
  limit: number
  unit: Unit
  /** What to do; empty when all is well. */
  mend: Sentence
  /** What its button does, where something in the plan mends it; none where it is mended at the bench. */
  remedy?: Remedy
}
