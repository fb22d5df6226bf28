import { GeometryError } from '../geometry/path.ts'
import type { PackedSurface } from '../model/last.ts'
import type { LastSurface } from './surface.ts'

/** Hundredths of a millimetre: a twentieth of what a scan's noise is. */
const STEP = 0.01

export function packSurface(surface: LastSurface): PackedSurface {
  const { length, joints, columns, rows, across, coneColumn, walls, bottom } = surface
  const points: number[] = []
  for (const part of [walls.lateral, walls.medial, bottom]) for (const v of part) points.push(Math.round(v / STEP) + 0)
  return { length, joints, columns, rows, across, coneColumn, points }
}

/** Throws GeometryError when the numbers do not make a last (a file that was changed by hand). */
export function unpackSurface(packed: PackedSurface): LastSurface {
  const { length, joints, columns, rows, across, coneColumn, points } = packed
  const wall = columns * rows * 3
  if (points.length !== 2 * wall + columns * across * 3 || coneColumn >= columns - 1) {
    throw new GeometryError('The kept surface of this last is not whole: its points do not fill its grid.')
  }
  const all = Float64Array.from(points, (v) => v * STEP)
  return {
    length,
    joints,
    columns,
    rows,
    across,
    coneColumn,
    walls: { lateral: all.slice(0, wall), medial: all.slice(wall, 2 * wall) },
    bottom: all.slice(2 * wall),
  }
}
