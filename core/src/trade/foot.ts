/** Left and right shoe of a pair. */
export const feet = ['right', 'left'] as const
export type Foot = (typeof feet)[number]
