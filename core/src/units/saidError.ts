import { spoken, type Sentence } from './sentence.ts'

/** An error that is told to a person: its message in millimetres, and the sentence for those who read in another unit. */
export class SaidError extends Error {
  constructor(
    readonly sentence: Sentence,
    options?: ErrorOptions,
  ) {
    super(spoken(sentence), options)
  }
}
