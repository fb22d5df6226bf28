import { GeometryError, pathLength, type Point } from '../geometry/path.ts'
import { dist3 } from '../geometry/vec3.ts'
import { flattenSheet, type FlatSheet } from '../flatten/asRigidAsPossible.ts'
import type { Mesh } from '../flatten/mesh.ts'
import type { Side } from '../trade/side.ts'
import type { LastSurface } from '../last/surface.ts'
import { STEP, toeMesh } from './toeMesh.ts'
import { mm, say } from '../units/sentence.ts'

/**
 * The toe of the last laid flat as one sheet, outside up: x forward, y to the medial side, the toe's feather point
 * at the origin. Both walls, joined along ridge and toe rib.
 */
export interface ToePatch {
  /**
   * Flat line across the toe, lateral feather over the ridge to medial feather, where the last is met at
   * x = `at(side, down)`; `down` runs from 0 at the ridge to 1 at the feather.
   */
  lineAcross: (at: (side: Side, down: number) => number) => Point[]
  /** Flat feather line from a given x on the lateral side round the toe to a given x on the medial side. */
  feather: (fromLateral: number, toMedial: number) => Point[]
  /** How much longer that flat line is than the edge it is worked down to, as a factor. */
  featherStretch: () => number
  worstStrain: number
  flipped: number
}

/**
 * Lays flat the toe in front of `from` (mm from the heel back, where the sheet's back edge must be wholly behind),
 * taken on the surface `out` mm outside the last. `lay` lays it, or finds it laid.
 */
export function toePatch(
  surface: LastSurface,
  from: number,
  out: number,
  lay: (mesh: Mesh) => FlatSheet = flattenSheet,
): ToePatch {
  const { rows: nv, walls } = surface
  const { mesh, columns, rows, index } = toeMesh(surface, from, out)
  const [nc, nr, first] = [columns.length, rows.length, columns[0]!]
  const sheet = lay(mesh)
  const flatOf = straightened(sheet.flat, index.lateral[(nc - 1) * nr]!, index.lateral[nr - 1]!)
  const other = (side: Side): Side => (side === 'lateral' ? 'medial' : 'lateral')
  /** A sheet point of a row; past the toe rib the row goes on along the other wall. */
  const knot = (side: Side, c: number, r: number): Point =>
    c < nc ? flatOf(index[side][c * nr + r]!) : flatOf(index[other(side)][(2 * (nc - 1) - c) * nr + r]!)

  /** Flat point of a row at a column of the wall's own grid, between the sheet's columns by Catmull-Rom. */
  const onColumn = (side: Side, r: number, column: number): Point => {
    const q = Math.max(0, (column - first) / STEP)
    const c = Math.min(nc - 2, Math.floor(q))
    const t = q - c
    const [p1, p2, p3] = [knot(side, c, r), knot(side, c + 1, r), knot(side, c + 2, r)]
    const p0 = c > 0 ? knot(side, c - 1, r) : ([2 * p1[0] - p2[0], 2 * p1[1] - p2[1]] as const)
    const mix = (k: 0 | 1) =>
      p1[k] +
      (t / 2) *
        (p2[k] - p0[k] + t * (2 * p0[k] - 5 * p1[k] + 4 * p2[k] - p3[k] + t * (3 * (p1[k] - p2[k]) + p3[k] - p0[k])))
    return [mix(0), mix(1)]
  }
  /** Column (with its fraction) at which a row of the wall crosses a given x. */
  const columnAt = (side: Side, r: number, x: number): number => {
    const w = walls[side]
    for (let i = surface.columns - 1; i > first; i--) {
      const a = w[((i - 1) * nv + rows[r]!) * 3]!
      const b = w[(i * nv + rows[r]!) * 3]!
      if (a <= x && b >= x) return i - 1 + (b > a ? (x - a) / (b - a) : 0)
    }
    throw new GeometryError(say`The toe has no place ${mm(x, 1)} from the heel back at this height.`)
  }
  const feather = (fromLateral: number, toMedial: number): Point[] => {
    const side = (s: Side, x: number): Point[] => {
      const start = columnAt(s, 0, x)
      const line = [onColumn(s, 0, start)]
      for (let i = Math.floor(start) + 1; i < surface.columns; i++) line.push(onColumn(s, 0, i))
      return line
    }
    return [...side('lateral', fromLateral), ...side('medial', toMedial).reverse().slice(1)]
  }
  return {
    worstStrain: sheet.strain.reduce((a, b) => Math.max(a, b), 1),
    flipped: sheet.flipped,
    lineAcross: (at) => {
      const line = (side: Side) => rows.map((_, r) => onColumn(side, r, columnAt(side, r, at(side, 1 - r / (nr - 1)))))
      return [...line('lateral'), ...line('medial').reverse().slice(1)]
    },
    feather,
    featherStretch: () => {
      // Both taken on the sheet's own points, so that the chords of both fall short by the same.
      const vertices = (s: Side) => columns.map((_, c) => index[s][c * nr]!)
      const loop = [...vertices('lateral'), ...vertices('medial').reverse().slice(1)]
      const p = mesh.positions
      const inSpace = loop
        .slice(1)
        .reduce(
          (sum, v, i) =>
            sum +
            dist3(
              [p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!],
              [p[3 * loop[i]!]!, p[3 * loop[i]! + 1]!, p[3 * loop[i]! + 2]!],
            ),
          0,
        )
      return pathLength(loop.map(flatOf)) / inSpace
    },
  }
}

/** Flat positions with the toe's feather point at the origin and the ridge's back end straight behind it. */
function straightened(flat: Float64Array, toe: number, ridgeBack: number): (v: number) => Point {
  const ox = flat[toe * 2]!
  const oy = flat[toe * 2 + 1]!
  const dx = ox - flat[ridgeBack * 2]!
  const dy = oy - flat[ridgeBack * 2 + 1]!
  const l = Math.hypot(dx, dy)
  return (v) => {
    const x = flat[v * 2]! - ox
    const y = flat[v * 2 + 1]! - oy
    return [(x * dx + y * dy) / l, (y * dx - x * dy) / l]
  }
}
