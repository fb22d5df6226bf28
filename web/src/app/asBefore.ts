import { changeBetween } from '../workers/change.ts'

/** The value of before where the one of now has the same content: who looks at it then need not look again. */
export const asBefore = <T>(before: T | undefined, now: T): T =>
  before !== undefined && !changeBetween(before, now) ? before : now
