import type { Mesh } from './mesh.ts'

/** Area of every triangle, mm^2. */
export function triangleAreas(mesh: Mesh): Float64Array {
  const p = mesh.positions
  const out = new Float64Array(mesh.triangles.length / 3)
  for (let f = 0; f < out.length; f++) {
    const [a, b, c] = [mesh.triangles[3 * f]! * 3, mesh.triangles[3 * f + 1]! * 3, mesh.triangles[3 * f + 2]! * 3]
    const [ux, uy, uz] = [p[b]! - p[a]!, p[b + 1]! - p[a + 1]!, p[b + 2]! - p[a + 2]!]
    const [vx, vy, vz] = [p[c]! - p[a]!, p[c + 1]! - p[a + 1]!, p[c + 2]! - p[a + 2]!]
    out[f] = Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx) / 2
  }
  return out
}

export function meshArea(mesh: Mesh): number {
  return triangleAreas(mesh).reduce((sum, a) => sum + a, 0)
}
