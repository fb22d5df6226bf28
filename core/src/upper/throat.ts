import { nearest, pointAt } from '../geometry/along.ts'
import { pathLength, type Path } from '../geometry/path.ts'
import type { FormeMap } from '../forme/formeMap.ts'
import type { Side } from '../last/frame.ts'
import type { Rule } from '../model/rules.ts'
import type { UpperDecisions } from '../model/upper.ts'
import type { DesignBoard } from './designPoints.ts'

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
    why: 'With 5 to 6 mm of difference the pattern is placed 4 to 5 mm towards the lateral side.',
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

/** Mean height of the medial line over the lateral one along the front half of the opening, mm. */
export function heightDifference(map: FormeMap, drawn: Record<Side, Path>): number {
  const height = (side: Side) => {
    const line = drawn[side]
    const whole = pathLength(line)
    let sum = 0
    for (let k = 1; k <= 10; k++) sum += nearest(map.feather, pointAt(line, (whole * (0.1 + 0.4 * k)) / 10)).away
    return sum / 10
  }
  return height('medial') - height('lateral')
}

export function throatShift({
  board,
  book,
  decisions,
}: {
  board: DesignBoard
  book: DesignBoard['book']
  decisions: UpperDecisions
}): ThroatShift {
  const difference = board.throatDifference ?? 0
  if (decisions.throat !== 'mirrored') return { difference, added: 0, shift: 0 }
  return { difference, added: difference, shift: difference * book.value(throatRules.shiftShare) }
}
