import { nearest } from './polyline.ts'
import type { Path } from './path.ts'

/** The furthest that a point of one closed outline lies from the other, both ways (Hausdorff, at their points), mm. */
export function hausdorffDistance(a: Path, b: Path): number {
  if (a.length === b.length && a.every((p, i) => p[0] === b[i]![0] && p[1] === b[i]![1])) return 0
  const away = (from: Path, to: Path) => from.reduce((most, p) => Math.max(most, nearest(to, p, true).away), 0)
  return Math.max(away(a, b), away(b, a))
}
