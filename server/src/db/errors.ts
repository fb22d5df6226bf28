/** Why the store says no. */
export type StoreReason =
  /** There is nothing with this id. */
  | 'not there'
  /** The write was made on an older version. */
  | 'changed meanwhile'
  /** What was asked for does not hold together, or cannot be read. */
  | 'cannot be'
  /** It would hold together, but not with what is there now. */
  | 'in the way'
  /** The database itself cannot be written just now. */
  | 'not now'

interface More {
  /** Path of the field that is to blame, in the document that was sent. */
  field?: string
  /** The document as it stands, so that both can be compared. */
  current?: unknown
  /** Seconds after which to try again. */
  retryAfter?: number
}

/** The store's no: a reason for programs, a title and a sentence for people. What answers a request translates it. */
export class StoreError extends Error {
  override readonly name = 'StoreError'
  constructor(
    readonly reason: StoreReason,
    readonly title: string,
    message: string,
    readonly more: More = {},
  ) {
    super(message)
  }
}

export const notThere = (what: string) =>
  new StoreError(
    'not there',
    'Not here',
    `There is no ${what} with this id. It may have been deleted; go back to the list.`,
  )

/** `current` is the whole document as it stands. */
export const changedMeanwhile = (what: string, current: unknown) =>
  new StoreError(
    'changed meanwhile',
    'Changed meanwhile',
    `This ${what} was changed elsewhere since it was opened here. Nothing was saved; compare both and choose.`,
    { current },
  )

export const heldElsewhere = () =>
  new StoreError(
    'not now',
    'Database held',
    'Another program holds the database (a copy being made, or a database browser). Nothing was saved; close it, then try again.',
    { retryAfter: 5 },
  )
