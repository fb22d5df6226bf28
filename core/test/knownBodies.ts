import type { LastSurface } from '../src/last/surface.ts'
import type { TriangleMesh } from '../src/geometry/closestPoint.ts'

/** A level cylinder about the x axis, as a surface in the canonical layout: feather at the bottom, ridge at the top. */
export function cylinder(r: number, length: number, columns = 97, rows = 65): LastSurface {
  const wall = (sign: number) => {
    const w = new Float64Array(columns * rows * 3)
    for (let i = 0; i < columns; i++) {
      for (let j = 0; j < rows; j++) {
        const a = (Math.PI * j) / (rows - 1)
        w.set([(length * i) / (columns - 1), sign * r * Math.sin(a), r - r * Math.cos(a)], (i * rows + j) * 3)
      }
    }
    return w
  }
  const bottom = new Float64Array(columns * 3 * 3)
  for (let i = 0; i < columns; i++)
    for (let j = 0; j < 3; j++) bottom.set([(length * i) / (columns - 1), 0, 0], (i * 3 + j) * 3)
  return {
    length,
    joints: { lateral: 0.6 * length, medial: 0.7 * length },
    columns,
    rows,
    coneColumn: 0,
    walls: { lateral: wall(-1), medial: wall(1) },
    across: 3,
    bottom,
  }
}

/** A ball of radius r about a point, faces outwards. */
export function ball(r: number, [cx, cy, cz]: readonly number[] = [0, 0, 0], rings = 24): TriangleMesh {
  const around = 2 * rings
  const positions: number[] = []
  for (let i = 0; i <= rings; i++) {
    const a = (Math.PI * i) / rings
    for (let k = 0; k < around; k++) {
      const b = (2 * Math.PI * k) / around
      positions.push(cx! + r * Math.sin(a) * Math.cos(b), cy! + r * Math.sin(a) * Math.sin(b), cz! + r * Math.cos(a))
    }
  }
  const triangles: number[] = []
  for (let i = 0; i < rings; i++) {
    for (let k = 0; k < around; k++) {
      const a = i * around + k
      const b = i * around + ((k + 1) % around)
      if (i > 0) triangles.push(a, a + around, b)
      if (i < rings - 1) triangles.push(b, a + around, b + around)
    }
  }
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) }
}

/** A box from the origin to (x, y, z), every face cut into n x n squares, faces outwards, corners not shared (as in an STL). */
export function boxMesh(x: number, y: number, z: number, n: number): TriangleMesh {
  const positions: number[] = []
  const face = (o: number[], u: number[], v: number[]) => {
    const at = (a: number, b: number) => [0, 1, 2].map((c) => o[c]! + (u[c]! * a) / n + (v[c]! * b) / n)
    for (let i = 0; i < n; i++) {
      for (let k = 0; k < n; k++) {
        const [p, q, r, s] = [at(i, k), at(i + 1, k), at(i + 1, k + 1), at(i, k + 1)]
        positions.push(...p, ...q, ...r, ...p, ...r, ...s)
      }
    }
  }
  face([0, 0, 0], [0, y, 0], [x, 0, 0])
  face([0, 0, z], [x, 0, 0], [0, y, 0])
  face([0, 0, 0], [x, 0, 0], [0, 0, z])
  face([0, y, 0], [0, 0, z], [x, 0, 0])
  face([0, 0, 0], [0, 0, z], [0, y, 0])
  face([x, 0, 0], [0, y, 0], [0, 0, z])
  return {
    positions: Float64Array.from(positions),
    triangles: Uint32Array.from({ length: positions.length / 3 }, (_, i) => i),
  }
}
