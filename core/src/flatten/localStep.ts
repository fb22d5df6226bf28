import type { Mesh } from './mesh.ts'

/**
 * Each triangle laid flat on its own, 6 numbers: corner b at (bx, 0), corner c at (cx, cy), then the cotangents of
 * the angles at a, b and c.
 */
export function layTriangles(mesh: Mesh, scale: number): Float64Array {
  const p = mesh.positions
  const t = mesh.triangles
  const out = new Float64Array(t.length * 2)
  for (let k = 0; k < t.length; k += 3) {
    const [a, b, c] = [t[k]! * 3, t[k + 1]! * 3, t[k + 2]! * 3]
    const [ux, uy, uz] = [p[b]! - p[a]!, p[b + 1]! - p[a + 1]!, p[b + 2]! - p[a + 2]!]
    const [vx, vy, vz] = [p[c]! - p[a]!, p[c + 1]! - p[a + 1]!, p[c + 2]! - p[a + 2]!]
    const ab = Math.hypot(ux, uy, uz)
    const bx = scale * ab
    const cx = (scale * (ux * vx + uy * vy + uz * vz)) / ab
    const cy = (scale * Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx)) / ab
    out.set([bx, cx, cy, cx / cy, (bx - cx) / cy, (cx * (cx - bx) + cy * cy) / (bx * cy)], k * 2)
  }
  return out
}

/**
 * Adds, for every triangle, its sides turned by the rotation that fits them best: the right-hand side of the global
 * step. Returns the energy of the present positions under those rotations.
 */
export function pull(t: Uint32Array, corners: Float64Array, flat: Float64Array, pulled: Float64Array): number {
  let energy = 0
  for (let k = 0; k < t.length; k += 3) {
    const q = 2 * k
    const a = 2 * t[k]!
    const b = 2 * t[k + 1]!
    const c = 2 * t[k + 2]!
    // Sides a->b, b->c, c->a at rest, weighted by the cotangent of the angle opposite.
    const wab = corners[q + 5]! / 2
    const wbc = corners[q + 3]! / 2
    const wca = corners[q + 4]! / 2
    const abx = corners[q]!
    const bcx = corners[q + 1]! - abx
    const bcy = corners[q + 2]!
    const cax = -corners[q + 1]!
    const cay = -bcy
    const uabx = flat[b]! - flat[a]!
    const uaby = flat[b + 1]! - flat[a + 1]!
    const ubcx = flat[c]! - flat[b]!
    const ubcy = flat[c + 1]! - flat[b + 1]!
    const ucax = flat[a]! - flat[c]!
    const ucay = flat[a + 1]! - flat[c + 1]!
    const along = wab * abx * uabx + wbc * (bcx * ubcx + bcy * ubcy) + wca * (cax * ucax + cay * ucay)
    const turned = wab * abx * uaby + wbc * (bcx * ubcy - bcy * ubcx) + wca * (cax * ucay - cay * ucax)
    const l = Math.sqrt(along * along + turned * turned) || 1
    energy +=
      wab * (abx * abx + uabx * uabx + uaby * uaby) +
      wbc * (bcx * bcx + bcy * bcy + ubcx * ubcx + ubcy * ubcy) +
      wca * (cax * cax + cay * cay + ucax * ucax + ucay * ucay) -
      2 * l
    const cos = along / l
    const sin = turned / l
    const e1x = wab * cos * abx
    const e1y = wab * sin * abx
    const e2x = wbc * (cos * bcx - sin * bcy)
    const e2y = wbc * (sin * bcx + cos * bcy)
    const e3x = wca * (cos * cax - sin * cay)
    const e3y = wca * (sin * cax + cos * cay)
    pulled[a]! += e3x - e1x
    pulled[a + 1]! += e3y - e1y
    pulled[b]! += e1x - e2x
    pulled[b + 1]! += e1y - e2y
    pulled[c]! += e2x - e3x
    pulled[c + 1]! += e2y - e3y
  }
  return energy
}
