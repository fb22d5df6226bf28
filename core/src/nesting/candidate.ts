import type { Places } from './layout.ts'

/** A layout without overlaps, to be compared with others. */
export interface Candidate {
  places: Places
  /** Area of what is laid, mm2. */
  area: number
  /** How far to the right anything reaches, mm. */
  reach: number
  /** How far the middles of mates lie apart, all of them together, mm. */
  apart: number
}

/** So much length is given for mates that lie a millimetre nearer to each other, mm: pairs cost little. */
const FOR_MATES = 0.02

/** What a layout takes: its length, and a little for mates that lie apart, mm. */
export const taken = ({ reach, apart }: Pick<Candidate, 'reach' | 'apart'>): number => reach + FOR_MATES * apart

/** So much is a gain: mm2 and mm. */
const GAIN = 1e-6

/** Whether one is fuller than another, or as full and takes less. */
export const isBetter = (a: Candidate, b: Candidate | null): boolean =>
  b === null || a.area > b.area + GAIN || (a.area > b.area - GAIN && taken(a) < taken(b) - GAIN)

/** Where searches that run beside each other tell what they found. */
export interface Exchange {
  tell: (found: Candidate) => void
  /** The best that any of them told; null where none has yet. */
  best: () => Candidate | null
}

/** An exchange for one search alone, or for several that take turns in one thread. */
export function exchangeInPlace(onBetter: (found: Candidate) => void = () => {}): Exchange {
  let best: Candidate | null = null
  return {
    tell: (found) => {
      if (!isBetter(found, best)) return
      best = found
      onBetter(found)
    },
    best: () => best,
  }
}
