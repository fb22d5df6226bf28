import { GeometryError, lerpPoint, type Point } from '../geometry/path.ts'
import { flattenSheet } from '../flatten/asRigidAsPossible.ts'
import type { Mesh } from '../flatten/mesh.ts'
import type { Side } from '../last/frame.ts'
import type { LastSurface } from '../last/surface.ts'

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
  /** True length of that feather line on the pushed-out surface, mm. */
  featherRun: (fromLateral: number, toMedial: number) => number
  worstStrain: number
  flipped: number
}

/** Every second row is enough: the flat lines differ by less than 0.05 mm from those of the full grid. */
const ROW_STEP = 2

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
      const u = [w[b] - w[a], w[b + 1] - w[a + 1], w[b + 2] - w[a + 2]]
      const v = [w[d] - w[c], w[d + 1] - w[c + 1], w[d + 2] - w[c + 2]]
      const n = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
      const l = Math.hypot(n[0], n[1], n[2]) || 1
      for (let k = 0; k < 3; k++) out[(i * nv + j) * 3 + k] = (sign * n[k]) / l
    }
  }
  return out
}

/**
 * Lays flat the toe in front of `from` (mm from the heel back, where the sheet's back edge must be wholly behind),
 * taken on the surface `out` mm outside the last. Throws GeometryError when `from` is too near the toe tip.
 */
export function toePatch(surface: LastSurface, from: number, out: number): ToePatch {
  const { columns: nu, rows: nv, walls } = surface
  const top = nv - 1
  let first = 0
  const xOf = (side: Side, i: number, j: number) => walls[side][(i * nv + j) * 3]
  while (
    first < nu - 4 &&
    [0, top].every((j) => xOf('lateral', first + 1, j) < from && xOf('medial', first + 1, j) < from)
  ) {
    first++
  }
  const rows = Array.from({ length: top / ROW_STEP + 1 }, (_, r) => r * ROW_STEP)
  const nr = rows.length
  const last = nu - 1
  const count = last - first + 1
  // Lateral vertices first; the medial wall reuses those on ridge and toe rib.
  const index = { lateral: new Int32Array(count * nr), medial: new Int32Array(count * nr) }
  const positions: number[] = []
  const normals = { lateral: wallNormals(surface, 'lateral'), medial: wallNormals(surface, 'medial') }
  for (const side of ['lateral', 'medial'] as const) {
    for (let i = 0; i < count; i++) {
      for (let r = 0; r < nr; r++) {
        const shared = r === nr - 1 || i === count - 1
        if (side === 'medial' && shared) {
          index.medial[i * nr + r] = index.lateral[i * nr + r]
          continue
        }
        const k = ((first + i) * nv + rows[r]) * 3
        // Where ridge and toe rib meet, the grid lines run together; the normal two rows down the toe rib serves.
        const pole = shared && r === nr - 1 && i === count - 1
        const kn = pole ? k - 6 : k
        const n = [0, 1, 2].map((c) =>
          shared ? normals.lateral[kn + c] + normals.medial[kn + c] : normals[side][kn + c],
        )
        const l = Math.hypot(n[0], n[1], n[2]) || 1
        index[side][i * nr + r] = positions.length / 3
        for (let c = 0; c < 3; c++) positions.push(walls[side][k + c] + (out * n[c]) / l)
      }
    }
  }
  const triangles: number[] = []
  for (const side of ['lateral', 'medial'] as const) {
    for (let i = 0; i + 1 < count; i++) {
      for (let r = 0; r + 1 < nr; r++) {
        const [a, b, c, d] = [i * nr + r, (i + 1) * nr + r, (i + 1) * nr + r + 1, i * nr + r + 1].map(
          (v) => index[side][v],
        )
        // In the cell under the pole the other diagonal would join three shared points: one triangle for both walls.
        const atPole = i === count - 2 && r === nr - 2
        const lower = atPole || (i + r) % 2 === 0 ? [a, b, c, a, c, d] : [a, b, d, b, c, d]
        for (let k = 0; k < 6; k += 3) {
          if (side === 'lateral') triangles.push(lower[k], lower[k + 1], lower[k + 2])
          else triangles.push(lower[k], lower[k + 2], lower[k + 1])
        }
      }
    }
  }
  const mesh: Mesh = { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) }
  const sheet = flattenSheet(mesh)
  const flatOf = straightened(sheet.flat, index.lateral[(count - 1) * nr], index.lateral[nr - 1])

  /** Flat point of one row where it crosses a given x. */
  const onRow = (side: Side, r: number, x: number): Point => {
    for (let i = count - 1; i > 0; i--) {
      const xa = xOf(side, first + i - 1, rows[r])
      const xb = xOf(side, first + i, rows[r])
      if (xa <= x && xb >= x) {
        const t = xb > xa ? (x - xa) / (xb - xa) : 0
        return lerpPoint(flatOf(index[side][(i - 1) * nr + r]), flatOf(index[side][i * nr + r]), t)
      }
    }
    throw new GeometryError(`The toe has no place ${x.toFixed(1)} mm from the heel back at this height.`)
  }
  return {
    worstStrain: sheet.strain.reduce((a, b) => Math.max(a, b), 1),
    flipped: sheet.flipped,
    lineAcross: (at) => {
      const down = (r: number) => 1 - r / (nr - 1)
      const lateral = rows.map((_, r) => onRow('lateral', r, at('lateral', down(r))))
      const medial = rows.map((_, r) => onRow('medial', r, at('medial', down(r)))).reverse()
      return [...lateral, ...medial.slice(1)]
    },
    featherRun: (fromLateral, toMedial) => {
      const side = (s: Side, from: number) => {
        let sum = 0
        for (let i = 0; i + 1 < count; i++) {
          const [a, b] = [index[s][i * nr] * 3, index[s][(i + 1) * nr] * 3]
          const [xa, xb] = [xOf(s, first + i, 0), xOf(s, first + i + 1, 0)]
          const share = xb > xa ? Math.min(1, Math.max(0, (xb - from) / (xb - xa))) : 1
          sum +=
            share *
            Math.hypot(
              positions[b] - positions[a],
              positions[b + 1] - positions[a + 1],
              positions[b + 2] - positions[a + 2],
            )
        }
        return sum
      }
      return side('lateral', fromLateral) + side('medial', toMedial)
    },
    feather: (fromLateral, toMedial) => {
      const side = (s: Side, x: number): Point[] => {
        const line: Point[] = [onRow(s, 0, x)]
        for (let i = 0; i < count; i++) if (xOf(s, first + i, 0) > x) line.push(flatOf(index[s][i * nr]))
        return line
      }
      return [...side('lateral', fromLateral), ...side('medial', toMedial).reverse().slice(1)]
    },
  }
}

/** Flat positions with the toe's feather point at the origin and the ridge's back end straight behind it. */
function straightened(flat: Float64Array, toe: number, ridgeBack: number): (v: number) => Point {
  const ox = flat[toe * 2]
  const oy = flat[toe * 2 + 1]
  const dx = ox - flat[ridgeBack * 2]
  const dy = oy - flat[ridgeBack * 2 + 1]
  const l = Math.hypot(dx, dy)
  return (v) => {
    const x = flat[v * 2] - ox
    const y = flat[v * 2 + 1] - oy
    return [(x * dx + y * dy) / l, (y * dx - x * dy) / l]
  }
}
