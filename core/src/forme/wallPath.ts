import type { Path, Point } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import { ribAt, verticalRib } from '../last/verticalRib.ts'
import type { WallPlace } from '../last/wallPlace.ts'
import type { FormeMap } from './formeMap.ts'

/** Places of the wall, given by station and height, as points of the forme, mm. */
export function wallPath(map: FormeMap, side: Side, places: readonly WallPlace[]): Path {
  return places.map(({ station, height }): Point =>
    map.fromLast(side, ribAt(verticalRib(map.surface, side, station), height)),
  )
}
