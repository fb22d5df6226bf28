import type { FormeMap } from '../forme/formeMap.ts'
import type { Side } from '../trade/side.ts'
import { wallPoint } from '../last/surface.ts'
import type { WallStack } from './wallStack.ts'

/** Thickness of the layers, mm, at every point of the walls' grid: `column * rows + row`, as in LastSurface. */
export type ThicknessMap = Record<Side, Float32Array>

/** Reads the layers at every point of both walls of the last. */
export function thicknessMap(map: FormeMap, wall: WallStack): ThicknessMap {
  const { surface } = map
  const of = (side: Side) => {
    const out = new Float32Array(surface.columns * surface.rows)
    for (let i = 0; i < surface.columns; i++) {
      for (let j = 0; j < surface.rows; j++) {
        const [x, y] = map.fromLast(side, wallPoint(surface, side, i, j))
        // On the very feather line a place may fall on either side of it.
        out[i * surface.rows + j] = wall.thickness(side, j === 0 ? [x, y + 0.6] : [x, y])
      }
    }
    return out
  }
  return { lateral: of('lateral'), medial: of('medial') }
}
