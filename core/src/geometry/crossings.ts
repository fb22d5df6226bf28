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

/**
 * `outermost` of many upright lines at once: `count` + 1 of them, evenly from x = `from` to x = `to`, each side of the
 * outline looked at once.
 */
export function outermostAcross(outline: Path, from: number, to: number, count: number): ([number, number] | null)[] {
  const step = (to - from) / count
  const low = new Float64Array(count + 1).fill(Infinity)
  const high = new Float64Array(count + 1).fill(-Infinity)
  let a = outline[outline.length - 1]!
  for (const b of outline) {
    const [left, right] = a[0] <= b[0] ? [a[0], b[0]] : [b[0], a[0]]
    // A side has its left end and not its right one, as in `outermost`.
    for (let k = Math.max(0, Math.floor((left - from) / step)); k <= count; k++) {
      const x = from + ((to - from) * k) / count
      if (x >= right) break
      if (x < left) continue
      const y = a[1] + ((b[1] - a[1]) * (x - a[0])) / (b[0] - a[0])
      if (y < low[k]!) low[k] = y
      if (y > high[k]!) high[k] = y
    }
    a = b
  }
  return Array.from(low, (v, k) => (high[k]! > v ? [v, high[k]!] : null))
}
