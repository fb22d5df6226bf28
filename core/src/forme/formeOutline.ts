import type { Path, Point } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import { wallLines } from './wallGrid.ts'
import type { FormeMap } from './formeMap.ts'

/** The closed outline of one side of the forme, mm: feather line, toe, ridge, rim and back. */
export function formeOutline(map: FormeMap, side: Side): Path {
  const l = wallLines(map.forme)
  const edge = [
    ...l.feather,
    ...[...l.toeRib].reverse().slice(1),
    ...[...l.ridge].reverse().slice(1),
    ...[...l.rim].reverse().slice(1),
    ...[...l.back].reverse().slice(1),
  ]
  return edge.map((v): Point => map.flatVertex(side, Math.floor(v / map.forme.rows), v % map.forme.rows))
}
