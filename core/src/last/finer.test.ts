import { describe, expect, it } from 'vitest'
import { sampleMeasures } from '../../test/samplePair.ts'
import { finer, finerWall } from './finer.ts'
import { generateLast } from './generate.ts'
import { bodyMesh, bottomPoint, wallPoint, type LastSurface } from './surface.ts'

const surface = generateLast(sampleMeasures.flat)
/** Volume of a closed body, mm3: a sixth of the sum of a · (b x c) over its triangles. */
function volume(of: LastSurface): number {
  const { positions: p, triangles } = bodyMesh(of)
  let sum = 0
  for (let k = 0; k < triangles.length; k += 3) {
    const [a, b, c] = [0, 1, 2].map((e) => [0, 1, 2].map((d) => p[3 * triangles[k + e]! + d]!))
    sum +=
      a![0]! * (b![1]! * c![2]! - b![2]! * c![1]!) +
      a![1]! * (b![2]! * c![0]! - b![0]! * c![2]!) +
      a![2]! * (b![0]! * c![1]! - b![1]! * c![0]!)
  }
  return sum / 6
}

const gap = (a: readonly number[], b: readonly number[]) => Math.hypot(...a.map((v, d) => v - b[d]!))

describe('a surface with finer cells', () => {
  const fine = finer(surface, 3)
  it('has every point that it had where it was, and the same body between them', () => {
    for (let i = 0; i < surface.columns; i += 5) {
      for (let j = 0; j < surface.rows; j++) {
        expect(gap(wallPoint(fine, 'medial', 3 * i, 3 * j), wallPoint(surface, 'medial', i, j))).toBeLessThan(1e-9)
      }
      for (let k = 0; k < surface.across; k++) {
        expect(gap(bottomPoint(fine, 3 * i, k), bottomPoint(surface, i, k))).toBeLessThan(1e-9)
      }
    }
    expect(volume(fine) / volume(surface)).toBeCloseTo(1, 3)
  })
  it('is closed: feather line and rim of walls, bottom and cone still lie on each other', () => {
    const last = fine.columns - 1
    for (let i = 0; i <= last; i++) {
      const feather = [wallPoint(fine, 'lateral', i, 0), wallPoint(fine, 'medial', i, 0)]
      const edges = [bottomPoint(fine, i, 0), bottomPoint(fine, i, fine.across - 1)]
      for (const edge of edges) expect(Math.min(...feather.map((f) => gap(f, edge)))).toBeLessThan(1e-9)
    }
    expect(fine.coneColumn).toBe(3 * surface.coneColumn)
  })
  it('by one is the surface itself', () => {
    const same = finer(surface, 1)
    expect([same.columns, same.rows, same.across, same.coneColumn]).toEqual([
      surface.columns,
      surface.rows,
      surface.across,
      surface.coneColumn,
    ])
    expect(bodyMesh(same).triangles).toEqual(bodyMesh(surface).triangles)
    const was = bodyMesh(surface).positions
    expect(Math.max(...bodyMesh(same).positions.map((v, i) => Math.abs(v - was[i]!)))).toBeLessThan(1e-12)
  })
  it('runs straight between the points of a cell', () => {
    // f(i, j) = 2 i + 10 j + i j is bilinear: every point between must have it.
    const f = (i: number, j: number) => 2 * i + 10 * j + i * j
    const values = [0, 1, 2].flatMap((i) => [0, 1].map((j) => f(i, j)))
    const out = finerWall({ columns: 3, rows: 2 }, values, 1, 4)
    for (let u = 0; u <= 8; u++) for (let v = 0; v <= 4; v++) expect(out[u * 5 + v]).toBeCloseTo(f(u / 4, v / 4), 12)
  })
})
