import { comesNearer } from './polyline.ts'
import { distance, type Path, type Point } from './path.ts'
import { SAME } from './tolerance.ts'

/** A line moved sideways to its left by `by` mm (to its right when negative), without its loops; ends stay square. */
export function offsetLine(line: Path, by: number): Point[] {
  const n = line.length
  const moved = line.map((p, i): Point => {
    const a = line[Math.max(0, i - 1)]!
    const b = line[Math.min(n - 1, i + 1)]!
    const l = distance(a, b) || 1
    return [p[0] - ((b[1] - a[1]) / l) * by, p[1] + ((b[0] - a[0]) / l) * by]
  })
  // Points of the moved line that came nearer to the old one than `by` belong to a loop and are left out.
  return moved.filter((p) => !comesNearer(line, p, Math.abs(by) * 0.995 - SAME))
}
