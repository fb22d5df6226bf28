import { dist3, type Vec3 } from '../geometry/vec3.ts'
import type { Side } from '../last/frame.ts'
import { wallPoint, type LastSurface } from '../last/surface.ts'

const sides: Side[] = ['lateral', 'medial']

/** Arc length along the feather line at every column, as a share of the whole. */
function featherShares(surface: LastSurface, side: Side): Float64Array {
  const out = new Float64Array(surface.columns)
  for (let i = 1; i < surface.columns; i++) {
    out[i] = out[i - 1] + dist3(wallPoint(surface, side, i - 1, 0), wallPoint(surface, side, i, 0))
  }
  return out.map((x) => x / out[surface.columns - 1])
}

/** Column, with its fraction, at which a rising table reaches a value. */
function columnAt(table: Float64Array, value: number): number {
  let i = 0
  while (i + 2 < table.length && table[i + 1] < value) i++
  const span = table[i + 1] - table[i]
  return i + Math.min(1, Math.max(0, span > 0 ? (value - table[i]) / span : 0))
}

/**
 * Both walls with columns that stand over the same share of their feather lines. The last's own columns meet the
 * joints, which lie further forward on the medial side; laid on each other flat they would slide by an inch. The top
 * edge, which both walls share, is kept. Points lie on the wall's own cells (bilinear), mm.
 */
export function formeWalls(surface: LastSurface): Record<Side, Float64Array> {
  const { columns: nu, rows: nv } = surface
  const shares = { lateral: featherShares(surface, 'lateral'), medial: featherShares(surface, 'medial') }
  const resampled = (side: Side): Float64Array => {
    const out = new Float64Array(nu * nv * 3)
    for (let i = 0; i < nu; i++) {
      const foot = columnAt(shares[side], (shares.lateral[i] + shares.medial[i]) / 2)
      for (let j = 0; j < nv; j++) {
        const u = foot + ((i - foot) * j) / (nv - 1)
        const k = Math.min(nu - 2, Math.floor(u))
        const [a, b]: [Vec3, Vec3] = [wallPoint(surface, side, k, j), wallPoint(surface, side, k + 1, j)]
        for (let d = 0; d < 3; d++) out[(i * nv + j) * 3 + d] = a[d] + (b[d] - a[d]) * (u - k)
      }
    }
    return out
  }
  const [lateral, medial] = sides.map(resampled)
  return { lateral, medial }
}
