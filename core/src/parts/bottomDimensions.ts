import { boxOf, type Path, type Point } from '../geometry/path.ts'
import type { Dimension } from './part.ts'

/** Width of a closed outline at X: distance between its outermost crossings with the upright line there. */
export function widthAt(outline: Path, x: number): { from: Point; to: Point; value: number } | null {
  let low = Infinity
  let high = -Infinity
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
    const [a, b] = [outline[j], outline[i]]
    if (a[0] <= x === b[0] <= x) continue
    const y = a[1] + ((b[1] - a[1]) * (x - a[0])) / (b[0] - a[0])
    low = Math.min(low, y)
    high = Math.max(high, y)
  }
  return high > low ? { from: [x, low], to: [x, high], value: high - low } : null
}

/** Length, and widths at the seat, waist and tread, of a part that lies along the bottom. */
export function bottomDimensions(outline: Path, at: { seat: number; waist: number; tread: number }): Dimension[] {
  const box = boxOf(outline)
  const dimensions: Dimension[] = [
    { name: 'length', from: [box.minX, box.minY - 12], to: [box.maxX, box.minY - 12], value: box.maxX - box.minX },
  ]
  for (const name of ['seat', 'waist', 'tread'] as const) {
    const width = widthAt(outline, at[name])
    if (width) dimensions.push({ name: `width at the ${name}`, ...width })
  }
  return dimensions
}
