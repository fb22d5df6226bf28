import { MM_PER_INCH } from './length.ts'

export const sizeSystems = ['paris', 'uk', 'us men', 'us women', 'mondopoint'] as const
export type SizeSystem = (typeof sizeSystems)[number]

export const sizeSystemNames: Record<SizeSystem, string> = {
  paris: 'Paris point',
  uk: 'UK',
  'us men': 'US men',
  'us women': 'US women',
  mondopoint: 'Mondopoint',
}

/** Paris point: two thirds of a centimetre. */
const MM_PER_PARIS_POINT = 20 / 3
/** Room a last holds beyond the foot when only its length is known, mm. */
export const USUAL_TOE_ROOM = 15

/**
 * Size read off a last length (mm). Approximate by nature: a last already holds the toe room. Mondopoint is the
 * foot's length, so the toe room (mm) is taken off.
 */
export function sizeFromLast(system: SizeSystem, lastLength: number, toeRoom = USUAL_TOE_ROOM): number {
  const uk = (3 * lastLength) / MM_PER_INCH - 25
  switch (system) {
    case 'paris':
      return lastLength / MM_PER_PARIS_POINT
    case 'uk':
      return uk
    case 'us men':
      return uk + 1
    case 'us women':
      return uk + 2.5
    case 'mondopoint':
      return lastLength - toeRoom
  }
}

/** Last length (mm) that a size asks for: the inverse of sizeFromLast. */
export function lastFromSize(system: SizeSystem, size: number, toeRoom = USUAL_TOE_ROOM): number {
  const fromUk = (uk: number) => ((uk + 25) * MM_PER_INCH) / 3
  switch (system) {
    case 'paris':
      return size * MM_PER_PARIS_POINT
    case 'uk':
      return fromUk(size)
    case 'us men':
      return fromUk(size - 1)
    case 'us women':
      return fromUk(size - 2.5)
    case 'mondopoint':
      return size + toeRoom
  }
}
