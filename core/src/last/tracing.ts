import { resample } from '../geometry/polyline.ts'
import { offset } from '../geometry/polygonClip.ts'
import { calliperWidths, widthAt } from '../geometry/callipers.ts'
import { outermost } from '../geometry/crossings.ts'
import { convexHull } from '../geometry/convexHull.ts'
import { gaussianSmooth, lerp, sampled } from '../geometry/interpolate.ts'
import { peak } from '../geometry/parabola.ts'
import {
  boxOf,
  counterClockwise,
  distance,
  GeometryError,
  pathLength,
  signedArea,
  type Path,
  type Point,
} from '../geometry/path.ts'
import { isSimple } from '../geometry/selfIntersection.ts'
import type { BottomTracing } from '../model/last.ts'
import { bottomShape, type BottomMeasures } from './bottom.ts'
import type { Side } from '../trade/side.ts'
import { STATIONS } from './frame.ts'
import type { TracedBottom } from './outline.ts'
import { mm, mmTo, say } from '../units/sentence.ts'

/** A tracing made ready: its axis laid along x from the heel end, medial side up, with what was done to it. */
export interface ReadTracing {
  /** As it was digitised, laid the same way, before pencil and smoothing. */
  raw: Path
  outline: Path
  bottom: TracedBottom
  widths: { seat: number; waist: number; joint: number }
  /** What lies between the digitised line and the last, mm (inwards). */
  pencilOff: number
  /** How far smoothing moved the line: at most, and as a root mean square, mm. */
  smoothed: { most: number; usual: number }
}

const STEP = 0.5
const SAMPLES = 240

/**
 * How far the digitised line lies outside the last, mm. The lead runs round the last, so the inner edge of its line
 * is the last itself; its middle is half a line off, its outer edge a whole one.
 */
export function pencilOffset({ pencil, digitised }: Pick<BottomTracing, 'pencil' | 'digitised'>): number {
  return digitised === 'inside' ? 0 : digitised === 'middle' ? pencil / 2 : pencil
}

/**
 * Closed line smoothed by a Gaussian of `sigma` mm along it, applied as 2 G - G^2: waves longer than some four
 * sigma keep their size, so a round heel does not shrink.
 */
export function smoothClosed(path: Path, sigma: number): Path {
  if (sigma <= 0) return path
  const step = pathLength(path, true) / path.length
  const one = (values: Float64Array): Float64Array => {
    const g = gaussianSmooth(values, sigma / step, true)
    const gg = gaussianSmooth(g, sigma / step, true)
    return g.map((v, i) => 2 * v - gg[i]!)
  }
  const x = one(Float64Array.from(path, (p) => p[0]))
  const y = one(Float64Array.from(path, (p) => p[1]))
  return path.map((_, i): Point => [x[i]!, y[i]!])
}

/**
 * The two places of a closed line that lie farthest apart: the longest caliper, whose jaws stand square to it. Found
 * among the points, then between them: at either end by the parabola of the distance over three neighbours, so that it
 * does not depend on where the points happen to lie.
 */
export function longestCaliper(path: Path): [Point, Point] {
  const hull = convexHull(path)
  let best: [Point, Point] = [hull[0]!, hull[0]!]
  let most = -1
  for (let i = 0; i < hull.length; i++) {
    for (let j = i + 1; j < hull.length; j++) {
      const d = distance(hull[i]!, hull[j]!)
      if (d > most) [most, best] = [d, [hull[i]!, hull[j]!]]
    }
  }
  const at = best.map((p) => path.indexOf(p))
  let ends = best
  for (let round = 0; round < 4; round++) {
    ends = [farthest(path, at[0]!, ends[1]), ends[1]]
    ends = [ends[0], farthest(path, at[1]!, ends[0])]
  }
  return ends
}

/** The place near a point of a closed line that lies farthest from `other`, between its points. */
function farthest(path: Path, i: number, other: Point): Point {
  const n = path.length
  const [a, b, c] = [path[(i + n - 1) % n]!, path[i]!, path[(i + 1) % n]!]
  const [u, w] = [-distance(a, b), distance(b, c)]
  const t = peak([u, 0, w], [distance(a, other), distance(b, other), distance(c, other)])
  // On the parabola through the three points.
  const on = (k: 0 | 1) =>
    (a[k] * t * (t - w)) / (u * (u - w)) + (b[k] * (t - u) * (t - w)) / (u * w) + (c[k] * (t - u) * t) / ((w - u) * w)
  return [on(0), on(1)]
}

