import { offsetLine } from '../geometry/offsetLine.ts'
import { GeometryError, pathLength, type Path } from '../geometry/path.ts'
import { mm, say } from '../units/sentence.ts'

/** A row shorter than this is none, mm. */
const SHORTEST = 1

/** A row beside a line, `by` mm to its left; `name` is the seam's. Throws GeometryError where none is left so far from it. */
export function rowBeside(line: Path, by: number, name: string): Path {
  const row = offsetLine(line, by)
  if (row.length < 2 || pathLength(row) < SHORTEST) {
    throw new GeometryError(
      say`${name}: no row of stitches is left ${mm(Math.abs(by), 1)} from its edge. Set it nearer to the edge, or take fewer rows.`,
    )
  }
  return row
}
