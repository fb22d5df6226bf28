import type { Path } from '../src/geometry/path.ts'
import type { WallArea } from '../src/trade/wallArea.ts'

/** A layer of the lateral wall that is nobody's piece, called as its part is. */
export const layerOf = (
  part: string,
  depth: number,
  thickness: number,
  area: Path,
  more: Partial<WallArea> = {},
): WallArea => ({ part, name: part, side: 'lateral', depth, thickness, area, thinned: [], ...more })
