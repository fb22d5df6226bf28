import { describe, expect, it } from 'vitest'
import { flattenSheet } from './asRigidAsPossible.ts'
import { nestedDissection } from './nestedDissection.ts'
import { Entries, factored } from './sparseCholesky.ts'
import { boundaryLoop, neighbours, type Mesh } from './mesh.ts'
import { meshArea } from './area.ts'
import { faceDown, onCircle, unrolledEdge } from './startFlat.ts'
import { firstSelfIntersection } from '../geometry/selfIntersection.ts'
import { gridSeams, seamDrift, seamWeights } from './seams.ts'
import { sheetTriangles } from '../forme/wallGrid.ts'

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
      const a = mesh.triangles[k + e]!
      const b = mesh.triangles[k + ((e + 1) % 3)]!
      const space = Math.hypot(p[3 * a]! - p[3 * b]!, p[3 * a + 1]! - p[3 * b + 1]!, p[3 * a + 2]! - p[3 * b + 2]!)
      const plane = Math.hypot(flat[2 * a]! - flat[2 * b]!, flat[2 * a + 1]! - flat[2 * b + 1]!)
      worst = Math.max(worst, Math.abs(space - plane))
    }
  }
  return worst
}

/** Sum of area ((s1 - 1)^2 + (s2 - 1)^2), from the eigenvalues of J'J: another way than the solver's own. */
function arapEnergy(mesh: Mesh, flat: Float64Array): number {
  const p = mesh.positions
  let sum = 0
  for (let k = 0; k < mesh.triangles.length; k += 3) {
    const [a, b, c] = mesh.triangles.slice(k, k + 3)
    const side = (i: number, j: number) => [0, 1, 2].map((d) => p[3 * j + d]! - p[3 * i + d]!)
    const [u, w] = [side(a!, b!), side(a!, c!)]
    const dot = (x: number[], y: number[]) => x.reduce((s, v, d) => s + v * y[d]!, 0)
    const [e, f, g] = [dot(u, u), dot(u, w), dot(w, w)]
    const plane = (i: number, j: number) => [flat[2 * j]! - flat[2 * i]!, flat[2 * j + 1]! - flat[2 * i + 1]!]
    const [q, r] = [plane(a!, b!), plane(a!, c!)]
    const [E, F, G] = [dot(q, q), dot(q, r), dot(r, r)]
    // Squares of the singular values solve det(second - m first) = 0 of the two first fundamental forms.
    const det = e * g - f * f
    const half = (E * g - 2 * F * f + G * e) / (2 * det)
    const prod = (E * G - F * F) / det
    const root = Math.sqrt(Math.max(0, half * half - prod))
    sum += (Math.sqrt(det) / 2) * ((Math.sqrt(half + root) - 1) ** 2 + (Math.sqrt(Math.max(0, half - root)) - 1) ** 2)
  }
  return sum
}

