import { SaidError } from '../units/saidError.ts'

/** A picture that cannot be used; the sentence says what to do. */
export class PhotoError extends SaidError {
  override readonly name = 'PhotoError'
}
