/** A piece's name without the side it is on: both quarters are a quarter. */
export const withoutSide = (name: string): string => name.replace(/, (lateral|medial)$/, '')

/** A name as it stands within a sentence. */
export const inSentence = (name: string): string => `${name.charAt(0).toLowerCase()}${name.slice(1)}`

/** A name as it begins one. */
export const asBeginning = (name: string): string => `${name.charAt(0).toUpperCase()}${name.slice(1)}`
