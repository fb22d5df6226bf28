import { dist3, type Vec3 } from '../geometry/vec3.ts'
import type { Side } from '../trade/side.ts'
import { wallPoint, type LastSurface } from '../last/surface.ts'

/** Arc length along the feather line at every column, as a share of the whole. */
function featherShares(surface: LastSurface, side: Side): Float64Array {
  const out = new Float64Array(surface.columns)
  for (let i = 1; i < surface.columns; i++) {
    out[i] = out[i - 1]! + dist3(wallPoint(surface, side, i - 1, 0), wallPoint(surface, side, i, 0))
  }
  return out.map((x) => x / out[surface.columns - 1]!)
}

/** Column, with its fraction, at which a rising table reaches a value. */
function columnAt(table: Float64Array, value: number): number {
  let i = 0
  while (i + 2 < table.length && table[i + 1]! < value) i++
  const span = table[i + 1]! - table[i]!
  return i + Math.min(1, Math.max(0, span > 0 ? (value - table[i]!) / span : 0))
}

/** How finely a new rib is followed over the wall before its points are spread along it, in rows. */
const FINE = 0.5

/**
 * Both walls with columns that stand over the same share of their feather lines. The last's own columns meet the
 * joints, which lie further forward on the medial side; laid on each other flat they would slide by an inch. The top
 * edge, which both walls share, is kept. Points lie on the wall's own cells (bilinear), evenly up every new rib, so
 * that the ribs of both sides turn the corner of the cone in the same column. mm.
 */
export function formeWalls(surface: LastSurface): Record<Side, Float64Array> {
  const { columns: nu, rows: nv } = surface
  const shares = { lateral: featherShares(surface, 'lateral'), medial: featherShares(surface, 'medial') }
  const resampled = (side: Side): Float64Array => {
    const at = (u: number, v: number): Vec3 => {
      const i = Math.min(nu - 2, Math.floor(u))
      const j = Math.min(nv - 2, Math.floor(v))
      const [s, t] = [u - i, v - j]
      const corners = [
        wallPoint(surface, side, i, j),
        wallPoint(surface, side, i + 1, j),
        wallPoint(surface, side, i + 1, j + 1),
        wallPoint(surface, side, i, j + 1),
      ]
      const weights = [(1 - s) * (1 - t), s * (1 - t), s * t, (1 - s) * t]
      const mix = (d: 0 | 1 | 2) => corners.reduce((sum, c, k) => sum + weights[k]! * c[d], 0)
      return [mix(0), mix(1), mix(2)]
    }
    const out = new Float64Array(nu * nv * 3)
    const steps = (nv - 1) / FINE
    for (let i = 0; i < nu; i++) {
      const foot = columnAt(shares[side], (shares.lateral[i]! + shares.medial[i]!) / 2)
      const rib = Array.from({ length: steps + 1 }, (_, k) => at(foot + ((i - foot) * k) / steps, k * FINE))
      const run = [0]
      for (let k = 1; k <= steps; k++) run.push(run[k - 1]! + dist3(rib[k - 1]!, rib[k]!))
      let k = 0
      for (let j = 0; j < nv; j++) {
        const target = (run[steps]! * j) / (nv - 1)
        while (k + 2 <= steps && run[k + 1]! < target) k++
        const t = run[k + 1]! > run[k]! ? Math.min(1, (target - run[k]!) / (run[k + 1]! - run[k]!)) : 0
        for (let d = 0; d < 3; d++) out[(i * nv + j) * 3 + d] = rib[k]![d]! + (rib[k + 1]![d]! - rib[k]![d]!) * t
      }
    }
    return out
  }
  return { lateral: resampled('lateral'), medial: resampled('medial') }
}
