import type { Remedy } from '../trade/remedy.ts'
import type { Sentence } from '../units/sentence.ts'
import type { FaultCase } from './case.ts'
import type { FaultStage } from './stage.ts'

/**
 * Something that this pair's own figures, log or ways say for a cause or against it. `factor` is how many times as likely
 * the cause is for it: 1 says nothing.
 */
export interface Evidence {
  factor: number
  sentence: Sentence
}

/** What helps on this pair, up to a stage: the first that is not past counts. */
export type Helps = readonly (readonly [upTo: FaultStage, what: Sentence])[]

/** What keeps it from happening next time, and what of the decisions would change for it. */
export interface Prevention {
  sentence: Sentence
  remedy?: Remedy
}

export interface Cause {
  id: string
  name: string
  /** How often it is this among the causes of its fault, before anything is known of the pair: 1 now and then, 3 mostly. */
  usual: number
  /** Whether it can be the cause on this pair at all; it can where it is left out. */
  among?: (c: FaultCase) => boolean
  evidence: (c: FaultCase) => (Evidence | null)[]
  helps: Helps
  prevents: (c: FaultCase) => Prevention
}

/** Something that is seen, heard or felt on a shoe. */
export interface Fault {
  id: string
  name: string
  /** How it is told from its like. */
  sign: Sentence
  /** Whether a pair can have it at all; all pairs can where it is left out. */
  among?: (c: FaultCase) => boolean
  causes: readonly Cause[]
}
