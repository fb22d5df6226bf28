import { Anderson } from './anderson.ts'
import { meshArea } from './area.ts'
import { discEdge, neighbours, type Mesh } from './mesh.ts'
import { layTriangles, pull } from './localStep.ts'
import { nestedDissection } from './nestedDissection.ts'
import { SparseCholesky, SparsePattern } from './sparseCholesky.ts'
import { startFlat } from './startFlat.ts'

/**
 * A sheet laid flat. `flat` holds 2 numbers per vertex, mm; `stretch` the two singular values of every triangle's map
 * from the body to the flat, the larger first (1 = true length; below 1 the flat is shorter than the body); `strain`
 * the larger of the first and the inverse of the second.
 */
export interface FlatSheet {
  flat: Float64Array
  stretch: Float64Array
  strain: Float64Array
  /** Sum of area ((s1 - 1)^2 + (s2 - 1)^2), mm^2, every triangle counted once whatever its weight. */
  energy: number
  rounds: number
  flipped: number
}

/**
 * Stop when no vertex would move more than this in a plain round, as a share of the sheet's size (the root of its
 * area: 7e-4 mm on a wall of a last); the true error is about 16 times as much.
 */
const STEP = 5e-6
/** A sheet of area 1 with less energy than this can be developed; then it is followed down to rounding. */
const DEVELOPABLE = 1e-6
const FINE_STEP = 1e-12
/**
 * One that nearly can has a little energy that stays: there the steps go on shrinking for hundreds of rounds in which
 * nothing is gained. It is done when so many rounds have taken less than this share of what is left.
 */
const WINDOW = 10
const GAINED = 5e-4
/** The energy is a difference of sums near 1, so it is known to this. */
const ROUNDING = 1e-13
const MOST_ROUNDS = 400
/** Rounds that the acceleration looks back on. */
const DEPTH = 6

/** Makes triangles count more than others: their cotangents are what the energy weighs them by. */
function weigh(corners: Float64Array, weights: Float64Array): void {
  weights.forEach((w, f) => {
    for (let k = 6 * f + 3; k < 6 * f + 6; k++) corners[k]! *= w
  })
}

interface Topology {
  vertices: number
  loop: number[]
  links: number[][]
  order: Int32Array
  /** Of the matrix that is factored: every vertex with itself, then the three sides of every triangle. */
  pattern: SparsePattern
}

/** What depends on the triangles alone: walls of all lasts share theirs, so it is worked out once. */
const topologies = new WeakMap<Uint32Array, Topology>()

function topologyOf(mesh: Mesh): Topology {
  const vertices = mesh.positions.length / 3
  const known = topologies.get(mesh.triangles)
  if (known?.vertices === vertices) return known
  const loop = discEdge(mesh)
  const links = neighbours(vertices, mesh.triangles)
  const order = nestedDissection(links)
  const made = { vertices, loop, links, order, pattern: patternOf(vertices, mesh.triangles, order) }
  topologies.set(mesh.triangles, made)
  return made
}

function patternOf(n: number, t: Uint32Array, order: Int32Array): SparsePattern {
  const rows = new Int32Array(n + t.length)
  const columns = new Int32Array(n + t.length)
  for (let v = 0; v < n; v++) rows[v] = columns[v] = v
  for (let k = 0; k < t.length; k++) {
    rows[n + k] = t[k]!
    columns[n + k] = t[k % 3 === 2 ? k - 2 : k + 1]!
  }
  return new SparsePattern(n, rows, columns, order)
}

/** Cotangent weights in the order of the pattern; vertex 0 is pinned. */
function laplacian(n: number, t: Uint32Array, corners: Float64Array): Float64Array {
  const values = new Float64Array(n + t.length)
  for (let k = 0; k < t.length; k += 3) {
    // The weight of a side is the cotangent of the corner across from it.
    for (let e = 0; e < 3; e++) {
      const [i, j] = [t[k + e]!, t[k + ((e + 1) % 3)]!]
      const w = corners[2 * k + 3 + ((e + 2) % 3)]! / 2
      values[i]! += w
      values[j]! += w
      values[n + k + e] = -w
    }
  }
  values[0]! += 1
  return values
}

/**
 * Lays a disc flat with as little change of lengths as can be: local/global as-rigid-as-possible
 * (Liu, Zhang, Xu, Gotsman, Gortler 2008), cotangent weights, one vertex pinned, factored once.
 * Starts from the unrolled edge, or from a circle where that would flip a triangle; Anderson acceleration saves two
 * thirds of the rounds.
 * Works at the size of a sheet of area 1, so that the answer does not depend on the unit. `weights`, one per
 * triangle, make some keep their lengths before others. A `start` that is near already (mm) saves rounds. Throws GeometryError when the mesh is not a disc.
 */
