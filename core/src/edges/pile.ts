import type { Path, Point } from '../geometry/path.ts'
import { simplify } from '../geometry/simplify.ts'
import { profileAt, type Profile } from '../trade/wallArea.ts'

/**
 * One leather in a section across a seam: it lies between two places, as thick as its profile says (thickness against
 * the place, mm), and does not bend.
 */
export interface Lay {
  part: string
  name: string
  from: number
  to: number
  profile: Profile
  /** How thick it is itself, where it is drawn bent round an edge, mm. */
  thickness?: number
}

/** One leather in section, to scale: its closed outline, mm; x across the seam, y outwards from the foot. */
export interface SectionBody {
  part: string
  name: string
  /** Where it is thickest, mm. */
  thickest: number
  outline: Path
}

/** Points that lie on a straight line within this are left out, mm. */
const STRAIGHT = 1e-4
/** Either side of a place where a leather begins or ends, mm. */
const BESIDE = 1e-6

/** How thick a lay is at a place; nothing outside its ends, nor just on them, where another may begin. */
const thicknessOf = (lay: Lay, x: number): number => (x <= lay.from || x >= lay.to ? 0 : profileAt(lay.profile, x))

/** How thick they are together at a place, mm. */
export const totalAt = (lays: readonly Lay[], x: number): number =>
  lays.reduce((sum, lay) => sum + thicknessOf(lay, x), 0)

/** Where the whole pile changes its slope or ends. */
export const knotsOf = (lays: readonly Lay[]): number[] => {
  const ends = lays.flatMap((l) => [l.from, l.to])
  const [first, last] = [Math.min(...ends), Math.max(...ends)]
  const all = [
    ...ends.flatMap((x) => [x - BESIDE, x + BESIDE]),
    // A profile that jumps has two points at one place.
    ...lays.flatMap((l) => l.profile.map(([x]) => x).flatMap((x) => (x > l.from && x < l.to ? [x, x + BESIDE] : []))),
  ].filter((x) => x > first && x < last)
  return [...new Set(all)].sort((a, b) => a - b)
}

/**
 * Leathers laid on each other in the order given, from the foot outwards: each rests on what lies under it. The area of
 * a body is the integral of its profile.
 */
export function pile(lays: readonly Lay[]): SectionBody[] {
  const xs = knotsOf(lays)
  return lays.map((lay, k): SectionBody => {
    const under = lays.slice(0, k)
    const its = xs.filter((x) => x > lay.from && x < lay.to)
    const lower = its.map((x): Point => [x, totalAt(under, x)])
    const upper = lower.map(([x, y]): Point => [x, y + thicknessOf(lay, x)])
    const [below, above] = [simplify(lower, STRAIGHT), simplify(upper, STRAIGHT)]
    return {
      part: lay.part,
      name: lay.name,
      thickest: lay.thickness ?? Math.max(...its.map((x) => thicknessOf(lay, x))),
      outline: [...below, ...[...above].reverse()],
    }
  })
}

/** A step is taken over this run: leather bridges what is shorter, mm. */
const RUN = 2

/**
 * The steepest step of a pile between two places, mm for each mm of run: how much the whole rises over a short run under
 * (or, seen from the foot, over) one and the same outermost leather. The pile is straight between its knots, so that the
 * steepest place has a knot at one end of the run.
 */
export function steepest(lays: readonly Lay[], seen: 'outside' | 'foot', from = -Infinity, to = Infinity): number {
  const ordered = seen === 'outside' ? [...lays].reverse() : lays
  const faceAt = (x: number) => ordered.find((l) => thicknessOf(l, x) > 0)
  const ends = lays.flatMap((l) => [l.from, l.to])
  const [first, last] = [Math.max(from, Math.min(...ends)), Math.min(to, Math.max(...ends))]
  let most = 0
  for (const x of knotsOf(lays)) {
    const face = faceAt(x)
    if (x < first || x > last || !face) continue
    for (const other of [x - RUN, x + RUN]) {
      // Over the edge of the outermost leather itself there is a step that is meant.
      if (other <= first || other >= last) continue
      if (faceAt(other) !== face || faceAt((x + other) / 2) !== face) continue
      most = Math.max(most, Math.abs(totalAt(lays, other) - totalAt(lays, x)) / RUN)
    }
  }
  return most
}
