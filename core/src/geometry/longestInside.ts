import { crossings } from './crossings.ts'
import { boxOf, rotate, type Path, type Point } from './path.ts'

/** How many parallels are tried across an outline. */
const LINES = 41

/**
 * The longest straight stretch inside a closed outline that runs in a direction (degrees from x), keeping `clear` mm from
 * the lines in `avoid`; among stretches nearly as long the one nearest to the middle. From its end to its beginning in
 * that direction; null when nothing is inside.
 */
export function longestInside(
  outline: Path,
  degrees: number,
  avoid: readonly Path[] = [],
  clear = 0,
): [Point, Point] | null {
  const turned = rotate(outline, -degrees)
  const lines = avoid.map((l) => rotate(l, -degrees))
  const box = boxOf(turned)
  const middle = (box.minY + box.maxY) / 2
  let best: { from: number; to: number; y: number; worth: number } | null = null
  for (let k = 1; k < LINES; k++) {
    const y = box.minY + ((box.maxY - box.minY) * k) / LINES
    if (lines.some((l) => crossesBand(l, y, clear))) continue
    const xs = crossings(turned, { y })
    for (let i = 0; i + 1 < xs.length; i += 2) {
      const length = xs[i + 1]! - xs[i]!
      const worth = length - 0.6 * Math.abs(y - middle)
      if (!best || worth > best.worth) best = { from: xs[i]!, to: xs[i + 1]!, y, worth }
    }
  }
  if (!best) return null
  const [a, b] = rotate(
    [
      [best.from, best.y],
      [best.to, best.y],
    ],
    degrees,
  )
  return [a!, b!]
}

/** Does a line that runs along come into the band of `clear` mm either side of y? A line that only crosses it does not. */
function crossesBand(line: Path, y: number, clear: number): boolean {
  const box = boxOf(line)
  return box.maxY - box.minY < 4 * clear && box.minY < y + clear && box.maxY > y - clear
}
