import { wallSides } from '../trade/side.ts'
import type { LastSurface } from './surface.ts'

/** A grid of points (`size` numbers each, row by row within every column) with so many cells in place of one each way. */
function refined(
  grid: ArrayLike<number>,
  [columns, rows]: readonly [number, number],
  size: number,
  [across, down]: readonly [number, number],
): Float64Array {
  const [wide, high] = [(columns - 1) * across + 1, (rows - 1) * down + 1]
  const out = new Float64Array(wide * high * size)
  const at = (i: number, j: number, d: number) => grid[(i * rows + j) * size + d]!
  for (let u = 0; u < wide; u++) {
    const i = Math.min(columns - 2, Math.floor(u / across))
    const s = u / across - i
    for (let v = 0; v < high; v++) {
      const j = Math.min(rows - 2, Math.floor(v / down))
      const t = v / down - j
      for (let d = 0; d < size; d++) {
        const [low, top] = [
          at(i, j, d) + s * (at(i + 1, j, d) - at(i, j, d)),
          at(i, j + 1, d) + s * (at(i + 1, j + 1, d) - at(i, j + 1, d)),
        ]
        out[(u * high + v) * size + d] = low + t * (top - low)
      }
    }
  }
  return out
}

/** Numbers at the points of a wall's grid (`size` each), at those of `finer(surface, by)`: bilinear within every cell. */
export const finerWall = (
  { columns, rows }: Pick<LastSurface, 'columns' | 'rows'>,
  values: ArrayLike<number>,
  size: number,
  by: number,
): Float64Array => refined(values, [columns, rows], size, [by, by])

/**
 * The same surface with `by` times as many cells along and up the walls, and along the bottom: between points that it had
 * it is bilinear, so that it is no better, but what changes from place to place on it can be shown as finely.
 */
export function finer(surface: LastSurface, by: number): LastSurface {
  const { columns, rows, across } = surface
  const [lateral, medial] = wallSides.map((side) => finerWall(surface, surface.walls[side], 3, by))
  return {
    ...surface,
    columns: (columns - 1) * by + 1,
    rows: (rows - 1) * by + 1,
    coneColumn: surface.coneColumn * by,
    walls: { lateral: lateral!, medial: medial! },
    bottom: refined(surface.bottom, [columns, across], 3, [by, 1]),
  }
}
