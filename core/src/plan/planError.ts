import { SaidError } from '../units/saidError.ts'
import type { Sentence } from '../units/sentence.ts'
/** Thrown when a pair's decisions cannot be planned at all; `field` is the decision to change. */
export class PlanError extends SaidError {
  override readonly name = 'PlanError'
  constructor(
    readonly field: string,
    sentence: Sentence,
  ) {
    super(sentence)
  }
}
