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
    const [a, b] = [outline[j]!, outline[i]!]
    if (a[k]! <= at === b[k]! <= at) continue
    out.push(a[1 - k]! + ((b[1 - k]! - a[1 - k]!) * (at - a[k]!)) / (b[k]! - a[k]!))
  }
  return out.sort((p, q) => p - q)
}

/** The outermost crossings, lowest and highest; null where the line does not pass through the outline. */
export function outermost(outline: Path, line: Across): [number, number] | null {
  // Widths are read some hundred times a plan: nothing is gathered or sorted here.
  const upright = 'x' in line
  const at = upright ? line.x : line.y
  const [k, other] = upright ? [0, 1] : [1, 0]
  let [low, high] = [Infinity, -Infinity]
  let a = outline[outline.length - 1]!
  for (const b of outline) {
    if (a[k]! <= at !== b[k]! <= at) {
      const v = a[other]! + ((b[other]! - a[other]!) * (at - a[k]!)) / (b[k]! - a[k]!)
      if (v < low) low = v
      if (v > high) high = v
    }
    a = b
  }
  return high > low ? [low, high] : null
}
