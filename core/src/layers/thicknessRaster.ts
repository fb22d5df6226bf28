import type { Box } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import type { WallStack } from './wallStack.ts'

/**
 * Thickness of the layers on a side of the forme, mm, at the middle of every cell of a raster: `row * columns + column`,
 * rows from `minY` up, cells `step` mm wide.
 */
export interface ThicknessRaster {
  minX: number
  minY: number
  step: number
  columns: number
  rows: number
  values: Float32Array
}

/** Half a millimetre is about a pixel on the screen: an edge of a layer is then drawn as the line it is. */
const STEP = 0.5

/** Reads the layers of a side all over a box of the forme. */
export function thicknessRaster(wall: WallStack, side: Side, box: Box, step = STEP): ThicknessRaster {
  const columns = Math.max(1, Math.ceil((box.maxX - box.minX) / step))
  const rows = Math.max(1, Math.ceil((box.maxY - box.minY) / step))
  const values = new Float32Array(columns * rows)
  for (let j = 0; j < rows; j++) {
    const y = box.minY + (j + 0.5) * step
    for (let i = 0; i < columns; i++) values[j * columns + i] = wall.thickness(side, [box.minX + (i + 0.5) * step, y])
  }
  return { minX: box.minX, minY: box.minY, step, columns, rows, values }
}
