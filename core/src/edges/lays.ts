import type { EdgeSkive } from '../layers/edgeSkive.ts'
import type { Profile } from '../trade/wallArea.ts'
import type { Lay } from './pile.ts'

/** One leather with the woven stuff that is stuck behind it; both are cut alike, and only the leather is skived. */
export interface Ply {
  part: string
  name: string
  thickness: number
  /** How its edge is thinned; null where it is not. */
  skive: EdgeSkive | null
  backer: { part: string; name: string; thickness: number } | null
}

/** Which way from its cut edge a leather lies in a section. */
export type Way = 'left' | 'right'

const even = (thickness: number): Profile => [[0, thickness]]

/** A profile from a cut edge as it lies in the section, from left to right. */
function lying(profile: Profile, cut: number, way: Way): Profile {
  return way === 'right'
    ? profile.map(([d, t]) => [cut + d, t] as const)
    : [...profile].reverse().map(([d, t]) => [cut - d, t] as const)
}

/**
 * A ply from its cut edge as far as `reach`, its backer under it; turned over, as in a fold, the backer lies on it. A
 * profile from the cut edge may take the place of its skive's.
 */
export function laid(
  ply: Ply,
  cut: number,
  way: Way,
  reach: number,
  profile: Profile = ply.skive?.profile ?? even(ply.thickness),
  over = false,
): Lay[] {
  const [from, to] = way === 'right' ? [cut, cut + reach] : [cut - reach, cut]
  const leather: Lay = {
    part: ply.part,
    name: ply.name,
    from,
    to,
    profile: lying(profile, cut, way),
  }
  if (!ply.backer) return [leather]
  const { part, name, thickness } = ply.backer
  const backer: Lay = { part, name, from, to, profile: even(thickness) }
  return over ? [leather, backer] : [backer, leather]
}

/** The part of a ply that is laid back along its line: `by` mm of it, its cut edge furthest from the line at x = 0. */
export function laidBack(ply: Ply, by: number, way: Way): Lay[] {
  // Its cut edge lies `by` mm inside the line, on the side on which the ply itself lies.
  const cut = way === 'left' ? -by : by
  return laid(ply, cut, way === 'left' ? 'right' : 'left', by, undefined, true)
}

/** The ply itself beside a line at x = 0, `by` mm of which are laid back, as far as `reach` from the line. */
export function beside(ply: Ply, by: number, way: Way, reach: number): Lay[] {
  const cut = way === 'left' ? by : -by
  const whole = laid(ply, cut, way, by + reach)
  return whole.map((l) => (way === 'left' ? { ...l, to: 0 } : { ...l, from: 0 }))
}

/** As thick all over as the leather is: what it would be without the skive. */
export const unskived = (ply: Ply): Ply => ({ ...ply, skive: null })
