import type { FormeMap } from '../forme/formeMap.ts'
import { finerWall } from '../last/finer.ts'
import type { Side } from '../trade/side.ts'
import { wallPoint } from '../last/surface.ts'
import type { WallStack } from './wallStack.ts'

/**
 * Thickness of the layers, mm, at every point of the walls' grid of `finer(surface, by)`: `column * rows + row`, as in
 * LastSurface.
 */
export interface ThicknessMap extends Record<Side, Float32Array> {
  by: number
}

/** So many cells in place of one of the last's own, each way: an edge of a layer is then drawn as a line, not as teeth. */
const FINER = 4
/** On the very feather line a place may fall on either side of it: it is read so far above, mm. */
const ABOVE_FEATHER = 0.6

/** Reads the layers all over both walls of the last; where a place lies on the forme is bilinear within a cell of the last. */
export function thicknessMap(map: FormeMap, wall: WallStack, by = FINER): ThicknessMap {
  const { surface } = map
  const { columns, rows } = surface
  const high = (rows - 1) * by + 1
  const of = (side: Side) => {
    const own = Array.from({ length: columns * rows }, (_, v) =>
      map.fromLast(side, wallPoint(surface, side, Math.floor(v / rows), v % rows)),
    ).flat()
    const flat = finerWall(surface, own, 2, by)
    return Float32Array.from({ length: flat.length / 2 }, (_, v) =>
      wall.thickness(side, [flat[2 * v]!, flat[2 * v + 1]! + (v % high === 0 ? ABOVE_FEATHER : 0)]),
    )
  }
  return { by, lateral: of('lateral'), medial: of('medial') }
}
