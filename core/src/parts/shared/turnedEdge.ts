import { outwardNormals } from '../../geometry/polyline.ts'
import { offset, unite } from '../../geometry/polygonClip.ts'
import type { Path, Point } from '../../geometry/path.ts'

/**
 * A wall piece with a strip of `turn` mm added below its feather line, to be turned under. `feather` runs so that
 * the strip lies on its right. Corners are rounded to `rounding` mm. `below` matches `feather` point for point.
 */
export function withTurnedEdge(wall: Path, feather: Path, turn: number, rounding: number, what: string) {
  const normals = outwardNormals(feather, false)
  const below = feather.map(([x, y], i): Point => [x + normals[i]![0] * turn, y + normals[i]![1] * turn])
  const strip: Path = [...below, ...[...feather].reverse()]
  const outline = offset(offset(unite([wall, strip], what), -rounding, what), rounding, what)
  return { outline, below }
}
