import { GeometryError } from '../geometry/path.ts'

/** A triangle mesh in space: 3 numbers per vertex, mm; 3 indices per triangle, counter-clockwise from outside. */
export interface Mesh {
  positions: Float64Array
  triangles: Uint32Array
}

/**
 * The one boundary loop of a disc, in the order in which the triangles run round it.
 * Throws GeometryError when the mesh has no boundary, several, or edges shared by more than two triangles.
 */
export function boundaryLoop(mesh: Mesh): number[] {
  const n = mesh.positions.length / 3
  const t = mesh.triangles
  const seen = new Set<number>()
  for (let k = 0; k < t.length; k += 3) {
    for (let e = 0; e < 3; e++) {
      const key = t[k + e]! * n + t[k + ((e + 1) % 3)]!
      if (seen.has(key))
        throw new GeometryError('Two triangles run the same way along one edge: the mesh is not a sheet.')
      seen.add(key)
    }
  }
  const next = new Map<number, number>()
  for (const key of seen) {
    const a = Math.floor(key / n)
    const b = key % n
    if (seen.has(b * n + a)) continue
    if (next.has(a)) throw new GeometryError('The sheet touches itself in a point on its edge.')
    next.set(a, b)
  }
  const start = next.keys().next()
  if (start.done) throw new GeometryError('The mesh has no edge: a closed body cannot be laid flat.')
  const loop = [start.value]
  for (let v = next.get(start.value); v !== undefined && v !== start.value; v = next.get(v)) loop.push(v)
  if (loop.length !== next.size)
    throw new GeometryError('The mesh has more than one edge loop: it is not a plain sheet.')
  return loop
}

/** Neighbours of every vertex along edges. */
export function neighbours(vertexCount: number, triangles: Uint32Array): number[][] {
  const sets = Array.from({ length: vertexCount }, () => new Set<number>())
  for (let k = 0; k < triangles.length; k += 3) {
    const [a, b, c] = [triangles[k]!, triangles[k + 1]!, triangles[k + 2]!]
    sets[a]!.add(b).add(c)
    sets[b]!.add(a).add(c)
    sets[c]!.add(a).add(b)
  }
  return sets.map((s) => [...s])
}

/**
 * The edge of a sheet without holes or handles: every vertex used, one edge loop, and V - E + F = 1 (Euler's count
 * of a disc). Throws GeometryError with a sentence for any other mesh.
 */
export function discEdge(mesh: Mesh): number[] {
  const n = mesh.positions.length / 3
  const t = mesh.triangles
  if (t.length === 0) throw new GeometryError('The mesh has no triangle.')
  const used = new Uint8Array(n)
  for (const v of t) {
    if (v >= n) throw new GeometryError(`A triangle names corner ${v + 1}, but the mesh has ${n} points.`)
    used[v] = 1
  }
  const idle = used.indexOf(0)
  if (idle >= 0) throw new GeometryError(`Point ${idle + 1} belongs to no triangle.`)
  const pieces = piecesOf(n, t)
  if (pieces > 1) {
    throw new GeometryError(
      `The mesh falls apart into ${pieces} pieces: only one sheet can be laid flat at a time. Lay each of them flat on its own.`,
    )
  }
  const loop = boundaryLoop(mesh)
  // Each inner edge has two triangles, each edge of the loop one.
  const edges = (t.length + loop.length) / 2
  const count = n - edges + t.length / 3
  if (count !== 1) throw new GeometryError('The mesh has a handle like a cup: it is not a plain sheet.')
  return loop
}

/** How many pieces the triangles make that share no corner (union-find with path halving). */
function piecesOf(n: number, t: Uint32Array): number {
  const parent = Int32Array.from({ length: n }, (_, v) => v)
  const root = (v: number): number => {
    while (parent[v] !== v) {
      parent[v] = parent[parent[v]!]!
      v = parent[v]!
    }
    return v
  }
  let pieces = n
  for (let k = 0; k < t.length; k++) {
    const [a, b] = [root(t[k]!), root(t[k % 3 === 2 ? k - 2 : k + 1]!)]
    if (a === b) continue
    parent[a] = b
    pieces--
  }
  return pieces
}
