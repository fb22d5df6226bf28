import { Entries, SparseCholesky } from './sparseCholesky.ts'
import { boundaryLoop, type Mesh } from './mesh.ts'

/**
 * A first flat position for every vertex without flipped triangles: the boundary goes on a circle by its length,
 * every inner vertex to the average of its neighbours (Tutte 1963). Scaled to the area of the sheet; 2 numbers per
 * vertex, mm. `links` are the neighbours of every vertex, `order` the solver's order of them.
 */
export function onCircle(mesh: Mesh, links: readonly number[][], order: Int32Array): Float64Array {
  const p = mesh.positions
  const n = p.length / 3
  const loop = boundaryLoop(mesh)
  const onEdge = new Uint8Array(n)
  loop.forEach((v) => (onEdge[v] = 1))
  const step = (a: number, b: number) =>
    Math.sqrt((p[a * 3] - p[b * 3]) ** 2 + (p[a * 3 + 1] - p[b * 3 + 1]) ** 2 + (p[a * 3 + 2] - p[b * 3 + 2]) ** 2)
  const total = loop.reduce((s, v, i) => s + step(v, loop[(i + 1) % loop.length]), 0)
  const radius = Math.sqrt(meshArea(mesh) / Math.PI)
  const flat = new Float64Array(2 * n)
  let run = 0
  loop.forEach((v, i) => {
    const angle = (2 * Math.PI * run) / total
    flat[2 * v] = radius * Math.cos(angle)
    flat[2 * v + 1] = radius * Math.sin(angle)
    run += step(v, loop[(i + 1) % loop.length])
  })
  const entries = new Entries()
  for (let v = 0; v < n; v++) {
    entries.add(v, v, onEdge[v] ? 1 : links[v].length)
    if (onEdge[v]) continue
    for (const w of links[v]) {
      if (onEdge[w]) {
        flat[2 * v] += flat[2 * w]
        flat[2 * v + 1] += flat[2 * w + 1]
      } else if (w < v) entries.add(v, w, -1)
    }
  }
  const factor = new SparseCholesky(n, entries, order)
  factor.solve(flat, flat)
  return flat
}

export function meshArea(mesh: Mesh): number {
  const p = mesh.positions
  let area = 0
  for (let k = 0; k < mesh.triangles.length; k += 3) {
    const [a, b, c] = [mesh.triangles[k] * 3, mesh.triangles[k + 1] * 3, mesh.triangles[k + 2] * 3]
    const [ux, uy, uz] = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]]
    const [vx, vy, vz] = [p[c] - p[a], p[c + 1] - p[a + 1], p[c + 2] - p[a + 2]]
    area += Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx) / 2
  }
  return area
}
