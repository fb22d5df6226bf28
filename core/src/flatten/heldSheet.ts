import { Anderson } from './anderson.ts'
import { layTriangles, pull } from './localStep.ts'
import { neighbours, type Mesh } from './mesh.ts'
import { nestedDissection } from './nestedDissection.ts'
import { Entries, factored } from './sparseCholesky.ts'

const MOST_ROUNDS = 60
/** Stop when no point would move more than this, mm. */
const STEP = 1e-3

/**
 * Bends a sheet, as rigid as possible, so that held points come to lie where they are told; the others follow.
 * `start` holds 2 numbers per vertex, mm, with the held ones already in place; only those marked in `held` stay.
 * The same local and global steps as flattenSheet, with the held points taken out of the unknowns.
 */
export function bendSheet(mesh: Mesh, start: Float64Array, held: Uint8Array): Float64Array {
  const n = mesh.positions.length / 3
  const t = mesh.triangles
  const corners = layTriangles(mesh, 1)
  const entries = new Entries()
  const fromHeld: number[] = []
  for (let v = 0; v < n; v++) if (held[v]) entries.add(v, v, 1)
  const edge = (i: number, j: number, w: number) => {
    if (!held[i]) entries.add(i, i, w)
    if (!held[j]) entries.add(j, j, w)
    if (!held[i] && !held[j]) entries.add(i, j, -w)
    else if (!held[i]) fromHeld.push(i, j, w)
    else if (!held[j]) fromHeld.push(j, i, w)
  }
  for (let k = 0; k < t.length; k += 3) {
    edge(t[k]!, t[k + 1]!, corners[2 * k + 5]! / 2)
    edge(t[k + 1]!, t[k + 2]!, corners[2 * k + 3]! / 2)
    edge(t[k + 2]!, t[k]!, corners[2 * k + 4]! / 2)
  }
  const factor = factored(n, entries, nestedDissection(neighbours(n, t)))
  const flat = start.slice()
  const pulled = new Float64Array(2 * n)
  const next = new Float64Array(2 * n)
  const ahead = new Anderson(2 * n, 5)
  for (let round = 0; round < MOST_ROUNDS; round++) {
    pulled.fill(0)
    pull(t, corners, flat, pulled)
    for (let k = 0; k < fromHeld.length; k += 3) {
      const [i, j, w] = fromHeld.slice(k, k + 3)
      pulled[2 * i!]! += w! * start[2 * j!]!
      pulled[2 * i! + 1]! += w! * start[2 * j! + 1]!
    }
    for (let v = 0; v < n; v++) if (held[v]) pulled.set([start[2 * v]!, start[2 * v + 1]!], 2 * v)
    factor.solve(pulled, next)
    let most = 0
    for (let k = 0; k < 2 * n; k++) most = Math.max(most, Math.abs(next[k]! - flat[k]!))
    if (most < STEP) return next
    ahead.next(flat, next, flat)
  }
  return flat
}
