import type { Places } from './layout.ts'

/** A layout without overlaps, to be compared with others. */
export interface Candidate {
  places: Places
  /** Area of what is laid, mm2. */
  area: number
  /** How far to the right anything reaches, mm. */
  reach: number
}

/** So much is a gain: mm2 and mm. */
const GAIN = 1e-6

/** Whether one is fuller than another, or as full and ends further to the left. */
export const isBetter = (a: Candidate, b: Candidate | null): boolean =>
  b === null || a.area > b.area + GAIN || (a.area > b.area - GAIN && a.reach < b.reach - GAIN)

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
