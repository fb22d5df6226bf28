const UPPER = 'upper.'

/** The name under which making a piece of the upper is recorded; parts are recorded under their own ids. */
export const recordOfPiece = (id: string): string => `${UPPER}${id}`

export const isPieceRecord = (record: string): boolean => record.startsWith(UPPER)

/** What was recorded, without its foot: `left.insole` is an insole. */
export const partOfMade = (record: string): string => record.replace(/^(right|left)\./, '')
