import type { Vec3 } from './vec3.ts'
import { ROUNDING } from './tolerance.ts'

/** Triangles to measure distances to: positions 3 per vertex, mm. */
export interface TriangleMesh {
  positions: Float64Array | Float32Array
  triangles: Uint32Array
}

/** Nearest point of a mesh: its distance in mm, where it is, and on which triangle. */
export interface ClosestPoint {
  distance: number
  point: Vec3
  triangle: number
}

/**
 * Nearest point of a triangle (Ericson, Real-Time Collision Detection, 5.1.5), written to `out`; returns the
 * squared distance. `p`, `q`, `r` are offsets into `v`.
 */
function closestOnTriangle(v: ArrayLike<number>, p: number, q: number, r: number, at: Vec3, out: Float64Array): number {
  const abx = v[q]! - v[p]!
  const aby = v[q + 1]! - v[p + 1]!
  const abz = v[q + 2]! - v[p + 2]!
  const acx = v[r]! - v[p]!
  const acy = v[r + 1]! - v[p + 1]!
  const acz = v[r + 2]! - v[p + 2]!
  const apx = at[0] - v[p]!
  const apy = at[1] - v[p + 1]!
  const apz = at[2] - v[p + 2]!
  const d1 = abx * apx + aby * apy + abz * apz
  const d2 = acx * apx + acy * apy + acz * apz
  const bpx = at[0] - v[q]!
  const bpy = at[1] - v[q + 1]!
  const bpz = at[2] - v[q + 2]!
  const d3 = abx * bpx + aby * bpy + abz * bpz
  const d4 = acx * bpx + acy * bpy + acz * bpz
  const cpx = at[0] - v[r]!
  const cpy = at[1] - v[r + 1]!
  const cpz = at[2] - v[r + 2]!
  const d5 = abx * cpx + aby * cpy + abz * cpz
  const d6 = acx * cpx + acy * cpy + acz * cpz
  const va = d3 * d6 - d5 * d4
  const vb = d5 * d2 - d1 * d6
  const vc = d1 * d4 - d3 * d2
  let s: number
  let t: number
  if (d1 <= 0 && d2 <= 0) [s, t] = [0, 0]
  else if (d3 >= 0 && d4 <= d3) [s, t] = [1, 0]
  else if (vc <= 0 && d1 >= 0 && d3 <= 0) [s, t] = [d1 / (d1 - d3), 0]
  else if (d6 >= 0 && d5 <= d6) [s, t] = [0, 1]
  else if (vb <= 0 && d2 >= 0 && d6 <= 0) [s, t] = [0, d2 / (d2 - d6)]
  else if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
    const w = (d4 - d3) / (d4 - d3 + (d5 - d6))
    ;[s, t] = [1 - w, w]
  } else {
    const den = 1 / (va + vb + vc)
    ;[s, t] = [vb * den, vc * den]
  }
  out[0] = v[p]! + abx * s + acx * t
  out[1] = v[p + 1]! + aby * s + acy * t
  out[2] = v[p + 2]! + abz * s + acz * t
  return (out[0] - at[0]) ** 2 + (out[1] - at[1]) ** 2 + (out[2] - at[2]) ** 2
}

/** Most cells along an edge of the grid: keeps its memory bounded whatever the mesh. */
const MOST_CELLS = 96

/** Finds nearest points of a mesh; triangles are sorted into a uniform grid of boxes once. */
export class ClosestPoints {
  private readonly min: [number, number, number] = [Infinity, Infinity, Infinity]
  private readonly count: [number, number, number] = [1, 1, 1]
  private readonly cell: number
  private readonly start: Int32Array
  private readonly list: Int32Array
  private readonly seen: Int32Array
  private stamp = 0
  private readonly hit = new Float64Array(3)

  constructor(
    private readonly mesh: TriangleMesh,
    cell = 6,
  ) {
    const { positions: v, triangles: t } = mesh
    const max: [number, number, number] = [-Infinity, -Infinity, -Infinity]
    for (let k = 0; k < v.length; k++) {
      const c = k % 3
      if (v[k]! < this.min[c]!) this.min[c] = v[k]!
      if (v[k]! > max[c]!) max[c] = v[k]!
    }
    const widest = Math.max(max[0] - this.min[0], max[1] - this.min[1], max[2] - this.min[2], ROUNDING)
    this.cell = Math.max(cell, widest / MOST_CELLS)
    for (let c = 0; c < 3; c++) this.count[c] = Math.max(1, Math.floor((max[c]! - this.min[c]!) / this.cell) + 1)
    const cells = this.count[0] * this.count[1] * this.count[2]
    const counts = new Int32Array(cells + 1)
    this.eachCell(t, v, (cellIndex) => counts[cellIndex + 1]!++)
    for (let c = 0; c < cells; c++) counts[c + 1]! += counts[c]!
    this.start = counts
    this.list = new Int32Array(counts[cells]!)
    const fill = counts.slice(0, cells)
    this.eachCell(t, v, (cellIndex, triangle) => (this.list[fill[cellIndex]!++] = triangle))
    this.seen = new Int32Array(t.length / 3)
  }

