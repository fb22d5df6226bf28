import { resample } from '../geometry/polyline.ts'
import { offsetLine } from '../geometry/offsetLine.ts'
import { joined } from '../geometry/subpath.ts'
import { pathLength, type Path } from '../geometry/path.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import { mm, mmTo, say, bare } from '../units/sentence.ts'

export const sewnRules = {
  pitch: {
    key: 'upper.handPitch',
    name: 'Stitch of a hand-sewn upper',
    value: 6,
    min: 3,
    max: 10,
    unit: 'mm',
    why: say`About ${mm(6)} with waxed thread; closer holes cut the edge like a stamp.`,
  },
  fromEdge: {
    key: 'upper.stitchFromEdge',
    name: 'Hand stitch from the edge',
    value: 3,
    min: 1.5,
    max: 5,
    unit: 'mm',
    why: say`${mmTo(1.5, 2)} on fine uppers, ${bare(3)} where leather and thread are thick.`,
  },
} satisfies Record<string, Rule>

/** A seam through two pieces: its line, and where the awl goes through; mm on the piece. */
export interface SewnLine {
  name: string
  line: Path
  holes: Path
}

/** What stays free of holes at either end of a seam, mm: it runs into the margin that is turned. */
const ENDS = 4

/**
 * A seam inside edges that follow each other, its holes spread evenly from end to end: as many as come nearest to the
 * pitch asked for.
 */
export function sewnAlong(name: string, edges: readonly Path[], book: RuleBook): SewnLine {
  const row = offsetLine(joined(...edges), book.value(sewnRules.fromEdge))
  const whole = pathLength(row)
  const steps = Math.max(40, Math.ceil(whole))
  const inner = resample(row, steps + 1).filter((_, i) => {
    const at = (whole * i) / steps
    return at >= ENDS && at <= whole - ENDS
  })
  const gaps = Math.max(2, Math.round(pathLength(inner) / book.value(sewnRules.pitch)))
  return { name, line: inner, holes: resample(inner, gaps + 1) }
}
