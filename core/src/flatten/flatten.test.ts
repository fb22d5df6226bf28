import { describe, expect, it } from 'vitest'
import { flattenSheet } from './asRigidAsPossible.ts'
import { nestedDissection } from './nestedDissection.ts'
import { Entries, SparseCholesky } from './sparseCholesky.ts'
import { boundaryLoop, neighbours, type Mesh } from './mesh.ts'
import { meshArea, onCircle } from './onCircle.ts'

/** A grid of (n + 1) x (m + 1) points, columns along u, rows along v, outside on the left of u x v. */
function sheet(n: number, m: number, at: (u: number, v: number) => [number, number, number]): Mesh {
  const positions: number[] = []
  for (let i = 0; i <= n; i++) for (let j = 0; j <= m; j++) positions.push(...at(i / n, j / m))
  const triangles: number[] = []
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < m; j++) {
      const a = i * (m + 1) + j
      const b = a + m + 1
      triangles.push(a, b, b + 1, a, b + 1, a + 1)
    }
  }
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) }
}

function edgeErrors(mesh: Mesh, flat: Float64Array): number {
  let worst = 0
  const p = mesh.positions
  for (let k = 0; k < mesh.triangles.length; k += 3) {
    for (let e = 0; e < 3; e++) {
      const a = mesh.triangles[k + e]
      const b = mesh.triangles[k + ((e + 1) % 3)]
      const space = Math.hypot(p[3 * a] - p[3 * b], p[3 * a + 1] - p[3 * b + 1], p[3 * a + 2] - p[3 * b + 2])
      const plane = Math.hypot(flat[2 * a] - flat[2 * b], flat[2 * a + 1] - flat[2 * b + 1])
      worst = Math.max(worst, Math.abs(space - plane))
    }
  }
  return worst
}

describe('flattening', () => {
  it('a cylinder cut along its rulings unrolls without strain', () => {
    const cylinder = sheet(48, 12, (u, v) => [40 * Math.cos(2.6 * u), 40 * Math.sin(2.6 * u), 70 * v])
    const result = flattenSheet(cylinder)
    expect(edgeErrors(cylinder, result.flat)).toBeLessThan(1e-4)
    expect(result.flipped).toBe(0)
    expect(result.energy).toBeLessThan(1e-6)
    expect(result.rounds).toBeLessThan(40)
  })
  it('a cone unrolls to a sector of its own slant', () => {
    const [r, h] = [30, 60]
    const slant = Math.hypot(r, h)
    const cone = sheet(40, 1, (u, v) => {
      const s = 0.25 + 0.75 * v
      return [r * s * Math.cos(2 * u), r * s * Math.sin(2 * u), h * (1 - s)]
    })
    const { flat } = flattenSheet(cone)
    // The outer corners stand slant apart round an apex angle of 2 r / slant.
    const [a, b] = [1, 40 * 2 + 1]
    const chord = Math.hypot(flat[2 * a] - flat[2 * b], flat[2 * a + 1] - flat[2 * b + 1])
    expect(chord).toBeCloseTo(2 * slant * Math.sin(r / slant), 0)
  })
  it('a dome cannot be flat: its strain is small, even on both sides, and nothing is flipped', () => {
    const dome = sheet(24, 24, (u, v) => {
      const [a, b] = [(u - 0.5) * 1.4, (v - 0.5) * 1.4]
      return [50 * Math.sin(a) * Math.cos(b), 50 * Math.sin(b), 50 * Math.cos(a) * Math.cos(b)]
    })
    const { strain, flipped, energy } = flattenSheet(dome)
    expect(flipped).toBe(0)
    expect(energy).toBeGreaterThan(1)
    expect(Math.max(...strain)).toBeLessThan(1.15)
  })
  it('the same in any unit', () => {
    const at = (scale: number) =>
      sheet(16, 10, (u, v): [number, number, number] => [
        scale * 80 * u,
        scale * 50 * v,
        scale * 9 * Math.sin(3 * u) * v,
      ])
    const one = flattenSheet(at(1))
    const ten = flattenSheet(at(10))
    expect(ten.energy / one.energy).toBeCloseTo(100, 0)
  })
  it('the start on a circle has no flipped triangle and the right area', () => {
    const mesh = sheet(14, 9, (u, v) => [90 * u, 50 * v, 12 * Math.sin(4 * u)])
    const links = neighbours(mesh.positions.length / 3, mesh.triangles)
    const flat = onCircle(mesh, links, nestedDissection(links))
    let area = 0
    for (let k = 0; k < mesh.triangles.length; k += 3) {
      const [a, b, c] = [...mesh.triangles.slice(k, k + 3)].map((v) => [flat[2 * v], flat[2 * v + 1]])
      const doubled = (b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1])
      expect(doubled).toBeGreaterThan(-1e-9)
      area += doubled / 2
    }
    expect(area / meshArea(mesh)).toBeCloseTo(1, 1)
  })
  it('refuses what is not a sheet', () => {
    const tetrahedron: Mesh = {
      positions: Float64Array.from([0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0, 1]),
      triangles: Uint32Array.from([0, 2, 1, 0, 1, 3, 1, 2, 3, 0, 3, 2]),
    }
    expect(() => boundaryLoop(tetrahedron)).toThrow(/closed body/)
    const tube = sheet(8, 2, (u, v) => [u, v, 0])
    const two: Mesh = {
      positions: Float64Array.from([...tube.positions, ...tube.positions]),
      triangles: Uint32Array.from([...tube.triangles, ...tube.triangles.map((t) => t + tube.positions.length / 3)]),
    }
    expect(() => boundaryLoop(two)).toThrow(/more than one/)
  })
})