  /** The box along axis `c` in which a value lies, the outermost ones going on without end. */
  private index(c: number, value: number): number {
    const i = Math.floor((value - this.min[c]!) / this.cell)
    return i < 0 ? 0 : i >= this.count[c]! ? this.count[c]! - 1 : i
  }

  /** Every box that the box round a triangle touches. Called for each triangle: nothing is made on the way. */
  private eachCell(t: Uint32Array, v: ArrayLike<number>, visit: (cell: number, triangle: number) => void): void {
    const low = (c: number, k: number) =>
      this.index(c, Math.min(v[3 * t[k]! + c]!, v[3 * t[k + 1]! + c]!, v[3 * t[k + 2]! + c]!))
    const high = (c: number, k: number) =>
      this.index(c, Math.max(v[3 * t[k]! + c]!, v[3 * t[k + 1]! + c]!, v[3 * t[k + 2]! + c]!))
    const [, ny, nz] = this.count
    for (let k = 0; k < t.length; k += 3) {
      const x1 = high(0, k)
      const [y0, y1] = [low(1, k), high(1, k)]
      const [z0, z1] = [low(2, k), high(2, k)]
      for (let x = low(0, k); x <= x1; x++) {
        for (let y = y0; y <= y1; y++) {
          for (let z = z0; z <= z1; z++) visit((x * ny + y) * nz + z, k / 3)
        }
      }
    }
  }

  /** The nearest point to `at`: boxes are searched in growing shells until none can hold a nearer one. */
  to(at: Vec3): ClosestPoint {
    const { positions: v, triangles: t } = this.mesh
    const home = [0, 1, 2].map((c) => this.index(c, at[c]!))
    // How far `at` lies outside the grid along any one axis, and how far inside the walls of its own box.
    let outside = 0
    let margin = Infinity
    for (let c = 0; c < 3; c++) {
      const from = this.min[c]!
      const to = this.min[c]! + this.count[c]! * this.cell
      outside = Math.max(outside, from - at[c]!, at[c]! - to, 0)
      const low = from + home[c]! * this.cell
      if (this.count[c]! > 1) margin = Math.min(margin, at[c]! - low, low + this.cell - at[c]!)
    }
    margin = Math.max(0, margin)
    this.stamp++
    let best = Infinity
    const point: [number, number, number] = [at[0], at[1], at[2]]
    let triangle = -1
    const far = Math.max(...this.count)
    for (let ring = 0; ring <= far; ring++) {
      // Boxes of this shell are at least so far along one axis, and outside the grid along another perhaps.
      const clear = (ring - 1) * this.cell + margin
      if (ring > 0 && clear * clear + outside * outside > best) break
      for (let x = home[0]! - ring; x <= home[0]! + ring; x++) {
        if (x < 0 || x >= this.count[0]) continue
        const xEdge = Math.abs(x - home[0]!) === ring
        for (let y = home[1]! - ring; y <= home[1]! + ring; y++) {
          if (y < 0 || y >= this.count[1]) continue
          const step = xEdge || Math.abs(y - home[1]!) === ring ? 1 : Math.max(1, 2 * ring)
          for (let z = home[2]! - ring; z <= home[2]! + ring; z += step) {
            if (z < 0 || z >= this.count[2]) continue
            const cell = (x * this.count[1] + y) * this.count[2] + z
            for (let n = this.start[cell]!; n < this.start[cell + 1]!; n++) {
              const k = this.list[n]!
              if (this.seen[k] === this.stamp) continue
              this.seen[k] = this.stamp
              const d = closestOnTriangle(v, t[k * 3]! * 3, t[k * 3 + 1]! * 3, t[k * 3 + 2]! * 3, at, this.hit)
              if (d < best) {
                best = d
                triangle = k!
                point[0] = this.hit[0]!
                point[1] = this.hit[1]!
                point[2] = this.hit[2]!
              }
            }
          }
        }
      }
    }
    return { distance: Math.sqrt(best), point, triangle }
  }
}
