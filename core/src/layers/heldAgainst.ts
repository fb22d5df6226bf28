import { nearest, resample } from '../geometry/polyline.ts'
import { offset } from '../geometry/polygonClip.ts'
import { contains, counterClockwise, GeometryError, type Path, type Point } from '../geometry/path.ts'
import { procrustes } from '../geometry/procrustes.ts'
import { isSimple } from '../geometry/selfIntersection.ts'
import { layBottom, pencilOffset } from '../last/tracing.ts'
import { bottomZone } from '../trade/bottomZone.ts'
import type { DrawnLine } from '../model/drawnLine.ts'

/** A place where a traced line differs from the one it is held against: positive where it is fuller, mm. */
export interface TracedDifference {
  predicted: Point
  traced: Point
  by: number
}

/** A traced line held against an outline. */
export interface HeldAgainst {
  /** The traced line, its pencil taken off, laid on the outline as it fits best. */
  outline: Path
  fullest: TracedDifference
  leanest: TracedDifference
  /** Root mean square of the distance, mm. */
  usual: number
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
 * A traced line against an outline: laid on each other by iterated closest points (Besl and McKay 1992) in the plane, then
 * compared all round. Throws GeometryError with a sentence when the line cannot be a bottom; `what` names it there.
 */
export function heldAgainst(outline: Path, line: DrawnLine, what: string): HeldAgainst {
  let traced = resample(readDrawnLine(line, what), SAMPLES, true)
  for (let k = 0; k < ROUNDS; k++) {
    const onto = traced.map((p) => nearest(outline, p, true).point)
    traced = traced.map(procrustes(traced, onto))
  }
  const differences = resample(outline, SAMPLES, true).map((p): TracedDifference => {
    const near = nearest(traced, p, true)
    return { predicted: p, traced: near.point, by: near.away * (contains(traced, p) ? 1 : -1) }
  })
  return {
    outline: traced,
    fullest: differences.reduce((a, b) => (b.by > a.by ? b : a)),
    leanest: differences.reduce((a, b) => (b.by < a.by ? b : a)),
    usual: Math.sqrt(differences.reduce((sum, d) => sum + d.by * d.by, 0) / differences.length),
  }
}

/** Where along the bottom a place lies, in words. */
export function placeName([x, y]: Point, length: number): string {
  const t = x / length
  if (t < 0.04) return 'At the heel'
  if (t > 0.96) return 'At the toe'
  return `${y > 0 ? 'Medial' : 'Lateral'} side at the ${bottomZone(t)}`
}
