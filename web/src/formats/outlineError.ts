/** Thrown when a file holds no outline that can be used; the message is a sentence for a person. */
export class OutlineError extends Error {
  override readonly name = 'OutlineError'
}
