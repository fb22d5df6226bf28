import { outwardNormals } from '../../geometry/polyline.ts'
import { disc } from '../../geometry/disc.ts'
import type { Path } from '../../geometry/path.ts'

/** Half the length of the tick that marks a hole, mm. */
const HALF = 1.3

/** A short line across the seam at every hole: how a stitch line is drawn. */
export function stitchTicks(holes: Path): Path[] {
  const normals = outwardNormals(holes, false)
  return holes.map(([x, y], i) => {
    const [nx, ny] = normals[i]!
    return [
      [x - nx * HALF, y - ny * HALF],
      [x + nx * HALF, y + ny * HALF],
    ]
  })
}

/** Radius of the ring that marks a hole which is not punched yet, mm, and its corners. */
const RING = 0.7
const CORNERS = 10

/** A small ring at every hole that is punched later, through all that is joined there. */
export const holeRings = (holes: Path): Path[] => holes.map((hole) => disc(hole, RING, CORNERS))
