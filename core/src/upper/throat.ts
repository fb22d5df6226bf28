import { nearest, pointAt } from '../geometry/polyline.ts'
import { pathLength, type Path } from '../geometry/path.ts'
import type { FormeMap } from '../forme/formeMap.ts'
import type { Side } from '../trade/side.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import type { UpperDecisions } from '../model/upper.ts'
import type { DesignBoard } from './designPoints.ts'
import { mmTo, say } from '../units/sentence.ts'

export const throatRules = {
  flatHeel: {
    key: 'upper.flatHeel',
    name: 'Highest heel over which a throat may be mirrored',
    value: 15,
    min: 5,
    max: 25,
    unit: 'mm',
    why: 'Over a higher heel the mirrored throat would twist the upper on the last.',
  },
  shiftShare: {
    key: 'upper.throatShift',
    name: 'Pattern moved to the lateral side, share of the difference',
    value: 0.82,
    min: 0.5,
    max: 1,
    unit: 'share',
    why: say`With ${mmTo(5, 6)} of difference the pattern is placed ${mmTo(4, 5)} towards the lateral side.`,
  },
} satisfies Record<string, Rule>

/** What a mirrored throat asks for, mm; nothing when the throat is cut as drawn. */
export interface ThroatShift {
  /** The medial top line as drawn over the lateral one, beside the throat. */
  difference: number
  /** Added to the medial lasting margin. */
  added: number
  /** Towards the lateral side when lasting. */
  shift: number
}

/**
 * The opening's edge as it is cut. As drawn: each side its own. Mirrored: the lateral line serves both sides, so that
 * the throat looks even on a flat; what the medial side loses in height is given to its lasting margin.
 */
export function throatLines(board: DesignBoard, drawn: Record<Side, Path>): Record<Side, Path> {
  board.throatDifference = heightDifference(board.map, drawn)
  return board.decisions.throat === 'mirrored' ? { lateral: drawn.lateral, medial: drawn.lateral } : drawn
}

/** Where along the opening, from the throat, the two sides are compared, as shares of it: beside the throat. */
const BESIDE = [0.12, 0.16, 0.2, 0.24, 0.28, 0.32, 0.36, 0.4]

/** How much higher the medial line is drawn than the lateral one beside the throat, at the most, mm. */
export function heightDifference(map: FormeMap, drawn: Record<Side, Path>): number {
  const height = (side: Side, share: number) =>
    nearest(map.feather, pointAt(drawn[side], share * pathLength(drawn[side]))).away
  return BESIDE.reduce((most, share) => Math.max(most, height('medial', share) - height('lateral', share)), 0)
}

export function throatShift({
  throatDifference,
  book,
  decisions,
}: {
  throatDifference: number | null
  book: RuleBook
  decisions: UpperDecisions
}): ThroatShift {
  const difference = throatDifference ?? 0
  if (decisions.throat !== 'mirrored') return { difference, added: 0, shift: 0 }
  return { difference, added: difference, shift: difference * book.value(throatRules.shiftShare) }
}
