import type { Point } from '../geometry/path.ts'
import { cross, norm, scale, sub, unit, type Vec3 } from '../geometry/vec3.ts'
import type { Side } from '../trade/side.ts'
import { sheetTriangles } from './wallGrid.ts'
import type { LastSurface } from '../last/surface.ts'
import { FAN, ribAt, ribHeight, verticalRib } from '../last/verticalRib.ts'
import { flattenSheet, type FlatSheet } from '../flatten/asRigidAsPossible.ts'
import type { Mesh } from '../flatten/mesh.ts'

/**
 * The wall round the heel laid flat as one sheet, outside up: x to the lateral side, y up, the foot of the back
 * curve at the origin. Knows where each place of the wall has gone.
 */
export interface HeelPatch {
  /** Flat place of a height over the feather (mm up the wall) at a station of one side. */
  place: (side: Side, station: number, height: number) => Point
  /** True length of the pushed-out feather line from a medial to a lateral station round the back, mm. */
  featherRun: (fromMedial: number, toLateral: number) => number
  /** How far the sheet reaches forward on each side, mm. */
  reach: Record<Side, number>
  /** Largest stretch or shrink of any triangle that laying it flat asked for (1 = none). */
  worstStrain: number
  flipped: number
}

const ROWS = 11
/** Wanted length of a cell along the feather, mm. */
const CELL = 5

/** Stations from the back to `reach`, denser where the wall turns round the heel. */
function stationsTo(reach: number, axis: number): number[] {
  const fan = Math.ceil((axis * 1.25) / CELL)
  const round = Array.from({ length: fan }, (_, i) => (axis * (i + 1)) / fan)
  const straight = Math.max(1, Math.ceil((reach - axis) / CELL))
  return [...round, ...Array.from({ length: straight }, (_, i) => axis + ((reach - axis) * (i + 1)) / straight)]
}

/**
 * Lays the wall flat up to `top` (mm over the feather, by side and station) and forward to `reach`, taken on the
 * surface `out` mm outside the last: the middle of the leather that will lie there. `lay` lays it, or finds it laid.
 */
export function heelPatch(
  surface: LastSurface,
  reach: Record<Side, number>,
  top: (side: Side, station: number) => number,
  out: number,
  lay: (mesh: Mesh) => FlatSheet = flattenSheet,
): HeelPatch {
  const axis = FAN * surface.length
  const columns: { side: Side; station: number; signed: number }[] = [
    ...stationsTo(reach.medial, axis)
      .reverse()
      .map((station) => ({ side: 'medial' as const, station, signed: -station })),
    { side: 'lateral', station: 0, signed: 0 },
    ...stationsTo(reach.lateral, axis).map((station) => ({ side: 'lateral' as const, station, signed: station })),
  ]
  const heights = columns.map((c) => top(c.side, c.station))
  const grid: Vec3[][] = columns.map((c, i) => {
    const rib = verticalRib(surface, c.side, c.station)
    const limit = Math.min(heights[i]!, ribHeight(rib))
    heights[i] = limit
    return Array.from({ length: ROWS }, (_, j) => ribAt(rib, (limit * j) / (ROWS - 1)))
  })
  const outside = pushOut(grid, out)
  const flat = lay(gridMesh(outside))
  const worst = flat.strain.reduce((a, b) => Math.max(a, b), 1)
  const centre = columns.findIndex((c) => c.signed === 0)
  const at = upright(flat.flat, centre)
  return {
    reach,
    worstStrain: worst,
    flipped: flat.flipped,
    featherRun: (fromMedial, toLateral) => {
      let sum = 0
      for (let i = 0; i + 1 < columns.length; i++) {
        const [a, b] = [columns[i]!.signed, columns[i + 1]!.signed]
        const inside = Math.max(0, Math.min(b, toLateral) - Math.max(a, -fromMedial))
        sum += (norm(sub(outside[i + 1]![0]!, outside[i]![0]!)) * inside) / (b - a)
      }
      return sum
    },
    place: (side, station, height) => {
      const signed = side === 'lateral' ? station : -station
      let i = 0
      while (i < columns.length - 2 && columns[i + 1]!.signed < signed) i++
      const [a, b] = [columns[i]!.signed, columns[i + 1]!.signed]
      const t = Math.min(1, Math.max(0, (signed - a) / (b - a)))
      const limit = heights[i]! + (heights[i + 1]! - heights[i]!) * t
      const q = Math.min(ROWS - 1, Math.max(0, (height / limit) * (ROWS - 1)))
      const j = Math.min(ROWS - 2, Math.floor(q))
      const v = q - j
      const mix = (k: 0 | 1) =>
        (at(i, j)[k] * (1 - v) + at(i, j + 1)[k] * v) * (1 - t) +
        (at(i + 1, j)[k] * (1 - v) + at(i + 1, j + 1)[k] * v) * t
      return [mix(0), mix(1)]
    },
  }
}

/** Moves every grid point outwards along the surface normal. Columns run medial to lateral, rows upwards. */
function pushOut(grid: Vec3[][], out: number): Vec3[][] {
  const n = grid.length
  return grid.map((column, i) =>
    column.map((p, j) => {
      const along = sub(grid[Math.min(n - 1, i + 1)]![j]!, grid[Math.max(0, i - 1)]![j]!)
      const up = sub(column[Math.min(ROWS - 1, j + 1)]!, column[Math.max(0, j - 1)]!)
      const normal = unit(cross(along, up))
      const moved = scale(normal, out)
      return [p[0] + moved[0], p[1] + moved[1], p[2] + moved[2]]
    }),
  )
}

/** The grid as a sheet. Its triangles are the same array for all sheets of as many columns: what depends on them alone is worked out once. */
function gridMesh(grid: Vec3[][]): Mesh {
  return { positions: Float64Array.from(grid.flat(2)), triangles: sheetTriangles(grid.length, ROWS) }
}

/** Turns the flat sheet so that the back curve's foot is the origin and its chord points up. */
function upright(flat: Float64Array, centre: number): (i: number, j: number) => Point {
  const foot = centre * ROWS * 2
  const head = (centre * ROWS + ROWS - 1) * 2
  const dx = flat[head]! - flat[foot]!
  const dy = flat[head + 1]! - flat[foot + 1]!
  const l = Math.hypot(dx, dy)
  return (i, j) => {
    const k = (i * ROWS + j) * 2
    const x = flat[k]! - flat[foot]!
    const y = flat[k + 1]! - flat[foot + 1]!
    return [(x * dy - y * dx) / l, (x * dx + y * dy) / l]
  }
}
