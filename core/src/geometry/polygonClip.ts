import { Clipper, EndType, FillRule, JoinType, type Path64, type Paths64 } from 'clipper2-ts'
import { simplify } from './simplify.ts'
import { boxOf, contains, counterClockwise, GeometryError, signedArea, type Path, type Point } from './path.ts'

/** Clipper works on whole numbers; a ten-thousandth of a millimetre keeps their products exact in a double. */
const SCALE = 1e4
/** Largest gap between a round corner and its chords, mm. */
const ARC_TOLERANCE = 0.01

const toClipper = (path: Path): Path64 => path.map(([x, y]) => ({ x: Math.round(x * SCALE), y: Math.round(y * SCALE) }))
const fromClipper = (path: Path64): Path => path.map((p): Point => [p.x / SCALE, p.y / SCALE])

const nothingLeft = (what: string) =>
  new GeometryError(`Nothing is left of ${what}: the change is larger than the piece.`)

function largest(paths: Paths64, what: string): Path {
  let best: Path | null = null
  for (const path of paths) {
    const candidate = fromClipper(path)
    if (!best || Math.abs(signedArea(candidate)) > Math.abs(signedArea(best))) best = candidate
  }
  if (!best) throw nothingLeft(what)
  return counterClockwise(best)
}

/**
 * Parallel outline at `by` mm, outwards when positive, inwards when negative; corners stay round.
 * Throws GeometryError when an inward offset leaves nothing.
 */
export function offset(path: Path, by: number, what = 'the outline'): Path {
  const box = boxOf(path)
  if (2 * -by >= Math.min(box.maxX - box.minX, box.maxY - box.minY)) throw nothingLeft(what)
  const grown = Clipper.inflatePaths(
    [toClipper(counterClockwise(path))],
    by * SCALE,
    JoinType.Round,
    EndType.Polygon,
    2,
    ARC_TOLERANCE * SCALE,
  )
  return largest(grown, what)
}

/** The largest piece that `b` leaves of `a`. Throws GeometryError when nothing is left. */
export function difference(a: Path, b: Path, what = 'the outline'): Path {
  return largest(Clipper.difference([toClipper(a)], [toClipper(b)], FillRule.NonZero), what)
}

/** The largest common piece of two closed paths. Throws GeometryError when they do not meet. */
export function intersect(a: Path, b: Path, what = 'the outline'): Path {
  return largest(Clipper.intersect([toClipper(a)], [toClipper(b)], FillRule.NonZero), what)
}

/** The largest piece of the union of closed paths; loops of one path that cross themselves are dissolved. */
export function unite(paths: readonly Path[], what = 'the outline'): Path {
  return largest(
    Clipper.union(
      paths.map((p) => toClipper(counterClockwise(p))),
      FillRule.Positive,
    ),
    what,
  )
}

/** mm2; holes count against what they lie in. */
const areaOf = (paths: Paths64): number => Math.abs(paths.reduce((sum, p) => sum + Clipper.area(p), 0)) / SCALE ** 2

/** What two closed paths have in common, mm2. */
export const commonArea = (a: Path, b: Path): number =>
  areaOf(Clipper.intersect([toClipper(a)], [toClipper(b)], FillRule.NonZero))

/** What of `a` lies outside `b`, mm2. */
export const areaOutside = (a: Path, b: Path): number =>
  areaOf(Clipper.difference([toClipper(a)], [toClipper(b)], FillRule.NonZero))

/** A closed outline with the holes in it; the outline counter-clockwise. */
export interface Region {
  outline: Path
  holes: Path[]
}

/**
 * All that closed paths leave of one, where it is at least twice `narrow` mm wide: what is narrower goes, and corners are
 * rounded by as much. The largest region first.
 */
export function remainders(of: Path, without: readonly Path[], narrow: number): Region[] {
  const round = (paths: Paths64, by: number) =>
    Clipper.inflatePaths(paths, by * SCALE, JoinType.Round, EndType.Polygon, 2, ARC_TOLERANCE * SCALE)
  const left = Clipper.difference(
    [toClipper(counterClockwise(of))],
    without.map((p) => toClipper(counterClockwise(p))),
    FillRule.NonZero,
  )
  const opened = round(round(left, -narrow), narrow).map(fromClipper)
  const regions = opened
    .filter((p) => signedArea(p) > 0)
    .map((outline): Region => ({ outline, holes: [] }))
    .sort((a, b) => signedArea(b.outline) - signedArea(a.outline))
  for (const hole of opened.filter((p) => signedArea(p) < 0)) {
    // The smallest that it lies in: a region may lie in the hole of another.
    regions.findLast((r) => contains(r.outline, hole[0]!))?.holes.push([...hole].reverse())
  }
  return regions
}

/** How exactly a band is drawn: it is toned, not cut; mm. */
const BAND_TOLERANCE = 0.03

/** What lies within `width` mm of an open line, inside `area`, within 0.06 mm: the band that a skive covers. */
export function bandAlong(line: Path, width: number, area: Path, what = 'the skive'): Path {
  const swept = Clipper.inflatePaths(
    [toClipper(simplify(line, BAND_TOLERANCE))],
    width * SCALE,
    JoinType.Round,
    EndType.Butt,
    2,
    BAND_TOLERANCE * SCALE,
  )
  return largest(Clipper.intersect(swept, [toClipper(area)], FillRule.NonZero), what)
}
