import type { Mesh } from './mesh.ts'
import { factored, Entries } from './sparseCholesky.ts'

/** What both ways of making a first flat need of the mesh. `links` are the neighbours of every vertex, `order` the solver's. */
export interface Start {
  mesh: Mesh
  loop: number[]
  links: readonly number[][]
  order: Int32Array
  /** Cotangents of the angles at the three corners of every triangle. */
  cotangents: Float64Array
}

const edgeLength = (p: Float64Array, a: number, b: number) =>
  Math.sqrt((p[a * 3]! - p[b * 3]!) ** 2 + (p[a * 3 + 1]! - p[b * 3 + 1]!) ** 2 + (p[a * 3 + 2]! - p[b * 3 + 2]!) ** 2)

/** Inner vertices between the fixed ones of the edge, which `flat` already holds; `entries` are the rows of the inner ones. */
function between(n: number, flat: Float64Array, entries: Entries, order: Int32Array): void {
  factored(n, entries, order).solve(flat, flat)
}

/**
 * The edge unrolled: it goes round with the angles that its triangles have on the body, what is missing to a full
 * turn (the sheet's curvature, after Gauss and Bonnet) and the gap at the end spread along it. Inner vertices follow
 * by the harmonic map with cotangent weights. Exact on a sheet that can be developed; on others triangles may flip.
 * 2 numbers per vertex, mm.
 */
export function unrolledEdge({ mesh, loop, order, cotangents }: Start): Float64Array {
  const p = mesh.positions
  const n = p.length / 3
  const t = mesh.triangles
  const angle = new Float64Array(n)
  for (let k = 0; k < t.length; k++) angle[t[k]!]! += Math.PI / 2 - Math.atan(cotangents[k]!)
  const sides = loop.map((v, i) => edgeLength(p, v, loop[(i + 1) % loop.length]!))
  const total = sides.reduce((a, b) => a + b, 0)
  const missing = 2 * Math.PI - loop.reduce((sum, v) => sum + Math.PI - angle[v]!, 0)
  const flat = new Float64Array(2 * n)
  const m = loop.length
  let heading = 0
  let [x, y] = [0, 0]
  loop.forEach((v, i) => {
    flat[2 * v] = x
    flat[2 * v + 1] = y
    if (i > 0) heading += Math.PI - angle[v]! + (missing * (sides[i]! + sides[i - 1]!)) / (2 * total)
    x += sides[i]! * Math.cos(heading)
    y += sides[i]! * Math.sin(heading)
  })
  let run = 0
  for (let i = 0; i < m; i++) {
    flat[2 * loop[i]!]! -= (x * run) / total
    flat[2 * loop[i]! + 1]! -= (y * run) / total
    run += sides[i]!
  }
  const onEdge = new Uint8Array(n)
  loop.forEach((v) => (onEdge[v] = 1))
  const entries = new Entries()
  for (const v of loop) entries.add(v, v, 1)
  const side = (a: number, b: number, w: number) => {
    if (!onEdge[a]) entries.add(a, a, w)
    if (!onEdge[b]) entries.add(b, b, w)
    if (!onEdge[a] && !onEdge[b]) entries.add(a, b, -w)
    for (const [inner, edge] of [
      [a, b],
      [b, a],
    ]) {
      if (onEdge[inner!] || !onEdge[edge!]) continue
      flat[2 * inner!]! += w * flat[2 * edge!]!
      flat[2 * inner! + 1]! += w * flat[2 * edge! + 1]!
    }
  }
  for (let k = 0; k < t.length; k += 3) {
    side(t[k]!, t[k + 1]!, cotangents[k + 2]!)
    side(t[k + 1]!, t[k + 2]!, cotangents[k]!)
    side(t[k + 2]!, t[k]!, cotangents[k + 1]!)
  }
  between(n, flat, entries, order)
  return flat
}

/**
 * A flat without any flipped triangle, whatever the sheet: the edge goes on a circle by its length, every inner
 * vertex to the average of its neighbours (Tutte 1963). `area` is the sheet's; 2 numbers per vertex, mm.
 */
export function onCircle({ mesh, loop, links, order }: Start, area: number): Float64Array {
  const n = mesh.positions.length / 3
  const onEdge = new Uint8Array(n)
  loop.forEach((v) => (onEdge[v] = 1))
  const sides = loop.map((v, i) => edgeLength(mesh.positions, v, loop[(i + 1) % loop.length]!))
  const total = sides.reduce((a, b) => a + b, 0)
  const radius = Math.sqrt(area / Math.PI)
  const flat = new Float64Array(2 * n)
  let run = 0
  loop.forEach((v, i) => {
    const turned = (2 * Math.PI * run) / total
    flat[2 * v] = radius * Math.cos(turned)
    flat[2 * v + 1] = radius * Math.sin(turned)
    run += sides[i]!
  })
  const entries = new Entries()
  for (let v = 0; v < n; v++) {
    entries.add(v, v, onEdge[v] ? 1 : links[v]!.length)
    if (onEdge[v]) continue
    for (const w of links[v]!) {
      if (onEdge[w]) {
        flat[2 * v]! += flat[2 * w]!
        flat[2 * v + 1]! += flat[2 * w + 1]!
      } else if (w < v) entries.add(v, w, -1)
    }
  }
  between(n, flat, entries, order)
  return flat
}

/** How many triangles of a flat sheet lie face down. */
export function faceDown(triangles: Uint32Array, flat: Float64Array): number {
  let count = 0
  for (let k = 0; k < triangles.length; k += 3) {
    const [a, b, c] = [2 * triangles[k]!, 2 * triangles[k + 1]!, 2 * triangles[k + 2]!]
    const doubled =
      (flat[b]! - flat[a]!) * (flat[c + 1]! - flat[a + 1]!) - (flat[c]! - flat[a]!) * (flat[b + 1]! - flat[a + 1]!)
    if (!(doubled > 0)) count++
  }
  return count
}

/** The first flat to improve from: the unrolled edge where it flips nothing, else the circle. */
export function startFlat(start: Start, area: number): Float64Array {
  const unrolled = unrolledEdge(start)
  return faceDown(start.mesh.triangles, unrolled) === 0 ? unrolled : onCircle(start, area)
}
