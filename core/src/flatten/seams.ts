import { GeometryError } from '../geometry/path.ts'
import { dist3, dot, sub, unit, type Vec3 } from '../geometry/vec3.ts'
import { boundaryLoop, type Mesh } from './mesh.ts'

/** Edges of a wall whose true length matters more to a shoemaker than the strain inside. */
export const seamNames = ['back', 'rim', 'ridge', 'rib'] as const
export type SeamName = (typeof seamNames)[number]

/** How much more the triangles along a kept seam count. */
export const SEAM_WEIGHT = 60

/**
 * The seams of a wall laid out as a grid (column by column, feather first): back = first column; top edge up to its
 * sharpest bend = rim; from there to the toe = ridge; last column = rib. Throws GeometryError when the vertices are no such grid.
 */
export function gridSeams(mesh: Mesh): Record<SeamName, number[]> {
  const n = mesh.positions.length / 3
  const loop = boundaryLoop(mesh)
  const start = loop.indexOf(0)
  const on = [...loop.slice(start), ...loop.slice(0, start)]
  // Vertex 0 is a corner; the first column runs 0, 1, 2 ... along the edge, in one of the two directions.
  const run = on[1] === 1 ? on : [on[0], ...on.slice(1).reverse()]
  let rows = 1
  while (run[rows] === rows) rows++
  const columns = n / rows
  if (rows < 2 || !Number.isInteger(columns) || loop.length !== 2 * (rows + columns - 2)) {
    throw new GeometryError(
      'The mesh is not a wall laid out column by column, so its back, rim, ridge and rib are not known. Name them as lines in groups "back", "rim", "ridge" and "rib".',
    )
  }
  const at = (v: number): Vec3 => [mesh.positions[3 * v]!, mesh.positions[3 * v + 1]!, mesh.positions[3 * v + 2]!]
  const top = Array.from({ length: columns }, (_, i) => i * rows + rows - 1)
  let bend = 1
  let least = Infinity
  for (let i = 2; i + 2 < columns; i++) {
    const cos = dot(unit(sub(at(top[i]!), at(top[i - 2]!))), unit(sub(at(top[i + 2]!), at(top[i]!))))
    if (cos < least) [least, bend] = [cos, i]
  }
  return {
    back: Array.from({ length: rows }, (_, j) => j),
    rim: top.slice(0, bend + 1),
    ridge: top.slice(bend),
    rib: Array.from({ length: rows }, (_, j) => n - 1 - j),
  }
}

/** Weights that let the triangles along the given lines keep their lengths: SEAM_WEIGHT there, 1 elsewhere. */
export function seamWeights(mesh: Mesh, lines: readonly (readonly number[])[]): Float64Array {
  const on = new Set(lines.flat())
  const t = mesh.triangles
  const out = new Float64Array(t.length / 3).fill(1)
  for (let f = 0; f < out.length; f++) {
    const corners = [t[3 * f], t[3 * f + 1], t[3 * f + 2]].filter((v) => on.has(v!)).length
    if (corners >= 2) out[f] = SEAM_WEIGHT
  }
  return out
}

/** True and flat length of a line of vertices, mm. */
export function seamDrift(mesh: Mesh, flat: Float64Array, line: readonly number[]): { space: number; plane: number } {
  const p = mesh.positions
  let space = 0
  let plane = 0
  for (let k = 1; k < line.length; k++) {
    const [a, b] = [line[k - 1]!, line[k]!]
    space += dist3([p[3 * a]!, p[3 * a + 1]!, p[3 * a + 2]!], [p[3 * b]!, p[3 * b + 1]!, p[3 * b + 2]!])
    plane += Math.hypot(flat[2 * a]! - flat[2 * b]!, flat[2 * a + 1]! - flat[2 * b + 1]!)
  }
  return { space, plane }
}
