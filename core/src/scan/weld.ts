import type { TriangleMesh } from '../geometry/closestPoint.ts'

const CELLS_PER_SIZE = 1 << 20

/**
 * One vertex for all corners that lie at the same place (to a millionth of the mesh's size), as an STL file repeats
 * each corner for every triangle. Triangles that fall into a line or point are dropped. Positions come back as they were.
 */
export function weld(mesh: TriangleMesh): { positions: Float64Array; triangles: Uint32Array } {
  const { positions: v, triangles: t } = mesh
  const n = v.length / 3
  let lo = Infinity
  let hi = -Infinity
  for (let k = 0; k < v.length; k++) {
    if (v[k]! < lo) lo = v[k]!
    if (v[k]! > hi) hi = v[k]!
  }
  const step = Math.max(hi - lo, 1e-12) / CELLS_PER_SIZE
  let size = 1
  while (size < 2 * n) size *= 2
  const table = new Int32Array(size).fill(-1)
  const kept = new Float64Array(v.length)
  const cells = new Int32Array(v.length)
  const to = new Uint32Array(n)
  let count = 0
  for (let i = 0; i < n; i++) {
    const a = Math.round((v[i * 3]! - lo) / step)
    const b = Math.round((v[i * 3 + 1]! - lo) / step)
    const c = Math.round((v[i * 3 + 2]! - lo) / step)
    let slot = (Math.imul(a, 73856093) ^ Math.imul(b, 19349663) ^ Math.imul(c, 83492791)) & (size - 1)
    for (;;) {
      const at = table[slot]!
      if (at === -1) {
        table[slot] = count
        cells[count * 3] = a
        cells[count * 3 + 1] = b
        cells[count * 3 + 2] = c
        kept[count * 3] = v[i * 3]!
        kept[count * 3 + 1] = v[i * 3 + 1]!
        kept[count * 3 + 2] = v[i * 3 + 2]!
        to[i] = count++
        break
      }
      if (cells[at * 3] === a && cells[at * 3 + 1] === b && cells[at * 3 + 2] === c) {
        to[i] = at!
        break
      }
      slot = (slot + 1) & (size - 1)
    }
  }
  const triangles = new Uint32Array(t.length)
  let m = 0
  for (let k = 0; k < t.length; k += 3) {
    const [a, b, c] = [to[t[k]!], to[t[k + 1]!], to[t[k + 2]!]]
    if (a === b || b === c || c === a) continue
    triangles[m++] = a!
    triangles[m++] = b!
    triangles[m++] = c!
  }
  return { positions: kept.slice(0, count * 3), triangles: triangles.slice(0, m) }
}
