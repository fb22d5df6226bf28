import type { Path, Point } from '../geometry/path.ts'
import { STEP } from './rail.ts'

/** A stretch where no line was seen and which was bridged: its middle and its length, mm. */
export interface Gap {
  at: Point
  length: number
}

/** A line or an edge as it was read. */
export interface ReadRim {
  /** Closed, counter-clockwise, points about half a millimetre apart; the middle of a line. */
  path: Path
  /** Whether each point was seen; others are bridged from those beside them. */
  seen: readonly boolean[]
  gaps: readonly Gap[]
  /** Width of the pencil's line, mm; 0 of an edge. */
  width: number
}

/** Shorter breaks are the grain of the paper, mm. */
const LEAST_GAP = 1.5

/** Stretches that were not seen, the longest first. */
export function gapsOf(path: Path, seen: readonly boolean[]): Gap[] {
  const n = path.length
  const start = seen.indexOf(true)
  if (start < 0) return []
  const out: Gap[] = []
  let run = 0
  for (let k = 1; k <= n; k++) {
    const i = (start + k) % n
    if (!seen[i]) run++
    else {
      const length = run * STEP
      if (length >= LEAST_GAP) out.push({ at: path[(i - Math.ceil(run / 2) + n) % n]!, length })
      run = 0
    }
  }
  return out.sort((a, b) => b.length - a.length)
}
