import type { Path } from './path.ts'

/** A line parallel to an axis: upright at x, or level at y, mm. */
export type Across = { x: number } | { y: number }

/**
 * Where a straight line parallel to an axis crosses a closed outline: the other coordinate of each crossing, ascending, mm.
 * An even number of them; what lies between the first and the second is inside, and so on. A corner on the line counts
 * once where the outline passes through it and twice or not at all where it only touches.
 */
export function crossings(outline: Path, line: Across): number[] {
  const [k, at] = 'x' in line ? [0, line.x] : [1, line.y]
  const out: number[] = []
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
    const [a, b] = [outline[j], outline[i]]
    if (a[k] <= at === b[k] <= at) continue
    out.push(a[1 - k] + ((b[1 - k] - a[1 - k]) * (at - a[k])) / (b[k] - a[k]))
  }
  return out.sort((p, q) => p - q)
}

/** The outermost crossings, lowest and highest; null where the line does not pass through the outline. */
export function outermost(outline: Path, line: Across): [number, number] | null {
  const all = crossings(outline, line)
  const [low, high] = [all[0], all[all.length - 1]]
  return high > low ? [low, high] : null
}
