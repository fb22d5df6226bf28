import { outermost, outermostAcross } from './crossings.ts'
import { boxOf, type Path, type Point } from './path.ts'

/** A width as callipers read it: the two places that the jaws touch, on one upright line, and the distance, mm. */
export interface CalliperWidth {
  from: Point
  to: Point
  value: number
}

/** Width of a closed outline at X: distance between its outermost crossings with the upright line there. */
export function widthAt(outline: Path, x: number): CalliperWidth | null {
  const ends = outermost(outline, { x })
  return ends && { from: [x, ends[0]], to: [x, ends[1]], value: ends[1] - ends[0] }
}

/** Where along a bottom each width is looked for, as shares of its length. */
export const REGIONS = { seat: [0.08, 0.22], waist: [0.26, 0.55], joint: [0.55, 0.9] } as const
/** A bottom that is nowhere narrower than its seat has neither to find: there they are read at these shares. */
export const USUAL = { seat: 0.17, waist: 0.43 } as const
export type BottomWidth = keyof typeof REGIONS
export const bottomWidths = Object.keys(REGIONS) as BottomWidth[]
/** It is looked for this finely, mm. */
const STEP = 0.5

function best(list: readonly CalliperWidth[], sign: number): CalliperWidth | null {
  return list.reduce<CalliperWidth | null>((a, b) => (a === null || sign * b.value > sign * a.value ? b : a), null)
}

/** The widest (sign 1) or narrowest (sign -1) place, where there is one between the ends of the region; else `usual`. */
function inside(list: readonly CalliperWidth[], sign: number, usual: () => CalliperWidth | null): CalliperWidth | null {
  const found = best(list, sign)
  if (found === null) return null
  return found === list[0] || found === list[list.length - 1] ? usual() : found
}

/**
 * Widths of an outline along a bottom that begins at x = `start` and is `length` mm long, where callipers read them:
 * straight across where the seat is widest and the waist narrowest, and over the joints between jaws laid along the
 * shoe, which touch the outermost place of each side. Null where the outline does not reach so far.
 */
export function calliperWidths(
  outline: Path,
  start: number,
  length: number,
): Record<BottomWidth, CalliperWidth | null> {
  const box = boxOf(outline)
  const across = (name: BottomWidth): CalliperWidth[] => {
    const [from, to] = REGIONS[name].map((share) => start + share * length)
    if (box.maxX < to!) return []
    const n = Math.ceil((to! - from!) / STEP)
    return outermostAcross(outline, from!, to!, n).flatMap((ends, k) => {
      const x = from! + ((to! - from!) * k) / n
      return ends ? [{ from: [x, ends[0]], to: [x, ends[1]], value: ends[1] - ends[0] }] : []
    })
  }
  const joint = across('joint')
  const low = best(
    joint.map((w) => ({ ...w, value: -w.from[1] })),
    1,
  )
  const high = best(
    joint.map((w) => ({ ...w, value: w.to[1] })),
    1,
  )
  return {
    seat: inside(across('seat'), 1, () => widthAt(outline, start + USUAL.seat * length)),
    waist: inside(across('waist'), -1, () => widthAt(outline, start + USUAL.waist * length)),
    joint:
      low && high
        ? {
            from: [(low.from[0] + high.to[0]) / 2, low.from[1]],
            to: [(low.from[0] + high.to[0]) / 2, high.to[1]],
            value: high.to[1] - low.from[1],
          }
        : null,
  }
}
