import type { FormeMap } from '../forme/formeMap.ts'
import { outwardNormals, resample } from '../geometry/polyline.ts'
import { counterClockwise, pathLength, type Path, type Point } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import { DEPTHS, type WallArea } from '../trade/wallArea.ts'
import type { StackLayer, WallStack } from './wallStack.ts'

/** Where the wall is thickest, foam apart, and what lies there, mm. */
export interface ThickestPlace {
  side: Side
  at: Point
  thickness: number
  layers: StackLayer[]
}

/** Every how manieth point of the wall's grid is looked at. */
const EVERY = 2
/** Ignored at the very edge of the wall, where a place may fall on either side of it; rows of the grid. */
const RIM_ROWS = 1
/**
 * What lies over an edge may lie between the points of the grid: it is looked at along the edges of everything, so far from place
 * to place, and so far inside each, mm.
 */
const [ALONG, INSIDE] = [4, 0.3]

/** Places just inside an area, all round it. */
function justInside(area: Path): Point[] {
  const line = resample(counterClockwise(area), Math.max(8, Math.ceil(pathLength(area, true) / ALONG)), true)
  const normals = outwardNormals(line)
  return line.map(([x, y], k): Point => [x - INSIDE * normals[k]![0], y - INSIDE * normals[k]![1]])
}

/** Foam is as thick as it is meant to be. */
const isFirm = ({ depth }: WallArea): boolean => depth !== DEPTHS.foam
const isBeside = (area: WallArea): boolean => isFirm(area) && area.laidBack !== true

/**
 * The thickest place of the wall without its foam: beside its seams and folds, where it is a matter of what lies on what, and with
 * what those lay back in their narrow strips, which is judged as a ridge and not as bulk.
 */
export function thickestPlaces(
  map: FormeMap,
  wall: WallStack,
  areas: readonly WallArea[],
): { beside: ThickestPlace; whole: ThickestPlace } {
  const beside = thickestOf(map, wall, areas, isBeside, null)
  return { beside, whole: thickestOf(map, wall, areas, isFirm, beside) }
}

function thickestOf(
  map: FormeMap,
  wall: WallStack,
  areas: readonly WallArea[],
  only: (area: WallArea) => boolean,
  known: ThickestPlace | null,
): ThickestPlace {
  const { columns, rows } = map.forme
  let best: Omit<ThickestPlace, 'layers'> = known ?? { side: 'lateral', at: [0, 0], thickness: -1 }
  const look = (side: Side, at: Point) => {
    const thickness = wall.thicknessOver(best.thickness, side, at, only)
    if (thickness > 0) best = { side, at, thickness }
  }
  for (const side of ['lateral', 'medial'] as const) {
    for (let i = 0; i < columns; i += EVERY) {
      for (let j = RIM_ROWS; j < rows - RIM_ROWS; j += EVERY) look(side, map.flatVertex(side, i, j))
    }
  }
  for (const area of areas) if (only(area)) for (const at of justInside(area.area)) look(area.side, at)
  const { side, at, thickness } = best
  return { side, at, thickness, layers: wall.at(side, at, only) }
}