const laidAlong = (path: Path, from: Point, to: Point): Path => {
  const d = distance(from, to)
  const [c, s] = [(to[0] - from[0]) / d, (to[1] - from[1]) / d]
  return path.map(([x, y]): Point => [(x - from[0]) * c + (y - from[1]) * s, -(x - from[0]) * s + (y - from[1]) * c])
}

/**
 * How to lay the outline of a bottom: its longest caliper along x from the heel end (the seat is narrower than the
 * forepart), the hollow waist up. The function returned moves any path that goes with it.
 */
export function layBottom(outline: Path, t: Pick<BottomTracing, 'turned' | 'flipped'>): (p: Path) => Path {
  let [heel, toe] = longestCaliper(outline)
  const L = distance(heel, toe)
  const along = laidAlong(outline, heel, toe)
  const width = (share: number) => widthAt(along, share * L)?.value ?? 0
  const forepart = Math.max(width(0.66), width(0.72))
  const otherEnd = Math.max(width(0.34), width(0.28))
  if (otherEnd > forepart !== t.turned) [heel, toe] = [toe, heel]
  const forwards = laidAlong(outline, heel, toe)
  const waist = outermost(forwards, { x: STATIONS.waistMedial * L })
  const medialDown = waist !== null && Math.abs(waist[0]) < Math.abs(waist[1])
  const flip = medialDown !== t.flipped
  return (p) => laidAlong(p, heel, toe).map(([x, y]): Point => [x, flip ? -y : y])
}

/** Round the widest place it is looked at over so many mm either way: a wide place is flat, and its top is what the whole says. */
const FLAT = 10

/** Where one side stands out farthest from the centre line within a span of the length, mm from the heel end. */
function widest(outline: Path, side: Side, from: number, to: number): number {
  const out = (x: number) => {
    const c = outermost(outline, { x })
    return c ? (side === 'medial' ? c[1] : -c[0]) : -Infinity
  }
  let best = from
  for (let x = from; x <= to; x += STEP) if (out(x) > out(best)) best = x
  // Again round what was found, so that the place hangs on the outline alone and not on where the steps fall.
  for (let round = 0; round < 3; round++) {
    const [a, b, c] = [best - FLAT, best, best + FLAT]
    best = Math.min(to, Math.max(from, peak([a, b, c], [out(a), out(b), out(c)])))
  }
  return best
}

/**
 * Reads a traced bottom: takes the pencil off, smooths it, lays its longest caliper along x and measures it. A
 * paper that was laid against the bottom is longer than the last seen from above by the rise of the heel: `heights`
 * say how it curves. Throws GeometryError with a sentence when the line is no bottom of a last.
 */
