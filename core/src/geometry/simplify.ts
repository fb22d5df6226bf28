import { distance, type Path, type Point } from './path.ts'

/** How far a point lies from the straight piece between two others. */
function away(p: Point, a: Point, b: Point): number {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]]
  const squared = dx * dx + dy * dy
  if (squared === 0) return distance(p, a)
  const t = Math.min(1, Math.max(0, ((p[0] - a[0]) * dx + (p[1] - a[1]) * dy) / squared))
  return distance(p, [a[0] + t * dx, a[1] + t * dy])
}

/**
 * A line with as few of its own points as keep all others within `tolerance` mm of it (Douglas and Peucker 1973). Both
 * ends stay. simplify([[0, 0], [5, 0.1], [10, 0]], 0.2) is [[0, 0], [10, 0]].
 */
export function simplify(line: Path, tolerance: number): Path {
  const keep = new Uint8Array(line.length)
  keep[0] = keep[line.length - 1] = 1
  const spans: [number, number][] = [[0, line.length - 1]]
  for (let span = spans.pop(); span; span = spans.pop()) {
    const [from, to] = span
    let most = tolerance
    let at = -1
    for (let i = from + 1; i < to; i++) {
      const off = away(line[i]!, line[from]!, line[to]!)
      if (off > most) [most, at] = [off, i]
    }
    if (at < 0) continue
    keep[at] = 1
    spans.push([from, at], [at, to])
  }
  return line.filter((_, i) => keep[i] === 1)
}
