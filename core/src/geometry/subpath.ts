import { cumulative, nearest, pointAt } from './polyline.ts'
import { distance, type Path, type Point } from './path.ts'
import { SAME } from './tolerance.ts'

/** The stretch of an open line between two lengths from its start, mm; runs backwards when `to` comes first. */
export function subpath(line: Path, from: number, to: number): Path {
  const sums = cumulative(line)
  const whole = sums[sums.length - 1]
  const [a, b] = [Math.max(0, Math.min(from, to)), Math.min(whole!, Math.max(from, to))]
  const inner = line.filter((_, i) => sums[i]! > a + SAME && sums[i]! < b - SAME)
  const out = [pointAt(line, a), ...inner, pointAt(line, b)]
  return from < to ? out : out.reverse()
}

/** The stretch of an open line between the places nearest to two points, in that order. */
export function subpathBetween(line: Path, from: Point, to: Point): Path {
  return subpath(line, nearest(line, from).at, nearest(line, to).at)
}

/** Lines set end to end; where one begins on the end of the one before, the point is kept once. */
export function joined(...lines: readonly Path[]): Path {
  const out: Point[] = []
  for (const line of lines) {
    for (const p of line) {
      if (out.length === 0 || distance(out[out.length - 1]!, p) > SAME) out.push(p)
    }
  }
  return out
}

/** The stretch of a closed path from the place nearest to one point, on in its direction, to the place nearest to another. */
export function arcBetween(outline: Path, from: Point, to: Point): Path {
  const [a, b] = [nearest(outline, from, true).at, nearest(outline, to, true).at]
  const sums = cumulative(outline, true)
  const whole = sums[sums.length - 1]!
  const end = b > a + SAME ? b : b + whole
  const twice = [...outline, ...outline]
  const inner = twice.filter((_, i) => {
    const at = sums[i % outline.length]! + (i < outline.length ? 0 : whole)
    return at > a + SAME && at < end - SAME
  })
  return [pointAt(outline, a, true), ...inner, pointAt(outline, end, true)]
}