describe('flattening', () => {
  it('a cylinder cut along its rulings unrolls without strain', () => {
    const cylinder = sheet(48, 12, (u, v) => [40 * Math.cos(2.6 * u), 40 * Math.sin(2.6 * u), 70 * v])
    const result = flattenSheet(cylinder)
    expect(edgeErrors(cylinder, result.flat)).toBeLessThan(1e-9)
    expect(result.flipped).toBe(0)
    expect(result.energy).toBeLessThan(1e-9)
    expect(result.rounds).toBeLessThan(80)
  })
  it('a cone unrolls to a sector of its own slant', () => {
    const [r, h] = [30, 60]
    const slant = Math.hypot(r, h)
    const cone = sheet(40, 1, (u, v) => {
      const s = 0.25 + 0.75 * v
      return [r * s * Math.cos(2 * u), r * s * Math.sin(2 * u), h * (1 - s)]
    })
    const { flat } = flattenSheet(cone)
    expect(edgeErrors(cone, flat)).toBeLessThan(1e-9)
    // The outer corners stand slant apart round an apex angle of 2 r / slant.
    const [a, b] = [1, 40 * 2 + 1]
    const chord = Math.hypot(flat[2 * a]! - flat[2 * b]!, flat[2 * a + 1]! - flat[2 * b + 1]!)
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
    const inch = flattenSheet(at(25.4))
    expect(inch.energy / one.energy).toBeCloseTo(25.4 ** 2, 6)
    expect(inch.rounds).toBe(one.rounds)
    one.flat.forEach((x, k) => expect(inch.flat[k]! / 25.4).toBeCloseTo(x, 9))
  })
  it('the start on a circle has no flipped triangle and the right area', () => {
    const mesh = sheet(14, 9, (u, v) => [90 * u, 50 * v, 12 * Math.sin(4 * u)])
    const links = neighbours(mesh.positions.length / 3, mesh.triangles)
    const start = {
      mesh,
      loop: boundaryLoop(mesh),
      links,
      order: nestedDissection(links),
      cotangents: new Float64Array(),
    }
    const flat = onCircle(start, meshArea(mesh))
    expect(faceDown(mesh.triangles, flat)).toBe(0)
    let area = 0
    for (let k = 0; k < mesh.triangles.length; k += 3) {
      const [a, b, c] = [...mesh.triangles.slice(k, k + 3)].map((v) => [flat[2 * v], flat[2 * v + 1]])
      const doubled = (b![0]! - a![0]!) * (c![1]! - a![1]!) - (c![0]! - a![0]!) * (b![1]! - a![1]!)
      expect(doubled).toBeGreaterThan(-1e-9)
      area += doubled / 2
    }
    expect(area / meshArea(mesh)).toBeCloseTo(1, 1)
  })
  it('follows the energy down to its floor: no small move of a point goes lower', () => {
    const dome = sheet(20, 12, (u, v) => [120 * u, 60 * v, 20 * Math.sin(3 * u) * Math.sin(3 * v)])
    const { flat, energy } = flattenSheet(dome)
    const of = (f: Float64Array) => arapEnergy(dome, f)
    expect(of(flat)).toBeCloseTo(energy, 8)
    for (let k = 0; k < flat.length; k += 7) {
      for (const by of [0.002, -0.002]) {
        const moved = flat.slice()
        moved[k]! += by
        expect(of(moved)).toBeGreaterThan(energy - 1e-9)
      }
    }
  })
  it('the kept seams of a wall keep their length, and the strain goes elsewhere', () => {
    const wall = sheet(30, 8, (u, v) => [200 * u, 12 * Math.sin(3 * u) * v, 60 * v + 14 * Math.sin(4 * u) * v * v])
    const plain = flattenSheet(wall)
    const seams = gridSeams(wall)
    expect(seams.back).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8])
    expect([...seams.rim, ...seams.ridge.slice(1)]).toHaveLength(31)
    const kept = flattenSheet(wall, seamWeights(wall, [seams.back, seams.rim, seams.ridge]))
    for (const line of [seams.rim, seams.ridge]) {
      const [before, after] = [seamDrift(wall, plain.flat, line), seamDrift(wall, kept.flat, line)]
      expect(Math.abs(after.plane - after.space)).toBeLessThan(0.25 * Math.abs(before.plane - before.space) + 0.01)
    }
    expect(kept.energy).toBeGreaterThan(plain.energy)
    expect(kept.flipped).toBe(0)
  })
  it('a sheet that winds over itself is seen to', () => {
    const ring = sheet(60, 2, (u, v) => {
      const r = 20 + 8 * v + 4 * u
      return [r * Math.cos(7 * u), r * Math.sin(7 * u), 0]
    })
    const { flat } = flattenSheet(ring)
    const edge = boundaryLoop(ring).map((v): [number, number] => [flat[2 * v]!, flat[2 * v + 1]!])
    expect(firstSelfIntersection(edge)).not.toBeNull()
    expect(
      firstSelfIntersection([
        [0, 0],
        [4, 0],
        [4, 3],
        [0, 3],
      ]),
    ).toBeNull()
    expect(
      firstSelfIntersection([
        [0, 0],
        [4, 3],
        [4, 0],
        [0, 3],
      ]),
    ).toEqual([0, 2])
  })
  it('the unrolled edge of what can be developed is true from the start', () => {
    const cone = sheet(30, 6, (u, v) => [(20 + 30 * v) * Math.cos(4 * u), (20 + 30 * v) * Math.sin(4 * u), 55 * v])
    const { rounds, flat } = flattenSheet(cone)
    expect(rounds).toBeLessThan(3)
    expect(edgeErrors(cone, flat)).toBeLessThan(1e-9)
    const links = neighbours(cone.positions.length / 3, cone.triangles)
    const cotangents = new Float64Array(cone.triangles.length).fill(1)
    // Angles of 45 degrees everywhere are no cone's: the unrolled edge still closes.
    const wrong = unrolledEdge({
      mesh: cone,
      loop: boundaryLoop(cone),
      links,
      order: nestedDissection(links),
      cotangents,
    })
    expect(wrong.every(Number.isFinite)).toBe(true)
  })
  it('a sheet that goes more than half round a ball is laid flat without a flip', () => {
    const ball = sheet(40, 40, (u, v) => {
      const [a, b] = [(u - 0.5) * 4, (v - 0.5) * 2.6]
      return [30 * Math.sin(a) * Math.cos(b), 30 * Math.sin(b), 30 * Math.cos(a) * Math.cos(b)]
    })
    const { flipped, flat } = flattenSheet(ball)
    expect(flipped).toBe(0)
    expect(faceDown(ball.triangles, flat)).toBe(0)
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
    // A torus with one cell cut out has one edge loop and yet cannot lie flat.
    const n = 8
    const cell = (i: number, j: number) => ((i + n) % n) * n + ((j + n) % n)
    const torus: Mesh = {
      positions: Float64Array.from(
        Array.from({ length: n * n }, (_, k) => {
          const [a, b] = [(2 * Math.PI * Math.floor(k / n)) / n, (2 * Math.PI * (k % n)) / n]
          return [(30 + 9 * Math.cos(b)) * Math.cos(a), (30 + 9 * Math.cos(b)) * Math.sin(a), 9 * Math.sin(b)]
        }).flat(),
      ),
      triangles: Uint32Array.from(
        Array.from({ length: n * n - 1 }, (_, k) => {
          const [i, j] = [Math.floor((k + 1) / n), (k + 1) % n]
          return [cell(i, j), cell(i + 1, j), cell(i + 1, j + 1), cell(i, j), cell(i + 1, j + 1), cell(i, j + 1)]
        }).flat(),
      ),
    }
    expect(() => flattenSheet(torus)).toThrow(/handle/)
    const idle: Mesh = { ...tube, positions: Float64Array.from([...tube.positions, 9, 9, 9]) }
    expect(() => flattenSheet(idle)).toThrow(/belongs to no triangle/)
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
      dense[v]![v] = l.length + 0.5
      for (const w of l) {
        dense[v]![w] = -1
        if (w < v) entries.add(v, w, -1)
      }
    })
    const b = Float64Array.from({ length: 2 * n }, (_, i) => Math.sin(i))
    const x = new Float64Array(2 * n)
    factored(n, entries, nestedDissection(links)).solve(b, x)
    for (let r = 0; r < n; r++) {
      for (const c of [0, 1]) {
        const product = dense[r]!.reduce((s, v, k) => s + v * x[2 * k + c]!, 0)
        expect(product).toBeCloseTo(b[2 * r + c]!, 9)
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
    const factor = factored(links.length, entries, order)
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
    expect(() => factored(2, entries, Int32Array.from([0, 1]))).toThrow(/no area/)
  })
})

