import { cumulative } from '../geometry/polyline.ts'
import type { Path, Point } from '../geometry/path.ts'

/** The taper's share at a height of the back line (0 at the foot, 1 at the top): nothing from mid-height up, all of it at the foot. */
function taperShare(height: number): number {
  if (height >= 0.5) return 0
  const t = 1 - height / 0.5
  return t * t * (3 - 2 * t)
}

/** A back line, drawn from the foot up, taken in by so many mm at its foot (docs/trade.md, "Forme, base pattern and its fit"). */
export function takenIn(line: Path, by: number): Path {
  const sums = cumulative(line)
  const whole = sums[sums.length - 1]!
  return line.map(([x, y], i): Point => [x + by * taperShare(sums[i]! / whole), y])
}