export function flattenSheet(mesh: Mesh, weights?: Float64Array, start?: Float64Array): FlatSheet {
  const { loop, links, order, pattern } = topologyOf(mesh)
  const n = mesh.positions.length / 3
  const area = meshArea(mesh)
  const size = Math.sqrt(area)
  const t = mesh.triangles
  const corners = layTriangles(mesh, 1 / size)
  const cotangents = Float64Array.from({ length: t.length }, (_, k) => corners[6 * Math.floor(k / 3) + 3 + (k % 3)]!)
  if (weights) weigh(corners, weights)
  const factor = new SparseCholesky(pattern, laplacian(n, t, corners))
  const flat = start?.slice() ?? startFlat({ mesh, loop, links, order, cotangents }, area)
  for (let k = 0; k < 2 * n; k++) flat[k]! /= size
  const pulled = new Float64Array(2 * n)
  const next = new Float64Array(2 * n)
  const work = new Float64Array(2 * n)
  const ahead = new Anderson(2 * n, DEPTH)
  const safe = new Float64Array(2 * n)
  let lowest = Infinity
  let rounds = 0
  const nothingGained = plateau(t, corners)
  for (; rounds < MOST_ROUNDS; rounds++) {
    pulled.fill(0)
    const energy = pull(t, corners, flat, pulled)
    if (energy > lowest * (1 + 1e-12) + ROUNDING) {
      // The leap went uphill: take the plain step instead, which never does.
      flat.set(safe)
      lowest = Infinity
      ahead.reset()
      continue
    }
    lowest = energy
    // The pin holds vertex 0 where it is; any place would do.
    pulled[0]! += flat[0]!
    pulled[1]! += flat[1]!
    factor.solve(pulled, next, work)
    let most = 0
    for (let k = 0; k < 2 * n; k += 2) {
      const dx = next[k]! - flat[k]!
      const dy = next[k + 1]! - flat[k + 1]!
      const moved = dx * dx + dy * dy
      if (moved > most) most = moved
    }
    safe.set(next)
    if (most < STEP ** 2 && (energy >= DEVELOPABLE || most < FINE_STEP ** 2 || nothingGained(rounds, next))) {
      flat.set(next)
      break
    }
    ahead.next(flat, next, flat)
  }
  const figures = strains(t, corners, flat)
  for (let k = 0; k < 2 * n; k++) flat[k]! *= size
  return { flat, rounds, ...figures, energy: figures.energy * size * size }
}

/**
 * Says whether a window of rounds has gained nothing worth another one. The energy is summed anew from the triangles:
 * the sum that the rounds themselves give is known to a part in 10^13 of the area only, which is more than all of it here.
 */
function plateau(t: Uint32Array, corners: Float64Array): (round: number, flat: Float64Array) => boolean {
  let before = Infinity
  let looked = -WINDOW
  return (round, flat) => {
    if (round - looked < WINDOW) return false
    looked = round
    const { energy } = strains(t, corners, flat)
    const gained = energy <= before * (1 - GAINED)
    before = energy
    return !gained
  }
}

/** Stretch, strain, energy and flips of a sheet that was laid flat some other way. */
export function stretchOf(
  mesh: Mesh,
  flat: Float64Array,
): Pick<FlatSheet, 'stretch' | 'strain' | 'energy' | 'flipped'> {
  return strains(mesh.triangles, layTriangles(mesh, 1), flat)
}

function strains(t: Uint32Array, corners: Float64Array, flat: Float64Array) {
  const stretch = new Float64Array((2 * t.length) / 3)
  const strain = new Float64Array(t.length / 3)
  let energy = 0
  let flipped = 0
  for (let k = 0, f = 0; k < t.length; k += 3, f++) {
    const [bx, cx, cy] = corners.subarray(2 * k, 2 * k + 3)
    const [a, b, c] = [2 * t[k]!, 2 * t[k + 1]!, 2 * t[k + 2]!]
    // Jacobian from the laid triangle to the flat one.
    const j00 = (flat[b]! - flat[a]!) / bx!
    const j10 = (flat[b + 1]! - flat[a + 1]!) / bx!
    const j01 = (flat[c]! - flat[a]! - j00 * cx!) / cy!
    const j11 = (flat[c + 1]! - flat[a + 1]! - j10 * cx!) / cy!
    const det = j00 * j11 - j01 * j10
    const sum = Math.hypot(j00 + j11, j10 - j01)
    const difference = Math.hypot(j00 - j11, j10 + j01)
    const s1 = (sum + difference) / 2
    const s2 = Math.abs(sum - difference) / 2
    if (det <= 0) flipped++
    energy += ((bx! * cy!) / 2) * ((s1 - 1) ** 2 + ((det < 0 ? -s2 : s2) - 1) ** 2)
    stretch[2 * f] = s1
    stretch[2 * f + 1] = s2
    strain[f] = Math.max(s1, 1 / Math.max(s2, 1e-9))
  }
  return { stretch, strain, energy, flipped }
}
