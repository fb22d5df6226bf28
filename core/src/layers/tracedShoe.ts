import { nearest, resample } from '../geometry/polyline.ts'
import { offset } from '../geometry/polygonClip.ts'
import { contains, counterClockwise, GeometryError, type Path, type Point } from '../geometry/path.ts'
import { isSimple } from '../geometry/selfIntersection.ts'
import { procrustes } from '../geometry/procrustes.ts'
import { layBottom, pencilOffset } from '../last/tracing.ts'
import type { Finding } from '../trade/because.ts'
import type { DrawnLine } from '../model/drawnLine.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import { mm, say } from '../units/sentence.ts'

export const tracedRules = {
  off: {
    key: 'bottom.tracedOff',
    name: 'Traced shoe may differ from the predicted one by',
    value: 2,
    min: 0.5,
    max: 5,
    unit: 'mm',
    why: 'A pencil held by hand is good to about a millimetre; more is a layer that is thicker or thinner than was planned.',
  },
} satisfies Record<string, Rule>

/** A place where the traced line differs from the predicted one: positive where the real shoe is fuller, mm. */
export interface TracedDifference {
  predicted: Point
  traced: Point
  by: number
}

export interface TracedShoe {
  /** The traced line, its pencil taken off, laid on the predicted one as it fits best. */
  outline: Path
  fullest: TracedDifference
  leanest: TracedDifference
  /** Root mean square of the distance, mm. */
  usual: number
  finding: Finding
}

const SAMPLES = 240
/** Enough for a line that lies nearly right to begin with: the last rounds move it by less than a hundredth. */
const ROUNDS = 40

/**
 * A drawn line read as a bottom: pencil taken off, heel at the left, medial side up. Throws GeometryError with a
 * sentence when it cannot be one.
 */
export function readDrawnLine(line: DrawnLine, what: string): Path {
  const drawn = counterClockwise(line.outline)
  if (!isSimple(drawn)) throw new GeometryError(`${what} crosses itself. Trace it again with one closed line.`)
  const off = pencilOffset(line)
  const inner = off > 0 ? offset(drawn, -off, what) : drawn
  return counterClockwise(layBottom(inner, line)(inner))
}

/**
 * The lasted shoe as traced against the outline that was predicted: laid on each other by iterated closest points
 * (Besl and McKay 1992) in the plane, then compared all round.
 */
export function tracedShoe(predicted: Path, line: DrawnLine, book: RuleBook): TracedShoe {
  let traced = resample(readDrawnLine(line, 'The tracing of the lasted shoe'), SAMPLES, true)
  for (let k = 0; k < ROUNDS; k++) {
    const onto = traced.map((p) => nearest(predicted, p, true).point)
    traced = traced.map(procrustes(traced, onto))
  }
  const differences = resample(predicted, SAMPLES, true).map((p): TracedDifference => {
    const near = nearest(traced, p, true)
    return { predicted: p, traced: near.point, by: near.away * (contains(traced, p) ? 1 : -1) }
  })
  const fullest = differences.reduce((a, b) => (b.by > a.by ? b : a))
  const leanest = differences.reduce((a, b) => (b.by < a.by ? b : a))
  const usual = Math.sqrt(differences.reduce((sum, d) => sum + d.by * d.by, 0) / differences.length)
  const worst = fullest.by >= -leanest.by ? fullest : leanest
  const limit = book.value(tracedRules.off)
  const fine = Math.abs(worst.by) <= limit
  const length = Math.max(...predicted.map((p) => p[0]))
  const where = placeName(worst.predicted, length)
  return {
    outline: traced,
    fullest,
    leanest,
    usual,
    finding: {
      id: 'bottom.traced',
      level: fine ? 'fine' : Math.abs(worst.by) <= 2 * limit ? 'watch' : 'stop',
      where,
      sentence: fine
        ? say`The shoe as traced lies within ${mm(Math.abs(worst.by), 1)} of the predicted outline.`
        : say`${where}: the shoe as traced is ${mm(Math.abs(worst.by), 1)} ${worst.by > 0 ? 'fuller' : 'leaner'} than predicted.`,
      measured: worst.by,
      limit,
      unit: 'mm',
      mend: fine
        ? ''
        : worst.by > 0
          ? 'Trim the margin there, or cut the midsole by the traced line.'
          : 'Measure the leathers again, or cut the midsole by the traced line.',
      remedy: fine
        ? undefined
        : { kind: 'choice', name: 'bottom parts by the traced line', decisions: { lasted: { use: 'traced' } } },
    },
  }
}

/** What is to be said of the difference once the bottom parts go by the traced line: it does no harm any more. */
export const goneBy = (finding: Finding): Finding => ({
  ...finding,
  level: 'fine',
  sentence: say`${finding.sentence} The bottom parts go by the traced line.`,
  mend: '',
  remedy: undefined,
})

/** Where along the bottom a place lies, in words. */
export function placeName([x, y]: Point, length: number): string {
  const t = x / length
  if (t < 0.04) return 'At the heel'
  if (t > 0.96) return 'At the toe'
  const along = t < 0.3 ? 'seat' : t < 0.55 ? 'waist' : t < 0.8 ? 'joint' : 'toe'
  return `${y > 0 ? 'Medial' : 'Lateral'} side at the ${along}`
}
