import type { Vec3 } from '../geometry/vec3.ts'

/** A mesh thinned to one oriented sample per box: noise and triangle size averaged away. `area` in mm^2. */
export interface Cloud {
  count: number
  points: Float64Array
  normals: Float64Array
  areas: Float64Array
  /** All corners of the mesh, for fits that want every point. */
  vertices: Float64Array
}

/** Thins a mesh of outward triangles to samples `cell` mm apart: area-weighted means of centres and normals. */
export function thin(positions: Float64Array, triangles: Uint32Array, cell = 2.5): Cloud {
  const slots = new Map<number, number>()
  const sums: number[] = []
  const v = positions
  let lo = Infinity
  for (let k = 0; k < v.length; k++) if (v[k]! < lo) lo = v[k]!
  for (let k = 0; k < triangles.length; k += 3) {
    const [a, b, c] = [triangles[k]! * 3, triangles[k + 1]! * 3, triangles[k + 2]! * 3]
    const [abx, aby, abz] = [v[b]! - v[a]!, v[b + 1]! - v[a + 1]!, v[b + 2]! - v[a + 2]!]
    const [acx, acy, acz] = [v[c]! - v[a]!, v[c + 1]! - v[a + 1]!, v[c + 2]! - v[a + 2]!]
    const [nx, ny, nz] = [(aby * acz - abz * acy) / 2, (abz * acx - abx * acz) / 2, (abx * acy - aby * acx) / 2]
    const area = Math.sqrt(nx * nx + ny * ny + nz * nz)
    const x = (v[a]! + v[b]! + v[c]!) / 3
    const y = (v[a + 1]! + v[b + 1]! + v[c + 1]!) / 3
    const z = (v[a + 2]! + v[b + 2]! + v[c + 2]!) / 3
    const key = (Math.floor((x - lo) / cell) * 4096 + Math.floor((y - lo) / cell)) * 4096 + Math.floor((z - lo) / cell)
    let at = slots.get(key)
    if (at === undefined) {
      at = sums.length
      slots.set(key, at)
      sums.push(0, 0, 0, 0, 0, 0, 0)
    }
    sums[at]! += area * x
    sums[at + 1]! += area * y
    sums[at + 2]! += area * z
    sums[at + 3]! += nx
    sums[at + 4]! += ny
    sums[at + 5]! += nz
    sums[at + 6]! += area
  }
  const count = sums.length / 7
  const cloud: Cloud = {
    count,
    points: new Float64Array(count * 3),
    normals: new Float64Array(count * 3),
    areas: new Float64Array(count),
    vertices: positions,
  }
  for (let i = 0; i < count; i++) {
    const s = i * 7
    const area = sums[s + 6] || 1e-12
    const length = Math.hypot(sums[s + 3]!, sums[s + 4]!, sums[s + 5]!) || 1
    for (let c = 0; c < 3; c++) {
      cloud.points[i * 3 + c] = sums[s + c]! / area
      cloud.normals[i * 3 + c] = sums[s + 3 + c]! / length
    }
    cloud.areas[i] = sums[s + 6]!
  }
  return cloud
}

export const cloudPoint = (cloud: Cloud, i: number): Vec3 => [
  cloud.points[i * 3]!,
  cloud.points[i * 3 + 1]!,
  cloud.points[i * 3 + 2]!,
]
export const cloudNormal = (cloud: Cloud, i: number): Vec3 => [
  cloud.normals[i * 3]!,
  cloud.normals[i * 3 + 1]!,
  cloud.normals[i * 3 + 2]!,
]
