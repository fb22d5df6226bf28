import type { Path, Point } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import { wallLines } from './wallGrid.ts'
import type { FormeMap } from './formeMap.ts'

/** The outline of a wall, point by point of its grid: feather line, toe, ridge, rim and back. */
export function wallOutline(grid: Parameters<typeof wallLines>[0]): number[] {
  const l = wallLines(grid)
  return [
    ...l.feather,
    ...[...l.toeRib].reverse().slice(1),
    ...[...l.ridge].reverse().slice(1),
    ...[...l.rim].reverse().slice(1),
    ...[...l.back].reverse().slice(1),
  ]
}

/** The closed outline of one side of the forme, mm. */
export function formeOutline(map: FormeMap, side: Side): Path {
  return wallOutline(map.forme).map((v): Point =>
    map.flatVertex(side, Math.floor(v / map.forme.rows), v % map.forme.rows),
  )
}