export function readTracing(t: BottomTracing, heights: Omit<BottomMeasures, 'length'>): ReadTracing {
  const digitised = counterClockwise(t.points)
  const box = boxOf(digitised)
  const size = Math.hypot(box.maxX - box.minX, box.maxY - box.minY)
  if (size < 140 || size > 420) {
    throw new GeometryError(
      say`The tracing is ${mm(size, 0)} from corner to corner; the bottom of a last is ${mmTo(150, 350)} long. Check the unit of the file.`,
    )
  }
  if (Math.abs(signedArea(digitised)) < 0.25 * (box.maxX - box.minX) * (box.maxY - box.minY) * 0.5) {
    throw new GeometryError('The tracing encloses almost nothing: it may be an open line drawn back and forth.')
  }
  const dense = resample(digitised, Math.max(64, Math.round(pathLength(digitised, true) / STEP)), true)
  if (!isSimple(resample(dense, 300, true))) {
    throw new GeometryError('The tracing crosses itself. Take the loop out and import it again.')
  }
  const pencilOff = pencilOffset(t)
  const inner = pencilOff > 0 ? offset(dense, -pencilOff, 'the tracing') : dense
  const even = resample(inner, Math.round(pathLength(inner, true) / STEP), true)
  const smooth = smoothClosed(even, t.smoothing)
  const shifts = even.map((p, i) => distance(p, smooth[i]!))
  const lay = layBottom(smooth, t)
  let outline = lay(smooth)
  let raw = lay(dense)
  if (t.laid === 'wrapped') {
    const plan = planOf(boxOf(outline).maxX, heights)
    outline = outline.map(([x, y]): Point => [plan(x), y])
    raw = raw.map(([x, y]): Point => [plan(x), y])
  }
  const length = boxOf(outline).maxX
  const joints = t.joints ?? {
    lateral: widest(outline, 'lateral', 0.57 * length, 0.7 * length),
    medial: widest(outline, 'medial', 0.64 * length, 0.78 * length),
  }
  if (joints.lateral >= length * 0.9 || joints.medial >= length * 0.9) {
    throw new GeometryError('A joint lies beyond the toe of the tracing. Set it again.')
  }
  const at = (x: number, side: Side) => {
    const c = outermost(outline, { x })
    return c ? (side === 'medial' ? c[1] : -c[0]) : 0
  }
  const read = calliperWidths(outline, 0, length)
  const widths = {
    seat: read.seat?.value ?? 0,
    waist: read.waist?.value ?? 0,
    joint: at(joints.lateral, 'lateral') + at(joints.medial, 'medial'),
  }
  return {
    raw,
    outline,
    bottom: { length, halfWidth: halfWidths(outline, length), joints },
    widths,
    pencilOff,
    smoothed: {
      most: Math.max(...shifts),
      usual: Math.sqrt(shifts.reduce((s, d) => s + d * d, 0) / shifts.length),
    },
  }
}

/** So near to its ends a tracing need not lie on both sides of its axis, mm. */
const AT_END = 0.2

/** Half widths at even steps of q, each side; the ends are on the axis. */
function halfWidths(outline: Path, length: number): Record<Side, Float64Array> {
  const lateral = new Float64Array(SAMPLES + 1)
  const medial = new Float64Array(SAMPLES + 1)
  for (let i = 1; i < SAMPLES; i++) {
    const x = (length * (1 - Math.cos((Math.PI * i) / SAMPLES))) / 2
    const c = outermost(outline, { x })
    // At its very ends the axis may leave the line between two of its points by a hair.
    if (Math.min(x, length - x) < AT_END) {
      lateral[i] = Math.max(0, -(c?.[0] ?? 0))
      medial[i] = Math.max(0, c?.[1] ?? 0)
      continue
    }
    if (!c || c[0] >= 0 || c[1] <= 0) {
      throw new GeometryError(
        say`The tracing does not lie on both sides of its centre line ${mm(x, 0)} from the heel. It is too crooked for a last, or the line is not closed.`,
      )
    }
    lateral[i] = -c[0]
    medial[i] = c[1]
  }
  return { lateral, medial }
}

/** x seen from above for a length along the bottom's centre line, from the heel end. */
function planOf(wrapped: number, heights: Omit<BottomMeasures, 'length'>): (along: number) => number {
  const n = 400
  let length = wrapped
  let arcs = new Float64Array(n + 1)
  for (let round = 0; round < 6; round++) {
    const { centre } = bottomShape({ ...heights, length })
    arcs = new Float64Array(n + 1)
    for (let i = 1; i <= n; i++) {
      const [a, b] = [((i - 1) / n) * length, (i / n) * length]
      arcs[i] = arcs[i - 1]! + Math.hypot(b - a, centre(b) - centre(a))
    }
    length *= wrapped / arcs[n]!
  }
  const flat = length
  const shares = arcs.map((v) => v / arcs[n]!)
  return (along) => {
    const s = along / wrapped
    let i = 0
    while (i < n - 1 && shares[i + 1]! < s) i++
    return flat * lerp(i / n, (i + 1) / n, Math.min(1, Math.max(0, (s - shares[i]!) / (shares[i + 1]! - shares[i]!))))
  }
}

/** Half width of a read tracing at x from its heel end, mm: for drawing and for tests. */
export function tracedHalfWidth(bottom: TracedBottom, side: Side, x: number): number {
  const t = Math.min(1, Math.max(0, x / bottom.length))
  return sampled(bottom.halfWidth[side], 0, 1)(Math.acos(1 - 2 * t) / Math.PI)
}
