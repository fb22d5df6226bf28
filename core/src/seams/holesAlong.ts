import { resample } from '../geometry/polyline.ts'
import { distance, pathLength, type Path, type Point } from '../geometry/path.ts'

/** Holes along a seam: between two corners, or ends, so many even stitches. */
export interface HoleLayout {
  /** Stitches of each stretch between corners, in order. */
  stitches: number[]
  holes: Path
  /** True length, mm. */
  length: number
}

/** A turn from which a line has a corner, and over how much run it is looked for, degrees and mm. */
const CORNER = 35
const RUN = 3

const SAME_PLACE = 1e-6

/** The way a line runs into and out of one of its points, over a short run. */
function turnAt(line: Path, i: number): number {
  const reach = (step: 1 | -1): Point => {
    let at = i
    while (at + step >= 0 && at + step < line.length && distance(line[at]!, line[i]!) < RUN) at += step
    return line[at]!
  }
  const [a, p, b] = [reach(-1), line[i]!, reach(1)]
  const turn = Math.atan2(b[1] - p[1], b[0] - p[0]) - Math.atan2(p[1] - a[1], p[0] - a[0])
  return Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn)))
}

/** A line cut at its corners; a corner that is drawn by several points is cut at its sharpest. */
export function betweenCorners(line: Path): Path[] {
  const turns = line.map((_, i) => (i === 0 || i === line.length - 1 ? 0 : turnAt(line, i)))
  const limit = (CORNER * Math.PI) / 180
  const isCorner = (i: number) =>
    turns[i]! >= limit &&
    line.every(
      (q, j) => j === i || distance(q, line[i]!) > RUN || turns[j]! < turns[i]! || (turns[j] === turns[i] && j > i),
    )
  const out: Point[][] = [[line[0]!]]
  for (let i = 1; i < line.length; i++) {
    out[out.length - 1]!.push(line[i]!)
    if (i < line.length - 1 && isCorner(i)) out.push([line[i]!])
  }
  return out
}

/** Stretches with so many stitches each, laid out evenly; a closed line begins and ends in one hole. */
function laidOut(stretches: readonly Path[], stitches: readonly number[]): HoleLayout {
  const holes = stretches.flatMap((s, i) => {
    const places = resample(s, stitches[i]! + 1)
    return i === 0 ? places : places.slice(1)
  })
  const closed = distance(holes[0]!, holes[holes.length - 1]!) < SAME_PLACE
  return {
    stitches: [...stitches],
    holes: closed ? holes.slice(0, -1) : holes,
    length: stretches.reduce((sum, s) => sum + pathLength(s), 0),
  }
}

/**
 * Holes along a line by true arc length: one at either end and in each corner, between them as many even stitches as come
 * nearest to the pitch, one at least. holesAlong([[0, 0], [10, 0]], 4) has 2 stitches of 5 mm, so holes at 0, 5 and 10.
 */
export function holesAlong(line: Path, pitch: number): HoleLayout {
  const stretches = betweenCorners(line)
  return laidOut(
    stretches,
    stretches.map((s) => Math.max(1, Math.round(pathLength(s) / pitch))),
  )
}

/**
 * The same holes on a partner, which runs the other way: as many between the same corners; where its corners are cut
 * otherwise, as many in all.
 */
export function holesOfPartner(line: Path, { stitches }: HoleLayout): HoleLayout {
  const stretches = betweenCorners(line)
  return stretches.length === stitches.length
    ? laidOut(stretches, [...stitches].reverse())
    : laidOut([line], [stitches.reduce((a, b) => a + b, 0)])
}
