import type { Path, Point } from '../../geometry/path.ts'

/**
 * The part of a closed outline that lies in front of x, as an open line from its lateral end (y < 0) round the toe to
 * its medial end: exactly from breast to breast. The outline runs counter-clockwise. Empty when it does not cross x.
 */
export function inFrontOf(outline: Path, x: number): Path {
  const n = outline.length
  const crossed = (a: Point, b: Point): Point => [x, a[1] + ((b[1] - a[1]) * (x - a[0])) / (b[0] - a[0])]
  const start = outline.findIndex((p, i) => p[0] > x && outline[(i + n - 1) % n]![0] <= x)
  if (start < 0) return []
  const line: Point[] = [crossed(outline[(start + n - 1) % n]!, outline[start]!)]
  for (let k = 0; k < n; k++) {
    const p = outline[(start + k) % n]!
    if (p[0] <= x) return [...line, crossed(line[line.length - 1]!, p)]
    line.push(p)
  }
  return line
}