describe('the sparse solver', () => {
  it('solves a Laplacian as a dense elimination does', () => {
    const mesh = sheet(7, 6, (u, v) => [u, v, 0])
    const links = neighbours(mesh.positions.length / 3, mesh.triangles)
    const n = links.length
    const entries = new Entries()
    const dense = Array.from({ length: n }, () => new Array<number>(n).fill(0))
    links.forEach((l, v) => {
      entries.add(v, v, l.length + 0.5)
      dense[v][v] = l.length + 0.5
      for (const w of l) {
        dense[v][w] = -1
        if (w < v) entries.add(v, w, -1)
      }
    })
    const b = Float64Array.from({ length: 2 * n }, (_, i) => Math.sin(i))
    const x = new Float64Array(2 * n)
    new SparseCholesky(n, entries, nestedDissection(links)).solve(b, x)
    for (let r = 0; r < n; r++) {
      for (const c of [0, 1]) {
        const product = dense[r].reduce((s, v, k) => s + v * x[2 * k + c], 0)
        expect(product).toBeCloseTo(b[2 * r + c], 9)
      }
    }
  })
  it('orders every vertex once and fills in far less than a band would', () => {
    const mesh = sheet(40, 40, (u, v) => [u, v, 0])
    const links = neighbours(mesh.positions.length / 3, mesh.triangles)
    const order = nestedDissection(links)
    expect(new Set(order).size).toBe(links.length)
    const entries = new Entries()
    links.forEach((l, v) => {
      entries.add(v, v, l.length + 1)
      for (const w of l) if (w < v) entries.add(v, w, -1)
    })
    const factor = new SparseCholesky(links.length, entries, order)
    // A band of 42 below each of 1681 diagonals is what row by row numbering would give.
    expect(factor.size).toBeLessThan(0.65 * 42 * 1681)
  })
  it('takes a graph in pieces and a matrix that is not positive definite', () => {
    const links = [[1], [0], [3], [2], []]
    expect([...nestedDissection(links)].sort()).toEqual([0, 1, 2, 3, 4])
    const entries = new Entries()
    entries.add(0, 0, 1)
    entries.add(1, 1, 1)
    entries.add(0, 1, -2)
    expect(() => new SparseCholesky(2, entries, Int32Array.from([0, 1]))).toThrow(/no area/)
  })
})
