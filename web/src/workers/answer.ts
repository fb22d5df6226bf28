import { SaidError, type Sentence } from '@gentle-awl/core'

/** What came of work in a thread, or the sentence that says why nothing did: errors do not survive the way out of a worker as themselves. */
export type Answer<T> = { value: T; problem: null } | { value: null; problem: Sentence }

/** Errors whose message is a sentence for a person. */
const KNOWN: ReadonlySet<string> = new Set(['MeshFileError', 'OutlineError'])

/** The sentence of an error that has one. Throws every other error again. */
export function sentenceOf(error: unknown): Sentence {
  if (error instanceof SaidError) return error.sentence
  if (error instanceof Error && KNOWN.has(error.name)) return error.message
  throw error
}

/** Does work in a worker and answers with what came of it. Throws what is no sentence for a person. */
export function answered<T>(work: () => T): Answer<T> {
  try {
    return { value: work(), problem: null }
  } catch (error) {
    return { value: null, problem: sentenceOf(error) }
  }
}

/** As `answered`, for work that waits for something. */
export async function answeredLater<T>(work: () => Promise<T>): Promise<Answer<T>> {
  try {
    return { value: await work(), problem: null }
  } catch (error) {
    return { value: null, problem: sentenceOf(error) }
  }
}
