import type { RuleBook } from '../trade/rules.ts'
import { lastingRules } from './rules.ts'

/** What keeps tacks apart: the tuck that is pressed flat, as a share of the thickness, and the limits, mm. */
export interface TackFigures {
  takes: number
  closest: number
  farthest: number
}

export const tackFigures = (book: RuleBook): TackFigures => ({
  takes: book.value(lastingRules.takes),
  closest: book.value(lastingRules.closest),
  farthest: book.value(lastingRules.farthest),
})

/** A strip of leather at one place of the feather line. */
export interface Strip {
  thickness: number
  /** Of the feather line, 1/mm. */
  curvature: number
  /** How far inside it the strip must lie flat, mm. */
  depth: number
}

/**
 * How far apart tacks may stand, mm. At depth d inside a feather line of curvature k a strip is longer by k d for each
 * millimetre of its run, so s millimetres of run leave s k d to be closed up between two tacks, which a thickness t of leather
 * does: s = takes t / (d k), within the closest and the farthest (docs/trade.md, "Lasting"). Straight and hollow: the farthest.
 * tackSpacing({ thickness: 1.5, curvature: 1 / 30, depth: 6 }, book's figures) is 7.5.
 */
export function tackSpacing({ thickness, curvature, depth }: Strip, { takes, closest, farthest }: TackFigures): number {
  if (curvature <= 0 || depth <= 0) return farthest
  return Math.min(farthest, Math.max(closest, (takes * thickness) / (depth * curvature)))
}

/** Times the square of the thickness: what Euler's strip takes and what a fold of its own height swallows, pi^2 (1 / 3 + 1 / 4). */
const FOLDS = Math.PI ** 2 * (1 / 3 + 1 / 4)

/**
 * The same by an elastic strip: so far apart that what it does not close up by itself folds no higher than the leather is
 * thick, and is pressed flat. It takes pi^2 t^2 / (3 s), and a fold of height t swallows pi^2 t^2 / (4 s): s^2 d k = 5.76 t^2
 * (see simulateGap). Of gentle bends it thinks less, of sharp ones more than s = t / (d k): the two agree where the radius is
 * 5.76 times the depth.
 */
export function elasticSpacing(
  { thickness, curvature, depth }: Strip,
  { closest, farthest }: Pick<TackFigures, 'closest' | 'farthest'>,
): number {
  if (curvature <= 0 || depth <= 0) return farthest
  return Math.min(farthest, Math.max(closest, thickness * Math.sqrt(FOLDS / (depth * curvature))))
}

/** The radius at which both spacings agree, mm, where the trade's takes one thickness. */
export const agreesAt = (depth: number): number => FOLDS * depth

/** By how much a millimetre of the strip's run is too long at the depth that must lie flat. */
export const surplusOf = ({ curvature, depth }: Strip): number => depth * Math.max(0, curvature)