describe('a strip that can nearly be developed', () => {
  /** A long band round a cone, with so much noise in its points, mm. */
  const band = (noise: number) => {
    const [nu, nv] = [200, 5]
    let seed = 1
    const chance = () => (seed = (seed * 16807) % 2147483647) / 2147483647 - 0.5
    const positions: number[] = []
    for (let i = 0; i < nu; i++) {
      for (let j = 0; j < nv; j++) {
        const [a, w] = [i / 40, (j / (nv - 1) - 0.5) * 14]
        const r = 80 + 0.7 * w
        positions.push(
          r * Math.cos(a) + noise * chance(),
          r * Math.sin(a) + noise * chance(),
          0.7 * w + noise * chance(),
        )
      }
    }
    return { positions: Float64Array.from(positions), triangles: sheetTriangles(nu, nv) }
  }
  it.each([1e-6, 1e-4, 1e-2])(
    'with %s mm of noise is done when nothing more is gained, not hundreds of rounds later',
    (noise) => {
      const sheet = flattenSheet(band(noise))
      expect(sheet.rounds).toBeLessThan(140)
      expect(sheet.flipped).toBe(0)
      // What is left is what the noise alone asks for: strains of its own size over the length of a cell.
      expect(Math.max(...sheet.strain) - 1).toBeLessThan(2 * noise)
    },
  )
  it('without any is exact to rounding', () => {
    const sheet = flattenSheet(band(0))
    expect(sheet.energy).toBeLessThan(1e-18)
    expect(Math.max(...sheet.strain) - 1).toBeLessThan(1e-9)
  })
  it('two pieces are refused because they are two, whatever their edges', () => {
    const one = band(0)
    const n = one.positions.length / 3
    const two = {
      positions: Float64Array.from([...one.positions, ...one.positions.map((v) => v + 500)]),
      triangles: Uint32Array.from([...one.triangles, ...one.triangles.map((v) => v + n)]),
    }
    expect(() => flattenSheet(two)).toThrow(/falls apart into 2 pieces/)
    // A closed body beside a sheet is a second piece too, and not an edge too many.
    const ball = [0, 2, 1, 0, 1, 3, 1, 2, 3, 0, 3, 2].map((v) => v + n)
    const corners = [0, 0, 0, 9, 0, 0, 0, 9, 0, 0, 0, 9].map((v) => v + 900)
    expect(() =>
      flattenSheet({
        positions: Float64Array.from([...one.positions, ...corners]),
        triangles: Uint32Array.from([...one.triangles, ...ball]),
      }),
    ).toThrow(/falls apart into 2 pieces/)
  })
})
