import { GeometryError } from '../geometry/path.ts'

/** What was found wrong with a mesh and put right, or left as it is. */
export interface MeshHealth {
  triangles: number
  /** Triangles that were turned to face outwards like the rest. */
  turned: number
  /** Loose crumbs that were dropped. */
  crumbs: number
  /** Greatest width of each open edge, mm, largest first. */
  holes: number[]
}

interface Mesh {
  positions: Float64Array
  triangles: Uint32Array
}

/** A second body of more than this share of the area of the first is no crumb. */
const CRUMB = 0.03

/** Neighbour across each of the three sides of every triangle; -1 at an open edge, -2 where more than two meet. */
function neighbours({ positions, triangles: t }: Mesh): Int32Array {
  const vertices = positions.length / 3
  let size = 1
  while (size < 2 * t.length) size *= 2
  const keys = new Float64Array(size).fill(-1)
  const first = new Int32Array(size).fill(-1)
  const out = new Int32Array(t.length).fill(-1)
  for (let e = 0; e < t.length; e++) {
    const base = e - (e % 3)
    const a = t[e]!
    const b = t[base + ((e + 1) % 3)]!
    const key = a < b ? a * vertices + b : b * vertices + a
    let slot = (Math.imul(Math.min(a, b), 73856093) ^ Math.imul(Math.max(a, b), 19349663)) & (size - 1)
    while (keys[slot] !== -1 && keys[slot] !== key) slot = (slot + 1) & (size - 1)
    if (keys[slot] === -1) {
      keys[slot] = key
      first[slot] = e
      continue
    }
    const other = first[slot]!
    if (other >= 0) {
      out[e] = other!
      out[other] = e
      first[slot] = -2 - other
    } else {
      // A third triangle on this side: none of them is a safe way to the next.
      const pair = -2 - other
      if (out[pair]! >= 0) out[out[pair]!] = -2
      out[pair] = -2
      out[e] = -2
    }
  }
  return out
}

/**
 * Turns all faces the same way by walking from triangle to triangle, outwards by the sign of the volume; keeps the
 * one body, drops crumbs, measures open edges. The mesh must be welded. Throws GeometryError when it holds several bodies.
 */
export function heal(mesh: Mesh): { mesh: Mesh; health: MeshHealth } {
  const { positions: v } = mesh
  const t = mesh.triangles.slice()
  const count = t.length / 3
  if (count < 100) throw new GeometryError(`The file holds ${count} triangles: too few for a last.`)
  const next = neighbours(mesh)
  const shell = new Int32Array(count).fill(-1)
  const flipped = new Uint8Array(count)
  const stack: number[] = []
  const shells: { area: number; volume: number; triangles: number; turned: number }[] = []
  for (let seed = 0; seed < count; seed++) {
    if (shell[seed] !== -1) continue
    const id = shells.length
    const sum = { area: 0, volume: 0, triangles: 0, turned: 0 }
    const o = t[seed * 3]! * 3
    shell[seed] = id
    stack.push(seed)
    while (stack.length > 0) {
      const k = stack.pop() as number
      const sign = flipped[k] ? -1 : 1
      const [a, b, c] = [t[k * 3]! * 3, t[k * 3 + 1]! * 3, t[k * 3 + 2]! * 3]
      const [ax, ay, az] = [v[a]! - v[o]!, v[a + 1]! - v[o + 1]!, v[a + 2]! - v[o + 2]!]
      const [bx, by, bz] = [v[b]! - v[o]!, v[b + 1]! - v[o + 1]!, v[b + 2]! - v[o + 2]!]
      const [cx, cy, cz] = [v[c]! - v[o]!, v[c + 1]! - v[o + 1]!, v[c + 2]! - v[o + 2]!]
      sum.volume += (sign * (ax * (by * cz - bz * cy) - ay * (bx * cz - bz * cx) + az * (bx * cy - by * cx))) / 6
      const nx = (by - ay) * (cz - az) - (bz - az) * (cy - ay)
      const ny = (bz - az) * (cx - ax) - (bx - ax) * (cz - az)
      const nz = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax)
      sum.area += Math.sqrt(nx * nx + ny * ny + nz * nz) / 2
      sum.triangles++
      sum.turned += flipped[k]!
      for (let e = k * 3; e < k * 3 + 3; e++) {
        const f = next[e]!
        if (f < 0) continue
        const other = Math.floor(f / 3)
        if (shell[other] !== -1) continue
        shell[other] = id
        // Neighbours that face the same way run along their common side in opposite directions.
        const sameWay = t[e] !== t[f]
        flipped[other] = sameWay ? flipped[k]! : 1 - flipped[k]!
        stack.push(other)
      }
    }
    shells.push(sum)
  }
  const main = shells.reduce((best, s, i) => (s.area > shells[best]!.area ? i : best), 0)
  const others = shells.filter((s, i) => i !== main && s.area > CRUMB * shells[main]!.area)
  if (others.length > 0) {
    throw new GeometryError(
      `The file holds ${others.length + 1} separate bodies of some size. Scan one last at a time, or cut the others away.`,
    )
  }
  const inwards = shells[main]!.volume < 0
  let turned = 0
  const kept: number[] = []
  const openEdges: number[] = []
  for (let k = 0; k < count; k++) {
    if (shell[k] !== main) continue
    const turn = (flipped[k] === 1) !== inwards
    if (turn) turned++
    kept.push(t[k * 3]!, turn ? t[k * 3 + 2]! : t[k * 3 + 1]!, turn ? t[k * 3 + 1]! : t[k * 3 + 2]!)
    for (let e = k * 3; e < k * 3 + 3; e++) {
      const after = t[k * 3 + ((e + 1) % 3)]
      if (next[e] === -1) openEdges.push(t[e]!, after!)
    }
  }
  return {
    mesh: { positions: v, triangles: Uint32Array.from(kept) },
    health: {
      triangles: kept.length / 3,
      turned,
      crumbs: shells.length - 1,
      holes: openings(v, openEdges),
    },
  }
}

/** Groups open edges that hang together and measures each group's box from corner to corner, mm. */
function openings(v: Float64Array, edges: readonly number[]): number[] {
  const parent = new Map<number, number>()
  const root = (a: number): number => {
    let r = a
    while ((parent.get(r) ?? r) !== r) r = parent.get(r) as number
    parent.set(a, r)
    return r
  }
  for (let e = 0; e < edges.length; e += 2) {
    const [a, b] = [root(edges[e]!), root(edges[e + 1]!)]
    parent.set(a, b)
    if (!parent.has(b)) parent.set(b, b)
  }
  const boxes = new Map<number, number[]>()
  for (const vertex of edges) {
    const r = root(vertex)
    const box = boxes.get(r) ?? [Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity]
    for (let c = 0; c < 3; c++) {
      box[c] = Math.min(box[c]!, v[vertex * 3 + c]!)
      box[c + 3] = Math.max(box[c + 3]!, v[vertex * 3 + c]!)
    }
    boxes.set(r, box)
  }
  return [...boxes.values()].map((b) => Math.hypot(b[3]! - b[0]!, b[4]! - b[1]!, b[5]! - b[2]!)).sort((a, b) => b - a)
}
