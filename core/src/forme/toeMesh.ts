import type { Mesh } from '../flatten/mesh.ts'
import type { Side } from '../trade/side.ts'
import type { LastSurface } from '../last/surface.ts'

/** The toe of a last as one sheet: both walls, sewn together along ridge and toe rib. */
export interface ToeMesh {
  mesh: Mesh
  /** Columns and rows of the walls that are in the sheet; both end on the toe rib and the ridge. */
  columns: number[]
  rows: number[]
  /** Vertex of a side at `column * rows.length + row`; those on ridge and toe rib are the same for both sides. */
  index: Record<Side, Int32Array>
}

/** Every second column and row of the grid is enough; between them the flat sheet is interpolated smoothly. */
export const STEP = 2

/** Unit normals of one wall's grid, pointing outwards. */
function wallNormals(surface: LastSurface, side: Side): Float64Array {
  const { columns: nu, rows: nv } = surface
  const w = surface.walls[side]
  const out = new Float64Array(w.length)
  const sign = side === 'lateral' ? 1 : -1
  for (let i = 0; i < nu; i++) {
    for (let j = 0; j < nv; j++) {
      const a = (Math.max(0, i - 1) * nv + j) * 3
      const b = (Math.min(nu - 1, i + 1) * nv + j) * 3
      const c = (i * nv + Math.max(0, j - 1)) * 3
      const d = (i * nv + Math.min(nv - 1, j + 1)) * 3
      const [ux, uy, uz] = [w[b]! - w[a]!, w[b + 1]! - w[a + 1]!, w[b + 2]! - w[a + 2]!]
      const [vx, vy, vz] = [w[d]! - w[c]!, w[d + 1]! - w[c + 1]!, w[d + 2]! - w[c + 2]!]
      const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx]
      const l = sign / (Math.sqrt(nx * nx + ny * ny + nz * nz) || 1)
      out.set([nx * l, ny * l, nz * l], (i * nv + j) * 3)
    }
  }
  return out
}

/** The last column whose feather and ridge points, on both sides, still lie behind `from`. */
function firstColumn(surface: LastSurface, from: number): number {
  const { columns: nu, rows: nv, walls } = surface
  const behind = (i: number) =>
    [walls.lateral, walls.medial].every((w) => [0, nv - 1].every((j) => w[(i * nv + j) * 3]! < from))
  let first = 0
  while (first + STEP < nu - 4 && behind(first + STEP)) first += STEP
  return first
}

const triangleSets = new Map<string, Uint32Array>()

/** Sheets of as many columns and rows have the same triangles: one array stands for all, so that what depends on them alone is worked out once. */
function sameTriangles(key: string, triangles: readonly number[]): Uint32Array {
  const known = triangleSets.get(key) ?? Uint32Array.from(triangles)
  triangleSets.set(key, known)
  return known
}

/** The toe in front of `from` (mm from the heel back), on the surface `out` mm outside the last. */
export function toeMesh(surface: LastSurface, from: number, out: number): ToeMesh {
  const { columns: nu, rows: nv, walls } = surface
  const first = firstColumn(surface, from)
  const columns = Array.from({ length: (nu - 1 - first) / STEP + 1 }, (_, k) => first + k * STEP)
  const rows = Array.from({ length: (nv - 1) / STEP + 1 }, (_, r) => r * STEP)
  const [nc, nr] = [columns.length, rows.length]
  const index = { lateral: new Int32Array(nc * nr), medial: new Int32Array(nc * nr) }
  const normals = { lateral: wallNormals(surface, 'lateral'), medial: wallNormals(surface, 'medial') }
  const positions: number[] = []
  const triangles: number[] = []
  for (const side of ['lateral', 'medial'] as const) {
    for (let c = 0; c < nc; c++) {
      for (let r = 0; r < nr; r++) {
        const shared = r === nr - 1 || c === nc - 1
        if (side === 'medial' && shared) {
          index.medial[c * nr + r] = index.lateral[c * nr + r]!
          continue
        }
        const k = (columns[c]! * nv + rows[r]!) * 3
        // Where ridge and toe rib meet, the grid lines run together; the normal two rows down the toe rib serves.
        const kn = r === nr - 1 && c === nc - 1 ? k - 6 : k
        const n = [0, 1, 2].map((d) =>
          shared ? normals.lateral[kn + d]! + normals.medial[kn + d]! : normals[side][kn + d],
        )
        const l = Math.hypot(n[0]!, n[1]!, n[2]!) || 1
        index[side][c * nr + r] = positions.length / 3
        for (let d = 0; d < 3; d++) positions.push(walls[side][k + d]! + (out * n[d]!) / l)
      }
    }
    for (let c = 0; c + 1 < nc; c++) {
      for (let r = 0; r + 1 < nr; r++) {
        const at = (dc: number, dr: number) => index[side][(c + dc) * nr + r + dr]
        const quad = [at(0, 0), at(1, 0), at(1, 1), at(0, 1)]
        // In the cell under the pole the other diagonal would join three shared points: one triangle for both walls.
        const atPole = c === nc - 2 && r === nr - 2
        const corners = atPole || (c + r) % 2 === 0 ? [0, 1, 2, 0, 2, 3] : [0, 1, 3, 1, 2, 3]
        for (let k = 0; k < 6; k += 3) {
          const [p, q, s] = corners.slice(k, k + 3).map((corner) => quad[corner])
          if (side === 'lateral') triangles.push(p!, q!, s!)
          else triangles.push(p!, s!, q!)
        }
      }
    }
  }
  return {
    mesh: { positions: Float64Array.from(positions), triangles: sameTriangles(`${nc}x${nr}`, triangles) },
    columns,
    rows,
    index,
  }
}
