import { exchangeInPlace, taken, type Candidate } from '../nesting/candidate.ts'
import { placementsOf, searchWhole } from '../nesting/nest.ts'
import { stockOf } from '../nesting/shapes.ts'
import type { LaidPlace, PairLayout } from '../model/layout.ts'
import {
  cuttingLayout,
  laidPiece,
  outlinesLaid,
  placesOf,
  stillToLay,
  type HowLaid,
  type LayGround,
  type ToLay,
} from './cuttingLayout.ts'

/** What is laid on what: `there` stays where it is, and the rest is laid round it. */
export interface LayOrder extends HowLaid {
  pieces: readonly ToLay[]
  grounds: readonly LayGround[]
  there: readonly LaidPlace[]
}

/** What a layout asks for: what was put somewhere by hand stays there, if such a piece is cut still. */
export function layOrderOf(
  { gap, turn, hidesFlaws, places }: PairLayout,
  pieces: readonly ToLay[],
  grounds: readonly LayGround[],
): LayOrder {
  const there = places.filter((p) => p.pinned && laidPiece(pieces, p) !== null)
  return { pieces, grounds, gap, turn, hidesFlaws, there }
}

/** How a layout stands: `left` pieces lie nowhere yet. */
export interface LaidSoFar {
  places: readonly LaidPlace[]
  left: number
  /** The last hide on which the search laid something (-1: none yet), and how far to the right that reaches there, mm. */
  on: number
  reach: number
  /** How far mates lie apart that the search laid on one hide, all of them together, mm. */
  apart: number
}

/** Whether one lays more, or as much on fewer hides, or as much and takes less of the last. */
export const isLaidBetter = (a: LaidSoFar, b: LaidSoFar): boolean =>
  a.left !== b.left ? a.left < b.left : a.on !== b.on ? a.on < b.on : taken(a) < taken(b)

const countOf = (pieces: readonly ToLay[]): number => pieces.reduce((sum, p) => sum + p.cut.count, 0)

/**
 * Lays pieces on hides in their order, as much on the first as it holds, what is left on the next. Each takes its share of
 * the time that is left; where all lies on fewer, the last of those has the rest of its share. `progress` says which share
 * of the time is gone; yields often, with the best so far. Throws GeometryError where a piece has no area.
 */
export function* layOnGrounds(
  { pieces, grounds, there, ...how }: LayOrder,
  seed: number,
  progress: () => number,
): Generator<LaidSoFar, LaidSoFar> {
  let places: readonly LaidPlace[] = there
  let rest = stillToLay(pieces, places)
  let last = { on: -1, reach: 0 }
  let apart = 0
  for (const [on, ground] of grounds.entries()) {
    if (rest.length === 0) break
    const began = progress()
    const share = (1 - began) / (grounds.length - on)
    const gone = () => (share > 0 ? Math.min(1, (progress() - began) / share) : 1)
    const lies = outlinesLaid(
      pieces,
      there.filter((p) => p.on === on),
    )
    const { bin, pieces: cut } = cuttingLayout(rest, ground, how, lies)
    const stock = stockOf(cut, how.gap)
    const exchange = exchangeInPlace()
    // Whoever watches sees at once how it begins.
    let begun: Candidate | null = null
    const beginning = (soFar: Candidate) => void (begun = soFar)
    const found = (): LaidSoFar => {
      const best = exchange.best() ?? begun
      const laid = best ? placesOf(rest, placementsOf(stock, best.places, 0), on, places) : []
      const where = laid.length > 0 ? { on, reach: best!.reach } : last
      const left = countOf(rest) - laid.length
      return { places: [...places, ...laid], left, ...where, apart: apart + (best?.apart ?? 0) }
    }
    for (const _ of searchWhole(stock, bin, { seed, progress: gone, exchange, beginning })) {
      yield found()
      if (gone() >= 1 && exchange.best()) break
    }
    const done = found()
    places = done.places
    apart = done.apart
    last = { on: done.on, reach: done.reach }
    rest = stillToLay(pieces, places)
  }
  return { places, left: countOf(rest), ...last, apart }
}
